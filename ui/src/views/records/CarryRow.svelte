<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import Copy from '../../parts/Copy.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Decide from './Decide.svelte';
  import { say } from '../../lib/say';

  /** One record set: as it is, as it is at the new host, what was decided, what is typed there. */
  let {
    row,
    name,
    compared,
    done,
  }: { row: Schemas['RecordsRow']; name: string; compared: boolean; done: () => void } = $props();
  let open = $state(false);
  // The zone’s own name stands above; a record’s is short without it.
  const short = $derived(
    row.owner.endsWith(`.${name}`) ? row.owner.slice(0, -name.length - 1) : row.owner,
  );
  const standing = $derived(
    row.decision?.choice === 'leave'
      ? say.carrySheet.left
      : row.there
        ? say.carrySheet.there
        : say.carrySheet.kinds[row.kind],
  );
  const decide = createMutation(() => ({
    mutationFn: (body: Omit<Schemas['RecordsDecision'], 'sets'>) =>
      ask(
        api.POST('/api/records/{name}/decide', {
          params: { path: { name } },
          body: { ...body, sets: [row.set] },
        }),
      ),
    onSuccess: () => {
      open = false;
      done();
    },
  }));
</script>

<div class="row" class:needs={row.needs} class:there={row.there} role="row">
  <div role="cell">
    {#if row.breaks && !row.there && compared && row.kind !== 'unknown'}<p>
        <strong>{row.breaks}</strong>
      </p>{/if}
    <span class="mono wrap-anywhere" title={row.owner}>{short}</span> <strong>{row.type}</strong>
    {#each row.says as s (s)}<p class="says border-l-[3px] border-l-ochre-fill pl-2">{s}</p>{/each}
    {#if row.decision}
      <p class="muted">
        {say.carrySheet.decided[row.decision.choice]}{row.decision.reason
          ? `: ${row.decision.reason}`
          : ''} ({row.decision.by})
      </p>
    {/if}
  </div>
  <div role="cell" class="data mono wrap-anywhere text-note">
    {#each row.old?.data ?? [] as d, i (i)}<div>{d}</div>{:else}<span class="muted"
        >{say.carrySheet.nothing}</span
      >{/each}
    {#if row.old}<span class="muted num">{row.old.ttl} s</span>{/if}
  </div>
  <div role="cell" class="data wrap-anywhere">
    {#if compared}<span class="state font-semibold">{standing}</span>{/if}
    {#if row.kind === 'different' || row.kind === 'extra' || row.kind === 'ttl'}
      <div class="mono text-note">
        {#each row.new?.data ?? [] as d, i (i)}<div>{d}</div>{/each}
        <span class="muted num">{row.new?.ttl} s</span>
      </div>
    {/if}
    {#if row.decision?.choice === 'edit' && row.wanted}
      <div class="mono text-note border-l-[3px] border-l-loden pl-2">
        {#each row.wanted.data as d, i (i)}<div>{d}</div>{/each}
      </div>
    {/if}
    {#if row.fields.length}
      <details>
        <summary>{say.carrySheet.byHand}</summary>
        {#each row.fields as record, i (i)}
          {#if row.fields.length > 1}<p class="muted">{say.carrySheet.record(i + 1)}</p>{/if}
          <dl class="mt-1 mb-2 mx-0">
            {#each record as f (f.key)}
              <dt>{say.carrySheet.fields[f.key] ?? f.key}</dt>
              <dd>
                <Copy text={f.text} what={`${say.carrySheet.fields[f.key] ?? f.key} ${row.set}`} />
              </dd>
            {/each}
          </dl>
        {/each}
      </details>
    {/if}
    {#if may('decideRecords')}
      <button
        class="link"
        aria-expanded={open}
        aria-label="{say.carrySheet.decide}: {row.set}"
        onclick={() => (open = !open)}>{say.carrySheet.decide}</button
      >
    {/if}
  </div>
  {#if open}
    <div class="col-span-full" role="cell">
      <Trouble error={decide.error} />
      <Decide
        {row}
        decide={(body) => decide.mutate(body)}
        busy={decide.isPending}
        cancel={() => (open = false)}
      />
    </div>
  {/if}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: minmax(0, 4fr) minmax(0, 4fr) minmax(0, 5fr);
    gap: 4px 16px;
    padding: 8px 8px;
    border-bottom: 1px solid var(--line);
    border-left: 4px solid transparent;
    content-visibility: auto;
    contain-intrinsic-size: auto 60px;
  }
  .needs {
    border-left-color: var(--ochre-fill);
  }
  .there {
    border-left-color: var(--loden);
  }
  @media (max-width: 800px) {
    .row {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
