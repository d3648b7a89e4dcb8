<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { endOf } from '../../lib/days';
  import { day, stamp } from '../../lib/words';
  import { p } from '../../router';
  import Curve from '../batches/Curve.svelte';
  import DateField from '../../parts/DateField.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /**
   * When all that is under way will be done, the chance of any day, and what earlier forecasts were
   * worth. expected: is anything under way? Then its room is kept until it comes.
   */
  let { expected }: { expected: boolean } = $props();
  let by = $state('');
  const at = $derived(by ? endOf(by) : undefined);
  const forecast = createQuery(() => ({
    queryKey: ['moves', 'forecast', at],
    queryFn: () => ask(api.GET('/api/forecast', { params: { query: { by: at } } })),
    placeholderData: (before) => before,
  }));
  const f = $derived(forecast.data);
  const held = $derived(f?.calibration.filter((c) => c.held).length ?? 0);
  const span = $derived(
    Math.max(
      1,
      ...(f?.calibration.map(
        (c) => Math.max(Date.parse(c.to), Date.parse(c.ended_at)) - Date.parse(c.from),
      ) ?? []),
    ),
  );
  const share = (a: string, b: string) => ((Date.parse(b) - Date.parse(a)) / span) * 100;
</script>

<Trouble error={forecast.error} />
{#if forecast.isPending && expected}<div class="h-[13.65rem] mb-4"></div>{/if}
{#if f && f.moves > 0 && f.range.length}
  <section class="box raised py-2 px-4 mb-4" aria-label={say.forecast.title}>
    <h2>{say.forecast.title}</h2>
    <p>
      {say.forecast.range(
        f.moves,
        stamp(f.range[0]!, clock.now),
        stamp(f.range[1]!, clock.now),
        stamp(f.range[2]!, clock.now),
      )}
    </p>
    <Curve range={f.range} curve={f.curve} />
    <p class="ask flex flex-wrap gap-y-2 gap-x-4 items-center">
      <Label for="f-by">{say.forecast.by}</Label>
      <DateField id="f-by" bind:value={by} />
      {#if f.chance !== null && f.chance !== undefined}<strong
          >{say.forecast.chance(Math.round(f.chance * 100))}</strong
        >{/if}
    </p>
  </section>
{/if}
{#if f?.calibration.length}
  <details class="mb-4">
    <summary>{say.forecast.held(held, f.calibration.length)}</summary>
    {#if f.within.of}
      <p>{say.forecast.within(f.within.of, f.within.p10, f.within.p50, f.within.p90)}</p>
    {/if}
    <table class="w-full border-collapse">
      <tbody>
        {#each f.calibration as c (c.id)}
          <tr>
            <td class="py-1 px-2 border-b border-b-line wrap-anywhere"
              ><a class="mono" href={p('/moves/:id', { params: { id: String(c.id) } })}
                >{c.unicode}</a
              ></td
            >
            <td
              class="bar w-[30%] max-[800px]:hidden py-1 px-2 border-b border-b-line
                wrap-anywhere"
            >
              <svg
                viewBox="0 0 100 12"
                preserveAspectRatio="none"
                width="100%"
                height="12"
                aria-hidden="true"
              >
                <rect
                  class="fill-slate-soft stroke-slate stroke-[0.3]"
                  x="0"
                  y="3"
                  width={share(c.from, c.to)}
                  height="6"
                />
                <rect
                  class="ended fill-loden"
                  class:missed={!c.held}
                  x={Math.max(0, share(c.from, c.ended_at))}
                  y="0"
                  width="0.8"
                  height="12"
                />
              </svg>
            </td>
            <td class="num py-1 px-2 border-b border-b-line wrap-anywhere"
              >{say.forecast.row(day(c.from), day(c.to))}, <When at={c.ended_at} bare /></td
            >
            <td class="py-1 px-2 border-b border-b-line wrap-anywhere"
              >{c.held ? say.forecast.yes : say.forecast.no}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  </details>
{/if}

<style>
  .missed {
    fill: var(--madder);
  }
</style>
