<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import AddSuffixes from './AddSuffixes.svelte';
  import FamilyPart from './Family.svelte';
  import Overrides from './Overrides.svelte';
  import Overrule from './Overrule.svelte';
  import { say } from '../../lib/say';

  const book = createQuery(() => ({
    queryKey: ['rulebook'],
    queryFn: () => ask(api.GET('/api/rulebook')),
  }));
  let suffix = $state('');
  const families = $derived(book.data?.families ?? []);
  const shown = $derived(suffix ? families.filter((f) => f.suffixes.includes(suffix)) : families);
</script>

<main>
  <div class="head">
    <Head title={say.rulebook.rulebook} answer={say.rulebook.head} />
    <p class="muted">
      {say.rulebook.rulesIntro}
    </p>
    <label
      >{say.rulebook.suffix}
      <input
        class="plain mono"
        placeholder={say.rulebook.all}
        bind:value={() => suffix, (v) => (suffix = v.trim().replace(/^\./, '').toLowerCase())}
      /></label
    >
  </div>
  <Trouble error={book.error} />
  {#if book.data}
    {#each shown as family (family.id)}<FamilyPart
        {family}
        titles={book.data.titles}
        whole={!!suffix}
        choose={(s) => (suffix = s)}
      />{/each}
    {#if suffix && !shown.length}<p class="caution">
        {say.rulebook.noFamilyLists(`.${suffix}`)}
      </p>{/if}
    {#if book.data.unlisted.length}
      <p class="caution">
        {say.rulebook.noFamilyLists(book.data.unlisted.map((s) => `.${s}`).join(', '))}
      </p>
    {/if}
    {#if may('override')}
      <Overrule book={book.data} suffix={suffix || book.data.unlisted[0] || 'example'} />
      <AddSuffixes book={book.data} />
    {:else}
      <p class="muted">{say.rulebook.overruleWho}</p>
    {/if}
    <Overrides overrides={book.data.overrides} titles={book.data.titles} />
  {/if}
</main>

<style>
  main {
    padding: 16px 16px 32px;
    display: grid;
    gap: 16px;
    grid-template-columns: minmax(0, 1fr);
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: baseline;
  }
  .caution {
    border-left: 4px solid var(--ochre-fill);
    background: var(--ochre-soft);
    padding: 8px 16px;
  }
  .head p {
    flex: 1;
  }
</style>
