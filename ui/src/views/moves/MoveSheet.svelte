<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type MoveSheet } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { may } from '../../lib/session.svelte';
  import { p, route } from '../../router';
  import { inTwo } from '../../lib/heldup';
  import { untilWords } from '../../lib/words';
  import DeadlineBar from '../../parts/DeadlineBar.svelte';
  import NotDone from '../hands/NotDone.svelte';
  import Refusal from '../hands/Refusal.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Comment from '../../parts/Comment.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import When from '../../parts/When.svelte';
  import HandPanel from '../hands/HandPanel.svelte';
  import Orders from '../hands/Orders.svelte';
  import Place from '../hands/Place.svelte';
  import { orderItem } from '../hands/order';
  import MoveInShort from './MoveInShort.svelte';
  import Over from './Over.svelte';
  import Checks from './Checks.svelte';
  import Company from './Company.svelte';
  import Exposed from './Exposed.svelte';
  import Approve from './Approve.svelte';
  import HandOver from './HandOver.svelte';
  import Journal from './Journal.svelte';
  import Leave from './Leave.svelte';
  import AskAbout from './AskAbout.svelte';
  import Closing from './Closing.svelte';
  import ForOthers from './ForOthers.svelte';
  import Revision from './Revision.svelte';
  import RestsOn from './RestsOn.svelte';
  import Stages from './Stages.svelte';
  import Track from './Track.svelte';
  import Whose from './Whose.svelte';
  import Wish from './Wish.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const id = $derived(Number((route.params as { id: string }).id));
  const move = createQuery(() => ({
    queryKey: ['move', id],
    queryFn: () => ask(api.GET('/api/moves/{id}', { params: { path: { id } } })),
  }));
  const steer = createMutation(() => ({
    mutationFn: (act: 'approve' | 'unwish' | 'look' | 'call-off' | 'mend') =>
      ask(api.POST(`/api/moves/{id}/${act}`, { params: { path: { id } } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  const renew = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/hands/new-code', { body: { move: id } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  let asking = $state(false);
  const can = (act: MoveSheet['acts'][number]) => move.data?.acts.includes(act) ?? false;
  const moveBack = (m: MoveSheet) =>
    `${p('/names/:name/plan', { params: { name: m.name } })}?to=${encodeURIComponent(m.words.from_id)}`;
  const held = $derived(
    move.data?.phase === 'stuck' && move.data.says ? inTwo(move.data.says) : undefined,
  );
  const cancelling = {
    move: say.moveSheet.cancelEffect,
    ready: say.moveSheet.cancelReady,
    dns: say.moveSheet.cancelDns,
  };
  const focused = (node: HTMLElement) => node.focus();
  const code = {
    held: say.moveSheet.codeHeld,
    checked: say.moveSheet.codeChecked,
    wiped: 'wiped',
  };
</script>

{#snippet kicker()}
  {#if move.data}
    {@const m = move.data}
    {#if m.phase === 'stuck'}<strong class="text-madder">{say.moveSheet.isHeldUp}</strong>{/if}
    <span><strong>{m.open ? say.moveSheet.kinds[m.kind](m.stage) : m.stage}</strong></span>
    <span>{say.moveSheet.way[m.kind](m.from, m.to)} <When at={m.started_at} bare /></span>
    <Company id={m.id} open={m.open} />
  {/if}
{/snippet}
{#snippet answer()}
  {#if move.data}
    {@const m = move.data}
    {#if m.open && m.sentence && m.phase === 'stuck'}
      {#if held?.act}<Sentence text={held.act} />{:else}{say.moveSheet.heldUp(m.sentence)}{/if}
    {:else if m.open && m.sentence}{m.sentence}
    {:else if m.result}<Sentence text={m.result} />
    {:else}{m.stage}{/if}
  {/if}
{/snippet}

<Sheet
  title={move.data?.unicode ?? say.moveSheet.move(Number.isInteger(id) ? id : '–')}
  back="/moves"
  mono
  {kicker}
  answer={move.data ? answer : undefined}
>
  <Trouble error={move.error ?? steer.error ?? renew.error} />
  {#if move.data}
    {@const m = move.data}
    {#if m.unicode !== m.name}<p class="mono note muted">{m.name}</p>{/if}
    {#if m.open && m.sentence && m.turn}
      <div class="now grid gap-2 mt-2" class:stuck={m.phase === 'stuck'}>
        {#if m.says}<p>
            <TurnMark turn={m.turn} words />
            <Sentence text={held?.act ? held.why : m.says} />
          </p>{/if}
        {#if m.until && m.since}
          <DeadlineBar since={m.since} until={m.until} />
          <p class="note">
            {untilWords(m.until_means ?? 'over', m.until, clock.now)}
            <When at={m.until} />{#if m.look_at}{say.moveSheet.lookedAtAgain}
              <When at={m.look_at} bare />{/if}.
          </p>
        {/if}
        <div class="acts">
          {#if can('approve')}
            <Approve move={m} busy={steer.isPending} act={() => steer.mutate('approve')} />
          {/if}
          {#if can('consent')}<Button color="alternative" href={p('/by-hand')}
              >{say.moveSheet.recordConsent}</Button
            >{/if}
          {#if can('renew_code') && m.code}
            <Button
              color={m.about_code && m.phase === 'stuck' ? 'primary' : 'alternative'}
              disabled={renew.isPending}
              onclick={() => renew.mutate()}>{say.moveSheet.newCode}</Button
            >
          {/if}
          {#if can('mend')}
            <Button
              color="alternative"
              disabled={steer.isPending}
              onclick={() => steer.mutate('mend')}>{say.moveSheet.haveItMended}</Button
            >
          {/if}
          {#if m.asks === 'word'}
            <a href={p('/names/:name', { params: { name: m.name } })}
              >{say.moveSheet.openContacts}</a
            >
          {/if}
          {#if can('look')}
            <button
              type="button"
              class="link"
              disabled={steer.isPending}
              onclick={() => steer.mutate('look')}>{say.moveSheet.lookNow}</button
            >
          {/if}
          {#if can('call_off') && !asking}
            <button type="button" class="link" onclick={() => (asking = true)}
              >{say.moveSheet.callTheMoveOff[m.kind]}</button
            >
          {/if}
        </div>
        {#if can('call_off') && asking}
          <p class="flex flex-wrap gap-y-2 gap-x-4 items-center" tabindex="-1" use:focused>
            {cancelling[m.kind](m.from)}
            <Button
              size="sm"
              color="red"
              onclick={() => steer.mutate('call-off', { onSettled: () => (asking = false) })}
              >{say.moveSheet.callItOff}</Button
            >
            <Button size="sm" color="alternative" onclick={() => (asking = false)}
              >{say.moveSheet.keepOn}</Button
            >
          </p>
        {/if}
        <Wish move={m} busy={steer.isPending} act={(what) => steer.mutate(what)} />
      </div>
    {:else if m.result && m.left_open}<p>
        <a href={p('/by-hand')}>{say.moveSheet.leftAt(m.left_open, m.from)}</a>
      </p>
    {:else if m.result}<p>{say.moveSheet.nothingLeft}</p>{/if}
    {#if m.revision.length}<Revision move={m.id} told={m.revision} />{/if}
    {#if can('leave')}
      {#each m.steps.filter((s) => m.may_be_left.includes(s.id)) as s (s.id)}
        <Leave move={m.id} step={s.id} title={s.title} />
      {/each}
    {/if}
    {#if can('move_back')}
      <p class="mb-4">
        {say.moveSheet.itIsHeldThereNow(m.to)}
        <a href={moveBack(m)}>{say.moveSheet.planBack(m.from)}</a>
      </p>
    {/if}
    {#if m.asks_whose && can('say_whose')}<Whose move={m.id} shown={m.asks_whose} to={m.to} />{/if}
    {#if may('handOver')}<HandOver move={m.id} can={can('hand_over')} />{/if}
    {#if can('say_over')}<Over move={m.id} />{/if}
    {#if can('refuse')}<Refusal move={m.id} name={m.name} />{/if}
    {#each m.open ? m.steps.filter((s) => s.hand?.order) : [] as s (s.id)}
      <section
        class="box raised order py-2 px-4 mb-4 border-l-4 border-l-loden"
        aria-label={s.title}
      >
        <Place hand={s.hand!} />
        {#if s.said_at}<p class="muted">
            {say.handPanel.saidToBeDone}
            <When at={s.said_at} />{say.handPanel.theDeskLooksForThe}
            <NotDone steps={[{ move: m.id, step: s.id }]} />
          </p>
        {:else}<Orders account={s.hand!.place} items={[orderItem(m, s)]} />{/if}
      </section>
    {/each}
    {#each m.open ? m.steps.filter((s) => s.hand && !s.hand.order) : [] as s (s.id)}
      <HandPanel
        move={m.id}
        name={m.name}
        step={s.id}
        title={s.title}
        hand={s.hand!}
        saidAt={s.said_at}
        proof={s.proof}
        undo={s.undo}
        lookAt={s.look_at}
      />
    {/each}
    <MoveInShort move={m} />
    <Track
      steps={m.steps}
      blocks={m.blocks}
      finish={m.finish}
      futures={m.futures ?? undefined}
      said={!m.futures}
    />
    <Stages steps={m.steps} open={m.open} />
    {#if m.exposed && m.consent}<Exposed exposed={m.exposed} consent={m.consent} />{/if}
    {#if m.checks.length}<Checks checks={m.checks} />{/if}
    <RestsOn steps={m.rests_on} />

    <dl class="my-4 mx-0">
      {#if m.code}
        <dt>{say.moveSheet.authorizationCode}</dt>
        <dd>{code[m.code as keyof typeof code]}</dd>
      {/if}
      <dt>{say.moveSheet.records}</dt>
      <dd>
        {m.carries
          ? say.moveSheet.carriedBetween(m.words.old_host, m.words.new_host)
          : say.moveSheet.stayAt(m.words.old_host)}
      </dd>
    </dl>

    {#if m.turn === 'theirs'}
      <AskAbout
        id={m.id}
        late={m.until_means === 'late' && !!m.until && Date.parse(m.until) < clock.now}
      />
    {/if}
    {#if m.stage === 'Landed' || m.stage === 'Settled' || !m.open}<Closing
        id={m.id}
        ended={!m.open}
      />{/if}
    <ForOthers kind="move" ref={m.id} />
    <details class="fold">
      <summary>{say.moveSheet.journal}</summary>
      {#if m.open}<Comment name={m.name} />{/if}
      <Journal events={m.events} goesOn={m.events_go_on} of={{ move: m.id }} />
    </details>
  {/if}
</Sheet>

<style>
  .stuck {
    border-left: 4px solid var(--madder);
    padding-left: 16px;
  }
</style>
