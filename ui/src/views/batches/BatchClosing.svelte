<script lang="ts">
  import Download from '../../parts/Download.svelte';
  import { at } from '../../lib/base';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { money } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  /** What came of a batch: the sums, and a line for each name. */
  let { id, ended }: { id: number; ended: boolean } = $props();
  let open = $state<boolean>();
  const shown = $derived(open ?? ended);
  const report = createQuery(() => ({
    queryKey: ['batches', id, 'closing'],
    queryFn: () => ask(api.GET('/api/batches/{id}/closing', { params: { path: { id } } })),
    enabled: shown,
  }));
  // What is of the whole batch stands before the first name.
  const own = $derived.by(() => {
    const parts = report.data?.parts ?? [];
    const first = parts.findIndex((x) => report.data!.moves.some((m) => m.unicode === x.heading));
    return first < 0 ? parts : parts.slice(0, first);
  });
</script>

<details class="fold" bind:open={() => shown, (v) => (open = v)}>
  <summary>{say.closing.title}</summary>
  <Trouble error={report.error} />
  {#if report.data}
    {#each own as part, i (i)}
      {#if part.heading}<h3>{part.heading}</h3>{/if}
      {#each part.lines as l (l)}<p><Sentence text={l} /></p>{/each}
    {/each}
    <ul>
      {#each report.data.moves as m (m.id)}
        <li
          class="grid grid-cols-[minmax(9rem,18rem)_7rem_6rem_minmax(0,1fr)_minmax(0,1fr)]
            gap-y-0.5 gap-x-4 py-1 px-0 border-t border-t-line wrap-anywhere
            max-[800px]:grid-cols-1"
        >
          <a class="mono" href={p('/moves/:id', { params: { id: String(m.id) } })}>{m.unicode}</a>
          <span>{m.stage}</span>
          <span class="num">{m.spent ? [m.spent, ...m.besides].map(money).join(' + ') : ''}</span>
          <span
            >{#if m.bad}<strong>{say.closing.bad(m.bad)}</strong>{say.batches
                .comma}{/if}{say.closing.open(m.open)}</span
          >
          <span class="muted"
            >{#if m.again_at}{say.closing.again} <When at={m.again_at} bare />{/if}</span
          >
        </li>
      {/each}
    </ul>
    <p class="acts flex gap-4 mt-2">
      <a href={at(`/api/closing/batch/${id}/page`)} target="_blank" rel="noopener"
        >{say.closing.page}</a
      >
      <a href={at(`/api/closing/batch/${id}/pdf`)} download>{say.closing.pdf}</a>
      <Download href={at(`/api/batches/${id}/closing.csv`)}>{say.closing.csv}</Download>
    </p>
  {/if}
</details>
