<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import { day, money } from '../../lib/words';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import { p } from '../../router';
  import { say } from '../../lib/say';

  /** The answers at the head of a move. */
  let { move: m }: { move: MoveSheet } = $props();
</script>

<AnswerStrip finish={m.finish} futures={m.futures ?? null} uptime={m.uptime}>
  {#snippet may()}<strong>{m.open ? say.moveSheet.underWay(m.stage) : m.stage}</strong>{/snippet}
  {#snippet next()}
    {#if m.open && m.turn && m.sentence}<TurnMark turn={m.turn} words /> {m.sentence}
    {:else if m.result && m.left_open}<a href={p('/by-hand')}
        >{say.moveSheet.leftAt(m.left_open, m.from)}</a
      >{:else if m.result}{say.moveSheet.nothingLeft}{/if}
  {/snippet}
  {#snippet cost()}
    {#if m.paid}{money(m.paid.amount)}
      <span class="muted">{m.paid.charged ? say.moveSheet.paid : say.moveSheet.receiptMissing}</span
      >
    {:else if m.price}{money(m.price)} <span class="muted">{say.moveSheet.agreed}</span>
    {:else}{say.moveSheet.notKnown}{/if}
  {/snippet}
  {#snippet result()}
    {#if m.result}<Sentence text={m.result} />{/if}
    {#if m.expires_at && m.expected_expiry}<span class:muted={!!m.result}
        >{say.moveSheet.expiry} {day(m.expires_at)} → {day(m.expected_expiry)}</span
      >{/if}
  {/snippet}
</AnswerStrip>
