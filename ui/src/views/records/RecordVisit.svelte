<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { p, route } from '../../router';
  import Companion from '../../parts/Companion.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Values from '../../parts/Values.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** Records that are typed into somebody else's form: one at a time, ticked as servers answer. */
  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const path = $derived({ params: { path: { name } } });
  const records = createQuery(() => ({
    queryKey: ['records', name],
    queryFn: () => ask(api.GET('/api/records/{name}', path)),
  }));
  const look = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/records/{name}/look', path)),
    onSettled: () => refresh(client, 'records', 'moves', 'desk'),
  }));
  // What somebody says to have typed; only a server's answer makes it so.
  const typed = new SvelteSet<string>();
  const all = $derived(
    (records.data?.rows ?? []).flatMap((row) =>
      row.fields.map((fields, n) => ({ key: `${row.set} ${n}`, row, fields, n })),
    ),
  );
  const left = $derived(all.filter((r) => !typed.has(r.key)));
  let shown = $state('');
  const index = $derived(
    Math.max(
      0,
      left.findIndex((r) => r.key === shown),
    ),
  );
  const record = $derived(left[index]);
  const next = () => {
    if (left.length > 1) shown = left[(index + 1) % left.length]!.key;
  };
  function done() {
    const entered = record?.key;
    if (entered === undefined) return;
    const after = (left[index + 1] ?? left[0])?.key ?? '';
    typed.add(entered);
    shown = after === entered ? '' : after;
  }
  const called = (key: string) => say.carrySheet.fields[key] ?? key;
  // The whole row first, with tabs between, as a table takes it.
  const values = $derived(
    record
      ? [
          ...record.fields.map((f) => ({ label: called(f.key), text: f.text })),
          {
            label: say.recordVisit.row,
            text: record.fields.map((f) => f.text).join('\t'),
          },
        ]
      : [],
  );
  const there = $derived((records.data?.rows ?? []).filter((r) => r.there).length);
</script>

<Companion
  title={records.data?.host?.title ?? say.records.records}
  site={records.data?.host?.site}
  at={record ? all.length - left.length + 1 : 0}
  of={all.length}
  {next}
  back={p('/records/:name', { params: { name } })}
>
  <Trouble error={records.error ?? look.error} />
  {#if record}
    <div>
      <h1 class="answer">
        {say.recordVisit.enter(record.row.type)}
      </h1>
      <p class="mono">{record.row.owner}</p>
      {#if record.row.fields.length > 1}<p class="note muted">
          {say.recordVisit.part(record.n + 1, record.row.fields.length)}
        </p>{/if}
    </div>
    <Values of={values} />
    {#each record.row.says as s (s)}<p class="note">{s}</p>{/each}
    <div class="acts">
      <Button color="alternative" onclick={done}
        >{left.length > 1 ? say.recordVisit.typedNext : say.recordVisit.typed}</Button
      >
      {#if left.length > 1}<Button color="alternative" onclick={next}
          >{say.visit.next} <kbd class="font-mono ml-2">n</kbd></Button
        >{/if}
    </div>
  {:else if records.data}
    <h1 class="answer">
      {all.length
        ? say.recordVisit.allTyped(all.length)
        : there
          ? say.recordVisit.allThere(there)
          : say.recordVisit.nothing}
    </h1>
    {#if all.length}<p>
        <button class="link" onclick={() => typed.clear()}>{say.recordVisit.again}</button>
      </p>{/if}
  {/if}
  {#if records.data}
    <div class="acts">
      {#if may('lookAtServers')}
        <Button
          size="sm"
          color="alternative"
          disabled={look.isPending}
          onclick={() => look.mutate()}
          >{look.isPending ? say.recordsSheet.asking : say.recordsSheet.ask}</Button
        >
      {/if}
      <span class="note muted">
        {say.recordVisit.answered(there, records.data.rows.length)}
        {#if records.data.asked_at}{say.recordsSheet.asked}
          <When at={records.data.asked_at} />{:else}{say.recordsSheet.neverAsked}{/if}
      </span>
    </div>
  {/if}
</Companion>
