<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Proposal } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { day, money, span, stamp } from '../../lib/words';
  import Sentence from '../../parts/Sentence.svelte';
  import StepList from '../moves/StepList.svelte';
  import Track from '../moves/Track.svelte';

  let { proposal, act }: { proposal: Proposal; act: Snippet } = $props();
  const q = $derived(proposal.quote);
  const [least, , most] = $derived(proposal.finish);
</script>

{#each proposal.refusals as refusal (refusal)}
  <p class="refusal" role="alert"><Sentence text={refusal} /></p>
{/each}
{#each proposal.cautions as caution (caution)}
  <p class="caution"><Sentence text={caution} /></p>
{/each}

<dl>
  <dt>Price</dt>
  <dd class="num">
    <strong>{money(q.total)}</strong>
    <span class="muted">
      ({money(q.fee)} with its added year{q.promotion.minor ? ` − ${money(q.promotion)} promotion` : ''}{q
        .per_transaction.minor
        ? ` + ${money(q.per_transaction)} per order`
        : ''}{q.tax.minor ? ` + ${money(q.tax)} tax` : ''})
    </span>
  </dd>
  {#if q.stay && q.saves}
    <dt>Against staying</dt>
    <dd class="num">
      {q.saves.minor >= 0 ? `saves ${money(q.saves)}` : `costs ${money({ ...q.saves, minor: -q.saves.minor })} more`}
      <span class="muted">(a year at {proposal.from} is {money(q.stay)})</span>
    </dd>
  {/if}
  <dt>Expiry</dt>
  <dd>
    {#if proposal.expires_at && proposal.expected_expiry}
      {day(proposal.expires_at)} → <strong>{day(proposal.expected_expiry)}</strong>
      <span class="muted">({proposal.years} {proposal.years === 1 ? 'year' : 'years'} added, nothing paid is lost)</span
      >
    {:else}not known{/if}
  </dd>
  <dt>Name servers</dt>
  <dd>
    {#if proposal.carries}
      The records go to {proposal.words.new_host} before the order{proposal.zone?.sets
        ? `: ${proposal.zone.sets} record sets`
        : ''}; caches then need {span((proposal.zone?.settle_seconds ?? 0) * 1000)} to forget the old host.
    {:else}
      They stay as they are, at {proposal.words.old_host}; site and mail notice nothing.
    {/if}
  </dd>
  <dt>Done</dt>
  <dd class="num">
    {#if least && most}
      between {stamp(least, clock.now)} and {stamp(most, clock.now)}
      <span class="muted"
        >({span(Date.parse(least) - clock.now)} if you approve at once, {span(Date.parse(most) - clock.now)} if nobody does)</span
      >
    {/if}
  </dd>
</dl>

{@render act()}

<Track steps={proposal.steps} blocks={proposal.blocks} />
<h2>Steps, in order</h2>
<StepList steps={proposal.steps} />

<style>
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
