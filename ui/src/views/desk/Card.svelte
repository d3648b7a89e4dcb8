<script lang="ts" module>
  const approving = () => import('./Approve.svelte');
</script>

<script lang="ts">
  import type { Card } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { inTwo } from '../../lib/heldup';
  import { money, span, stamp, untilWords } from '../../lib/words';
  import { p } from '../../router';
  import DeadlineBar from '../../parts/DeadlineBar.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import When from '../../parts/When.svelte';
  import { may, session } from '../../lib/session.svelte';
  import { say } from '../../lib/say';

  /** What waits for somebody here: what, until when, what comes of it, and its one act. */
  let { card }: { card: Card } = $props();
  const href = $derived(p('/moves/:id', { params: { id: String(card.id) } }));
  const done = $derived(card.futures?.acting ?? card.finish[1]);
  const short = $derived([
    ...(done ? [say.card.ifYouAct(stamp(done, clock.now))] : []),
    card.uptime.says,
    ...(card.price ? [money(card.price)] : []),
    ...(card.keeper && card.keeper !== session.who?.email ? [say.company.inHand(card.keeper)] : []),
  ]);
  const stuck = $derived(card.phase === 'stuck');
  // What is to be done about it; why, stands in the move.
  const held = $derived(card.says ? inTwo(card.says) : undefined);
  const approvable = $derived(card.can_approve && may('approve'));
</script>

<article
  class="p-4 grid grid-cols-[minmax(0,1fr)_max-content] gap-y-1 gap-x-4 border-t
      border-t-line max-[600px]:grid-cols-1"
  class:stuck
>
  <h3 class="wrap-anywhere">
    <a
      class="text-ink decoration-line hover:decoration-loden"
      {href}
      data-row
      aria-label={say.card.openMoveOf(card.unicode)}
      >{stuck ? say.card.heldUp(card.unicode) : card.sentence}</a
    >
    {#if !stuck && card.sentence && !card.sentence.includes(card.unicode)}<span
        class="mono name font-normal ml-2">{card.unicode}</span
      >{/if}
  </h3>
  <div class="act">
    {#if approvable}
      <!-- Whoever can't have it finds the act in the move itself. -->
      {#await approving()}<span class="inline-block h-8"></span>{:then { default: Approve }}<Approve
          {card}
        />{:catch}<a {href}>{say.card.approve}</a>{/await}
    {/if}
  </div>
  <div class="more col-span-full grid gap-1">
    {#if stuck && held}<p><Sentence text={held.act ?? held.why} /></p>{/if}
    {#if card.until && card.since}
      <DeadlineBar since={card.since} until={card.until} />
      <p class="note">
        {untilWords(card.until_means ?? 'over', card.until, clock.now)}
        <When at={card.until} />
      </p>
    {/if}
    {#if card.exposed && !card.exposed.until}
      <p class="note" class:over={card.exposed.over}>
        {say.card.publicSince(
          span(card.exposed.seconds * 1000),
          card.exposed.over ? say.card.overConsent : '',
        )}
      </p>
    {/if}
    <p class="note muted">{short.join(' · ')}</p>
  </div>
</article>

<style>
  .stuck {
    border-left: 4px solid var(--madder);
    padding-left: 12px;
  }
  .over {
    border-left: 4px solid var(--madder);
    padding-left: 8px;
  }
</style>
