<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Card } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { money, span, stamp, untilWords } from '../../lib/words';
  import { p } from '../../router';
  import DeadlineBar from '../../parts/DeadlineBar.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { may, session } from '../../lib/session.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  let { card }: { card: Card } = $props();
  const client = useQueryClient();
  const href = $derived(p('/moves/:id', { params: { id: String(card.id) } }));
  const short = $derived([
    ...(card.futures
      ? [say.card.ifYouAct(stamp(card.futures.acting, clock.now))]
      : card.finish[1]
        ? [say.card.doneBy(stamp(card.finish[1], clock.now))]
        : []),
    card.uptime,
    ...(card.price ? [money(card.price)] : []),
    ...(card.keeper && card.keeper !== session.who?.email ? [say.company.inHand(card.keeper)] : []),
  ]);
  const main = $derived(card.turn === 'yours' && !(card.can_approve && may('approve')));
  const approve = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/moves/{id}/approve', { params: { path: { id: card.id } } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<article class="box raised" class:stuck={card.phase === 'stuck'}>
  <p class="what">{card.sentence}</p>
  {#if card.sentence && !card.sentence.includes(card.unicode)}<p class="mono name">
      {card.unicode}
    </p>{/if}
  {#if card.says}<p class="muted"><Sentence text={card.says} /></p>{/if}
  {#if card.until && card.since}
    <DeadlineBar since={card.since} until={card.until} />
    <p class="until">
      {untilWords(card.until_means ?? 'over', card.until, clock.now)}
      <When at={card.until} />
    </p>
  {/if}
  {#if card.look_at && card.look_at !== card.until}<p class="until">
      {say.card.lookedAtAgain}
      <When at={card.look_at} />
    </p>{/if}
  {#if card.exposed && !card.exposed.until}
    <p class="until" class:over={card.exposed.over}>
      {say.card.publicSince(
        span(card.exposed.seconds * 1000),
        card.exposed.over ? say.card.overConsent : '',
      )}
    </p>
  {/if}
  <p class="short muted">{short.join(' · ')}</p>
  <Trouble error={approve.error} />
  <div class="acts">
    <Button
      size="sm"
      color={main ? 'primary' : 'alternative'}
      {href}
      data-row
      aria-label={say.card.openMoveOf(card.unicode)}>{say.card.openMove}</Button
    >
    {#if may('approve') && card.can_approve}
      <ForGood
        size="sm"
        label={say.card.approve}
        yes={say.forGood.release(card.unicode, card.to)}
        busy={approve.isPending}
        act={() => approve.mutate()}
      />
    {/if}
  </div>
</article>

<style>
  article {
    padding: 0.8rem 0.9rem;
    display: grid;
    gap: 0.4rem;
  }
  .stuck {
    border-left: 4px solid var(--madder);
  }
  .what {
    font-weight: 650;
    overflow-wrap: anywhere;
  }
  .name {
    overflow-wrap: anywhere;
  }
  .short {
    font-size: 0.92rem;
    border-top: 1px solid var(--line);
    padding-top: 0.4rem;
  }
  .over {
    border-left: 4px solid var(--madder);
    padding-left: 0.6rem;
  }
  .until {
    font-size: 0.92rem;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 0.8rem;
    margin-top: 0.2rem;
  }
</style>
