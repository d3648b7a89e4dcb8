<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { stamp } from '../../lib/words';
  import { whole } from '../../lib/work';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /** A copy of the plan, run a hundred times with faults drawn. */
  let { id }: { id: number } = $props();
  let far = $state<{ done: number; of: number }>();
  type Answer = Schemas['Rehearsal'] | (Schemas['Working'] & { job: string });
  const run = createMutation(() => ({
    mutationFn: async () =>
      whole<Schemas['Rehearsal']>(
        (await ask(api.POST('/api/batches/{id}/rehearse', { params: { path: { id } } }))) as Answer,
        (job) =>
          ask(api.GET('/api/batch-work/{job}', { params: { path: { job } } })) as Promise<Answer>,
        (now) => (far = now),
      ),
  }));
  const r = $derived(run.data);
  const at = (iso: string | undefined) => (iso ? stamp(iso, clock.now) : '');
</script>

<details class="fold">
  <summary>{say.rehearsal.summary}</summary>
  <p class="muted">{say.rehearsal.what}</p>
  <Trouble error={run.error} />
  <Button color="alternative" disabled={run.isPending} onclick={() => run.mutate()}
    >{say.rehearsal.run}</Button
  >
  {#if far}<p role="status">{say.rehearsal.far(far.done, far.of)}</p>{/if}
  {#if r}
    <p>
      {say.rehearsal.took(r.runs, at(r.range[0]), at(r.range[1]), at(r.range[2]))}
      {#each r.endings as e (e.ending)}{say.rehearsal.ended(
          say.rehearsal.endings[e.ending] ?? e.ending,
          e.share,
        )}
      {/each}
    </p>
    <h3>{say.rehearsal.wrong}</h3>
    <ul>
      {#each r.faults as f (f.says)}
        <li class="flex flex-wrap gap-y-1 gap-x-4 items-center py-0.5 px-0">
          <svg width="120" height="10" aria-hidden="true"
            ><rect class="all fill-slate-soft" width="120" height="10" /><rect
              class="fill-ochre-fill"
              width={f.share * 1.2}
              height="10"
            /></svg
          >
          <span class="num">{say.rehearsal.inHundred(f.share)}</span>
          {f.says}
        </li>
      {:else}<li class="flex flex-wrap gap-y-1 gap-x-4 items-center py-0.5 px-0">
          {say.rehearsal.nothing}
        </li>{/each}
    </ul>
    <h3>{say.rehearsal.asked}</h3>
    <table class="figures">
      <tbody>
        {#each r.asks as a (`${a.says} ${a.place}`)}
          <tr>
            <td class="num py-1 pr-4 pl-0 border-t border-t-line align-baseline"
              >{at(a.at[0])} – {at(a.at[2])}</td
            >
            <td class="py-1 pr-4 pl-0 border-t border-t-line align-baseline"
              >{a.place ?? say.batch.you}</td
            >
            <td class="py-1 pr-4 pl-0 border-t border-t-line align-baseline">{a.says}</td>
            <td class="num muted py-1 pr-4 pl-0 border-t border-t-line align-baseline"
              >{say.rehearsal.inHundred(a.share)}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</details>
