<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import GateMark from '../../parts/GateMark.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  let { book, suffixes, suffix }: { book: Schemas['Rulebook']; suffixes: string[]; suffix: string } = $props();
  const client = useQueryClient();
  let chosen = $state('');
  let key = $state('new-name');
  let value = $state('');
  let source = $state('');
  let date = $state('');
  const at = $derived(chosen || suffix);
  const family = $derived(book.families.find((f) => f.suffixes.includes(at)));
  const rules = $derived([...(family?.rules.map((r) => r.id) ?? []), ...(family?.without ?? [])]);
  const hint = $derived(book.keys.includes(key) ? 'its new value' : 'days, or off');
  const body = $derived({ suffix: at, key, value });
  const preview = createMutation(() => ({ mutationFn: () => ask(api.POST('/api/rulebook/preview', { body })) }));
  const save = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/rulebook/overrides', { body: { ...body, source, date } })),
    onSuccess: () => {
      value = source = date = '';
      preview.reset();
      void client.invalidateQueries();
    },
  }));
  const seen = $derived(preview.data);

  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (seen) save.mutate();
    else preview.mutate();
  }
</script>

<section class="panel">
  <h2>Overrule a value for one suffix</h2>
  <form onsubmit={submit}>
    <label
      >Suffix
      <select class="plain" value={at} onchange={(e) => (chosen = e.currentTarget.value) && preview.reset()}
        >{#each suffixes as s (s)}<option value={s}>.{s}</option>{/each}</select
      ></label
    >
    <label
      >Value or rule
      <select class="plain" bind:value={key} onchange={() => preview.reset()}>
        <optgroup label="Values"
          >{#each book.keys as k (k)}<option>{k}</option>{/each}</optgroup
        >
        <optgroup label="Rules"
          >{#each rules as r (r)}<option>{r}</option>{/each}</optgroup
        >
      </select></label
    >
    <label>is here <input class="plain" bind:value placeholder={hint} required oninput={() => preview.reset()} /></label
    >
    {#if seen}
      <label
        >Source <input
          class="plain"
          bind:value={source}
          placeholder="where it is written, who said so"
          required
        /></label
      >
      <label>of <input class="plain" type="date" bind:value={date} required /></label>
      <Button type="submit" disabled={save.isPending}>Save it</Button>
    {:else}
      <Button type="submit" color="alternative" disabled={preview.isPending}>Show which names it changes</Button>
    {/if}
  </form>
  <Trouble error={preview.error ?? save.error} />
  {#if seen}
    <p role="status">
      {seen.count
        ? `It changes ${seen.count} of ${seen.looked_at} names under “.${at}”:`
        : `It changes none of the ${seen.looked_at} names under “.${at}” today.`}
    </p>
    <table>
      <tbody>
        {#each seen.names as n (n.name)}
          <tr
            ><td class="mono">{n.name}</td><td><GateMark gate={n.was} /></td><td>→</td><td><GateMark gate={n.is} /></td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
</section>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 1rem;
    align-items: end;
    margin: 0.5rem 0;
  }
  label {
    display: grid;
  }
  td {
    padding: 0.1rem 1rem 0.1rem 0;
    overflow-wrap: anywhere;
  }
</style>
