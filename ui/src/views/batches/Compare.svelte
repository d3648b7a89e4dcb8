<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { money, plainDay } from '../../lib/words';
  import { say } from '../../lib/say';
  import CostLines from './CostLines.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /**
   * Every name against every destination, one to ten years ahead; `send` sends names where they are
   * cheapest.
   */
  let { names, send }: { names: string[]; send?: (to: Record<string, string>) => void } = $props();
  let open = $state(false);
  let years = $state(5);
  let privacy = $state(false);
  const found = createQuery(() => ({
    queryKey: ['prices', 'compare', names.join(','), years, privacy],
    queryFn: () => ask(api.POST('/api/compare', { body: { names, years, privacy } })),
    enabled: open && names.length > 0,
    placeholderData: (before) => before,
  }));
  const lines = $derived(found.data?.lines ?? []);
  const currencies = $derived([...new Set(lines.flatMap((l) => Object.keys(l.ahead)))].sort());
  // A destination that changes nothing in a currency says nothing there.
  const telling = (currency: string) => {
    const stay = lines.find((l) => l.id === 'stay')?.ahead[currency]?.join();
    return lines.filter(
      (l) =>
        l.ahead[currency] &&
        (['stay', 'mixed'].includes(l.id) || l.ahead[currency].join() !== stay),
    );
  };
  const shown = (minor: number | undefined, currency: string | null | undefined) =>
    minor === undefined || !currency ? say.compare.notKnown : money({ minor, currency });
  const titles = $derived(Object.fromEntries(lines.map((l) => [l.id, l.title])));
  const best = $derived(
    Object.fromEntries(
      (found.data?.rows ?? []).filter((r) => r.best).map((r) => [r.name, r.best!]),
    ),
  );
  const out = $derived(
    lines.flatMap((l) =>
      Object.entries(l.out).map(([why, list]) => ({ title: l.title, why, list })),
    ),
  );
</script>

<details class="fold" bind:open>
  <summary>{say.compare.summary}</summary>
  <Trouble error={found.error} />
  <p class="ask flex flex-wrap gap-y-1 gap-x-6 items-center my-2 mx-0">
    <label
      >{say.compare.years}
      <input type="range" min="1" max="10" bind:value={years} />
      <span class="num">{years}</span></label
    >
    <label><input type="checkbox" bind:checked={privacy} /> {say.prices.withPrivacy}</label>
    {#if found.data?.converted}
      <span class="muted"
        >{say.prices.converted(found.data.converted.to, plainDay(found.data.converted.date))}</span
      >
    {/if}
  </p>
  {#if found.data}
    {#each currencies as currency (currency)}
      <CostLines lines={telling(currency)} {currency} years={found.data.years} />
    {/each}
    <p class="muted">{say.compare.linesMean}</p>
    <table class="figures">
      <thead>
        <tr>
          <th scope="col">{say.compare.name}</th>
          <th scope="col" class="num">{say.compare.stay}</th>
          <th scope="col">{say.compare.cheapest}</th>
          <th scope="col" class="num">{say.compare.after(found.data.years)}</th>
          <th scope="col" class="num">{say.compare.breakEven}</th>
        </tr>
      </thead>
      <tbody>
        {#each found.data.rows as row (row.name)}
          {@const way = row.ways.find((w) => w.id === row.best)}
          <tr>
            <td class="mono">{row.unicode}</td>
            <td class="num">{shown(row.stay.at(-1), row.currency)}</td>
            <td>{way ? titles[way.id] : say.compare.staysHere}</td>
            <td class="num">{way ? shown(way.ahead.at(-1), way.currency) : '–'}</td>
            <td class="num">{way?.break_even ? say.compare.year(way.break_even) : '–'}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if out.length}
      <details class="fold">
        <summary>{say.compare.notTaken}</summary>
        {#each out as o (`${o.title} ${o.why}`)}
          <p>
            {say.compare.why[o.why]?.(o.title, o.list.length)}
            <span class="mono">{o.list.join(', ')}</span>
          </p>
        {/each}
      </details>
    {/if}
    {#if send && may('changeBatchNames') && Object.keys(best).length}
      <p>
        <button class="link" onclick={() => send(best)}
          >{say.compare.send(Object.keys(best).length)}</button
        >
      </p>
    {/if}
  {/if}
</details>

<style>
  input[type='range'] {
    accent-color: var(--loden);
    vertical-align: middle;
  }
</style>
