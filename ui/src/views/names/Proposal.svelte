<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Proposal } from '../../lib/api';
  import { day, money, span } from '../../lib/words';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import DoneBy from '../batches/DoneBy.svelte';
  import RestsOn from '../moves/RestsOn.svelte';
  import Stages from '../moves/Stages.svelte';
  import Track from '../moves/Track.svelte';
  import { say } from '../../lib/say';

  let { proposal, act }: { proposal: Proposal; act: Snippet } = $props();
  const q = $derived(proposal.quote);
  const most = $derived(proposal.finish[2]);
</script>

{#each proposal.refusals as refusal (refusal)}
  <p class="refusal" role="alert"><Sentence text={refusal} /></p>
{/each}
{#each proposal.cautions as caution (caution)}
  <p class="caution"><Sentence text={caution} /></p>
{/each}

<AnswerStrip finish={proposal.finish} futures={proposal.futures ?? null} uptime={proposal.uptime}>
  {#snippet cost()}
    {#if proposal.total}<strong>{money(proposal.total)}</strong>{:else}{say.proposal.notKnown}{/if}
  {/snippet}
  {#snippet result()}
    {#if proposal.expected_expiry && proposal.expires_at}
      <strong>{day(proposal.expected_expiry)}</strong>
      <span>{say.moveSheet.expiryBefore(day(proposal.expires_at))}</span>
    {:else}{say.proposal.notKnown}{/if}
  {/snippet}
</AnswerStrip>

{@render act()}

<dl>
  <dt>{say.proposal.price}</dt>
  <dd class="num">
    {#if q.total && q.fee}
      <strong>{money(q.total)}</strong>
      <span class="muted">
        {say.proposal.withYear(
          money(q.fee),
          q.promotion?.minor ? say.proposal.promotion(money(q.promotion)) : '',
          q.per_transaction?.minor ? say.proposal.perOrder(money(q.per_transaction)) : '',
          q.tax?.minor ? say.proposal.tax(money(q.tax)) : '',
        )}
      </span>
    {:else}<strong>{say.proposal.notKnown}</strong>{/if}
  </dd>
  {#if proposal.renewed_from}
    <dt>{say.proposal.renewedFirst}</dt>
    <dd class="num">
      {proposal.renewal ? money(proposal.renewal) : say.proposal.notKnown}
      <span class="muted"
        >{say.proposal.fromUntil(day(proposal.renewed_from), day(proposal.expires_at ?? ''))}</span
      >
    </dd>
  {/if}
  {#if q.stay && q.saves}
    <dt>{say.proposal.comparison}</dt>
    <dd class="num">
      {q.saves.minor >= 0
        ? say.proposal.saves(money(q.saves))
        : say.proposal.costsMore(money({ ...q.saves, minor: -q.saves.minor }))}
      <span class="muted">{say.proposal.yearAt(proposal.from, money(q.stay))}</span>
    </dd>
  {/if}
  <dt>{say.proposal.expiry}</dt>
  <dd>
    {#if proposal.expires_at && proposal.expected_expiry}
      {day(proposal.expires_at)} → <strong>{day(proposal.expected_expiry)}</strong>
      <span class="muted"
        >{say.proposal.added(
          proposal.years,
          proposal.years === 1 ? say.proposal.year : say.proposal.years,
        )}
        {#if proposal.in_grace}{say.proposal.graceYearTakenBack}{/if}</span
      >
      {#if proposal.lost_days !== null}<span class:loss={proposal.lost_days > 0}
          >{say.proposal.lost(proposal.lost_days)}</span
        >{/if}
    {:else}{say.proposal.notKnown}{/if}
  </dd>
  <dt>{say.proposal.nameServers}</dt>
  <dd>
    {#if proposal.carries}
      {say.proposal.handoverPlan(
        proposal.words.new_host,
        proposal.zone?.sets ? say.proposal.recordCount(proposal.zone.sets) : '',
        span((proposal.zone?.settle_seconds ?? 0) * 1000),
      )}
    {:else}
      {say.proposal.serversStay(proposal.words.old_host)}
    {/if}
  </dd>
  <dt>{say.proposal.done}</dt>
  <dd class="num">
    <RestsOn steps={proposal.rests_on} />
    {#if most}<DoneBy id="p-by" late={most} />{/if}
  </dd>
</dl>

<Track
  steps={proposal.steps}
  blocks={proposal.blocks}
  finish={proposal.finish}
  futures={proposal.futures ?? undefined}
/>
<h2>{say.proposal.stepsTitle}</h2>
<Stages steps={proposal.steps} open={false} />

<style>
  .loss {
    color: var(--madder);
    font-weight: 600;
  }
  .refusal {
    border-left: 4px solid var(--madder);
    background: var(--madder-soft);
    padding: 8px 16px;
    margin-bottom: 8px;
  }
  .caution {
    border-left: 4px solid var(--ochre-fill);
    background: var(--ochre-soft);
    padding: 8px 16px;
    margin-bottom: 8px;
  }
  dl {
    margin: 8px 0 16px;
  }
  h2 {
    margin: 16px 0 4px;
  }
</style>
