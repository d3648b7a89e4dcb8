<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Proposal } from '../../lib/api';
  import { day, money, span } from '../../lib/words';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import DoneBy from '../batches/DoneBy.svelte';
  import RestsOn from '../moves/RestsOn.svelte';
  import StepList from '../moves/StepList.svelte';
  import Track from '../moves/Track.svelte';
  import { say } from '../../lib/say';

  let { proposal, act }: { proposal: Proposal; act: Snippet } = $props();
  const q = $derived(proposal.quote);
  const most = $derived(proposal.finish[2]);
  const first = $derived(proposal.steps[0]);
</script>

{#each proposal.refusals as refusal (refusal)}
  <p class="refusal" role="alert"><Sentence text={refusal} /></p>
{/each}
{#each proposal.cautions as caution (caution)}
  <p class="caution"><Sentence text={caution} /></p>
{/each}

<AnswerStrip finish={proposal.finish} futures={proposal.futures ?? null} uptime={proposal.uptime}>
  {#snippet may()}
    <strong>{proposal.startable ? say.proposal.canStart : say.proposal.cantStart}</strong>
  {/snippet}
  {#snippet next()}
    {#if proposal.startable && first}<TurnMark turn={first.turn} words /> {first.title}
    {:else if proposal.refusals[0]}<Sentence text={proposal.refusals[0]} />{/if}
  {/snippet}
  {#snippet cost()}{proposal.total ? money(proposal.total) : say.proposal.notKnown}{/snippet}
  {#snippet result()}
    {#if proposal.expected_expiry}{say.proposal.expiresThen(day(proposal.expected_expiry))}
    {:else}{say.proposal.notKnown}{/if}
  {/snippet}
</AnswerStrip>

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

{@render act()}

<Track
  steps={proposal.steps}
  blocks={proposal.blocks}
  finish={proposal.finish}
  futures={proposal.futures ?? undefined}
/>
<h2>{say.proposal.stepsTitle}</h2>
<StepList steps={proposal.steps} />

<style>
  .loss {
    color: var(--madder);
    font-weight: 600;
  }
  .refusal {
    border-left: 4px solid var(--madder);
    background: var(--madder-soft);
    padding: 0.5rem 0.8rem;
    margin-bottom: 0.5rem;
  }
  .caution {
    border-left: 4px solid var(--ochre-fill);
    background: var(--ochre-soft);
    padding: 0.5rem 0.8rem;
    margin-bottom: 0.5rem;
  }
  dl {
    margin: 0.6rem 0 1rem;
  }
  h2 {
    margin: 1rem 0 0.3rem;
  }
</style>
