<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import GateMark from '../../parts/GateMark.svelte';
  import DateField from '../../parts/DateField.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  let { book, suffix }: { book: Schemas['Rulebook']; suffix: string } = $props();
  const client = useQueryClient();
  let chosen = $state('');
  let wanted = $state('new-name');
  let value = $state('');
  let source = $state('');
  let date = $state('');
  const at = $derived(chosen || suffix);
  const unlisted = $derived(!book.families.some((f) => f.suffixes.includes(at)));
  const key = $derived(unlisted ? 'family' : wanted);
  const family = $derived(book.families.find((f) => f.suffixes.includes(at)));
  const rules = $derived([...(family?.rules.map((r) => r.id) ?? []), ...(family?.without ?? [])]);
  const hint = $derived(
    book.keys.includes(key) ? say.overrule.overruleValue : say.overrule.overruleHint,
  );
  const body = $derived({ suffix: at, key, value });
  const preview = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/rulebook/preview', { body })),
  }));
  const save = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/rulebook/overrides', { body: { ...body, source, date } })),
    onSuccess: () => {
      value = source = date = '';
      preview.reset();
      void refresh(client, 'rulebook', 'names');
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
  <h2>{say.overrule.overruleTitle}</h2>
  <form class="flex flex-wrap gap-y-2 gap-x-4 items-end my-2 mx-0" onsubmit={submit}>
    <label
      >{say.overrule.suffix}
      <input
        class="plain mono"
        required
        value={at}
        onchange={(e) => {
          chosen = e.currentTarget.value.trim().replace(/^\./, '').toLowerCase();
          preview.reset();
        }}
      /></label
    >
    <label
      >{say.overrule.overruleWhat}
      <select
        class="plain"
        value={key}
        onchange={(e) => {
          wanted = e.currentTarget.value;
          value = '';
          preview.reset();
        }}
      >
        <optgroup label={say.overrule.values}
          >{#each unlisted ? ['family'] : book.keys as k (k)}<option value={k}
              >{book.titles[k]}</option
            >{/each}</optgroup
        >
        <optgroup label={say.overrule.rules}
          >{#each rules as r (r)}<option value={r}>{book.titles[r]}</option>{/each}</optgroup
        >
      </select></label
    >
    <label
      >{say.overrule.isHere}
      {#if key === 'family'}
        <select class="plain" bind:value required onchange={() => preview.reset()}
          >{#each book.families.filter((f) => !f.overruled) as f (f.id)}<option value={f.id}
              >{f.title}</option
            >{/each}</select
        >
      {:else}
        <input
          class="plain"
          bind:value
          placeholder={hint}
          required
          oninput={() => preview.reset()}
        />
      {/if}</label
    >
    {#if seen}
      <label
        >{say.overrule.source}
        <input
          class="plain"
          bind:value={source}
          placeholder={say.overrule.overruleSource}
          required
        /></label
      >
      <label>{say.overrule.of} <DateField bind:value={date} required /></label>
      <Button color="alternative" type="submit" disabled={save.isPending}
        >{say.overrule.saveIt}</Button
      >
    {:else}
      <Button type="submit" color="alternative" disabled={preview.isPending}
        >{say.overrule.overrulePreview}</Button
      >
    {/if}
  </form>
  <Trouble error={preview.error ?? save.error} />
  {#if seen}
    <p role="status">
      {seen.count
        ? say.overrule.itChangesOfNamesUnder(seen.count, seen.looked_at, at)
        : say.overrule.itChangesNoneOfThe(seen.looked_at, at)}
    </p>
    <table>
      <tbody>
        {#each seen.names as n (n.name)}
          <tr
            ><td class="mono py-0.5 pr-4 pl-0 wrap-anywhere">{n.name}</td><td
              class="py-0.5 pr-4 pl-0 wrap-anywhere"><GateMark gate={n.was} /></td
            ><td class="py-0.5 pr-4 pl-0 wrap-anywhere">→</td><td
              class="py-0.5 pr-4 pl-0 wrap-anywhere"><GateMark gate={n.is} /></td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
</section>

<style>
  label {
    display: grid;
    grid-template-columns: minmax(0, max-content);
    min-width: 0;
  }
</style>
