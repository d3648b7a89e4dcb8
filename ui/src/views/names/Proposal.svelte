<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Proposal } from '../../lib/api';
  import { day, money, span } from '../../lib/words';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import BeforeAfter from '../../parts/BeforeAfter.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import DoneBy from '../batches/DoneBy.svelte';
  import RestsOn from '../moves/RestsOn.svelte';
  import { say } from '../../lib/say';

  /** What follows from the choices: refusals, the answers, the act, and what changes. */
  let { proposal, act }: { proposal: Proposal; act: Snippet } = $props();
  const q = $derived(proposal.quote);
  const most = $derived(proposal.finish[2]);
  const unknown = say.proposal.notKnown;

  const fee = $derived(
    q.fee
      ? say.proposal.withYear(
          money(q.fee),
          q.promotion?.minor ? say.proposal.promotion(money(q.promotion)) : '',
          q.per_transaction?.minor ? say.proposal.perOrder(money(q.per_transaction)) : '',
          q.privacy?.minor ? say.proposal.privacy(money(q.privacy)) : '',
          q.tax?.minor ? say.proposal.tax(money(q.tax)) : '',
        )
      : '',
  );
  const saved = $derived(
    !q.saves
      ? ''
      : q.saves.minor >= 0
        ? say.proposal.saves(money(q.saves))
        : say.proposal.costsMore(money({ ...q.saves, minor: -q.saves.minor })),
  );
  const year = $derived(proposal.years === 1 ? say.proposal.year : say.proposal.years);
  const expiryNote = $derived(
    [
      say.proposal.added(proposal.years, year),
      proposal.in_grace ? say.proposal.graceYearTakenBack : '',
      proposal.lost_days === null ? '' : say.proposal.lost(proposal.lost_days),
    ]
      .filter(Boolean)
      .join(' '),
  );
  const rows = $derived([
    {
      what: say.beforeAfter.year,
      before: q.stay ? say.proposal.toStay(money(q.stay)) : unknown,
      after: q.total ? money(q.total) : unknown,
      note: [fee, saved].filter(Boolean).join('; '),
    },
    ...(proposal.renewed_from
      ? [
          {
            what: say.proposal.renewedFirst,
            before: day(proposal.renewed_from),
            after: proposal.expires_at ? day(proposal.expires_at) : unknown,
            note: proposal.renewal ? money(proposal.renewal) : unknown,
          },
        ]
      : []),
    {
      what: say.beforeAfter.expiry,
      before: proposal.expires_at ? day(proposal.expires_at) : unknown,
      after: proposal.expected_expiry ? day(proposal.expected_expiry) : unknown,
      note: proposal.expected_expiry ? expiryNote : undefined,
      bad: (proposal.lost_days ?? 0) > 0,
    },
    {
      what: say.beforeAfter.nameServers,
      before: proposal.words.old_host ?? unknown,
      after: (proposal.carries ? proposal.words.new_host : undefined) ?? say.proposal.theSame,
      note: proposal.carries
        ? say.proposal.carried(
            proposal.zone?.sets ?? 0,
            span((proposal.zone?.settle_seconds ?? 0) * 1000),
          )
        : undefined,
    },
  ]);
</script>

{#each proposal.refusals as refusal (refusal)}
  <p class="border-l-4 border-l-madder bg-madder-soft py-2 px-4 mb-2" role="alert">
    <Sentence text={refusal} />
  </p>
{/each}
{#each proposal.cautions as caution (caution)}
  <p class="border-l-4 border-l-ochre-fill bg-ochre-soft py-2 px-4 mb-2">
    <Sentence text={caution} />
  </p>
{/each}

<AnswerStrip
  finish={proposal.finish}
  futures={proposal.futures ?? null}
  uptime={proposal.uptime}
  drawn
  expires={proposal.expires_at}
>
  {#snippet cost()}
    {#if proposal.total}<strong>{money(proposal.total)}</strong>{:else}{unknown}{/if}
  {/snippet}
  {#snippet result()}
    {#if proposal.expected_expiry && proposal.expires_at}
      <strong>{day(proposal.expected_expiry)}</strong>
    {:else}{unknown}{/if}
  {/snippet}
</AnswerStrip>

{@render act()}
<BeforeAfter {rows} />
<RestsOn steps={proposal.rests_on} />
{#if most}<DoneBy id="p-by" late={most} />{/if}
