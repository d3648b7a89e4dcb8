<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import { day, money } from '../../lib/words';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import { say } from '../../lib/say';

  /** The answers at the head of a move. */
  let { move: m }: { move: MoveSheet } = $props();
</script>

<AnswerStrip
  finish={m.finish}
  futures={m.futures ?? null}
  uptime={m.uptime}
  ahead={m.open}
  drawn
  expires={m.expires_at}
>
  {#snippet cost()}
    {#if m.kind !== 'move'}<strong>{say.handoverPlan.cost}</strong>
    {:else if m.paid}<strong>{m.paid.amounts.map(money).join(' + ')}</strong>
      <span>{m.paid.charged ? say.moveSheet.paid : say.moveSheet.receiptMissing}</span>
    {:else if m.price}<strong>{money(m.price)}</strong> <span>{say.moveSheet.agreed}</span>
    {:else}{say.moveSheet.notKnown}{/if}
  {/snippet}
  {#snippet result()}
    {#if m.kind !== 'move' && m.expires_at}<strong>{day(m.expires_at)}</strong>
    {:else if m.expires_at && m.expected_expiry && (m.open || m.stage === 'Settled')}
      <strong>{day(m.expected_expiry)}</strong>
      <span
        >{m.open
          ? say.moveSheet.expiryBefore(day(m.expires_at))
          : say.moveSheet.expiryWas(day(m.expires_at))}</span
      >
    {:else if m.expires_at && !m.open}
      <strong>{day(m.expires_at)}</strong> <span>{say.moveSheet.asBefore}</span>
    {:else}{say.moveSheet.notKnown}{/if}
  {/snippet}
</AnswerStrip>
