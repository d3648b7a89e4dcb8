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

<main class="pt-4 pb-8 px-4 grid gap-4 grid-cols-1">
  <div class="flex flex-wrap gap-y-1 gap-x-4 items-baseline">
    <Head title={say.rulebook.rulebook} answer={say.rulebook.head} />
    <p class="muted flex-[1_1_20rem]">
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
    {#if suffix && !shown.length}<p class="border-l-4 border-l-ochre-fill bg-ochre-soft py-2 px-4">
        {say.rulebook.noFamilyLists(`.${suffix}`)}
      </p>{/if}
    {#if book.data.unlisted.length}
      <p class="border-l-4 border-l-ochre-fill bg-ochre-soft py-2 px-4">
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
