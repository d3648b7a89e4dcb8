<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { at } from '../../lib/base';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { p, route } from '../../router';
  import Companion from '../../parts/Companion.svelte';
  import May from '../../parts/May.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Values from '../../parts/Values.svelte';
  import When from '../../parts/When.svelte';
  import LaterServers from '../records/LaterServers.svelte';
  import CodeCopy from './CodeCopy.svelte';
  import Found from './Found.svelte';
  import NotDone from './NotDone.svelte';
  import Orders from './Orders.svelte';
  import PasteCode from './PasteCode.svelte';
  import Refusal from './Refusal.svelte';
  import { say } from '../../lib/say';

  /** A visit to one place: one task at a time, with what its page asks for; what was proven. */
  const EVERY = 15_000;
  type Item = Schemas['HandItem'];
  const client = useQueryClient();
  const id = $derived((route.params as { id: string }).id);
  const hands = createQuery(() => ({
    queryKey: ['hands'],
    queryFn: () => ask(api.GET('/api/hands')),
  }));
  const visit = createQuery(() => ({
    queryKey: ['hands', 'visit', id],
    queryFn: () => ask(api.GET('/api/visits/{id}', { params: { path: { id } } })),
    refetchInterval: EVERY,
  }));
  const place = $derived(hands.data?.places.find((l) => l.id === id));
  const key = (i: Item) => `${i.move} ${i.step}`;
  const here = $derived((place?.items ?? []).filter((i) => !i.letter));
  const orders = $derived(here.filter((i) => i.hand.order && !i.said_at));
  const said = $derived(here.filter((i) => i.said_at));
  // All that is ordered is one task; the others are walked name by name.
  const tasks = $derived([
    ...(orders.length ? [orders] : []),
    ...here
      .filter((i) => !i.hand.order && !i.said_at)
      .sort((a, b) => a.name.localeCompare(b.name))
      .map((i) => [i]),
  ]);
  const keyOf = (task: Item[]) => (task[0]!.hand.order ? 'orders' : key(task[0]!));
  let shown = $state('');
  const index = $derived(
    Math.max(
      0,
      tasks.findIndex((t) => keyOf(t) === shown),
    ),
  );
  const task = $derived(tasks[index]);
  const one = $derived(task && !task[0]!.hand.order ? task[0] : undefined);
  const following = $derived(tasks.length > 1 ? tasks[(index + 1) % tasks.length] : undefined);
  const next = () => following && (shown = keyOf(following));

  const done = createMutation(() => ({
    mutationFn: ({ move, step }: Item) =>
      ask(api.POST('/api/hands/said', { body: { steps: [{ move, step }] } })),
    onMutate: () => {
      const after = following;
      return () => (shown = after ? keyOf(after) : '');
    },
    onSuccess: (_, __, onwards) => onwards(),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  const values = (i: Item) => [
    { label: say.visit.name, text: i.unicode },
    ...i.hand.typed.map((v) => ({ label: v.label, text: v.value })),
  ];
  const called = (i: Item) => (i.hand.order ? say.orders.toBeOrdered : i.title);
</script>

<Companion
  title={place?.title ?? say.visit.title}
  site={place?.site}
  at={task ? index + 1 : 0}
  of={tasks.length}
  {next}
  back={at('/by-hand')}
>
  <Trouble error={hands.error ?? visit.error ?? done.error} />
  {#if visit.data?.others.length}
    <p role="status">{say.visit.others(visit.data.others.join(', '))}</p>
  {/if}
  {#if place?.login}<p class="note muted">
      {say.visit.signIn} <span class="mono">{place.login}</span>
    </p>{/if}
  {#if task && !one}
    <h1 class="answer">{say.visit.order(task.length)}</h1>
    <Orders account={id} items={task} />
  {:else if one}
    <div>
      <h1 class="answer">{one.title}</h1>
      {#if !one.title.includes(one.unicode)}<p class="mono">{one.unicode}</p>{/if}
    </div>
    {#if one.hand.account && one.hand.act}
      <Found account={one.hand.account} act={one.hand.act} found={one.hand.found} />
    {/if}
    <p>{one.hand.does}</p>
    {#if one.phase === 'stuck' && one.says}<p class="stuck border-l-4 border-l-madder pl-2">
        <Sentence text={one.says} />
      </p>{/if}
    <Values of={values(one)} />
    {#if one.hand.records}<p>
        <a href={p('/visit/records/:name', { params: { name: one.name } })}>{say.visit.records}</a>
      </p>{/if}
    {#if one.hand.host}<LaterServers host={one.hand.host} />{/if}
    {#if one.hand.types_code}<p><CodeCopy name={one.name} /></p>{/if}
    {#if one.hand.pastes}<PasteCode name={one.name} />{/if}
    <p class="note muted">
      {one.hand.on_word ? say.acts.onYourWord : say.visit.doneWhen(one.proof)}
    </p>
    <div class="acts">
      <May operation="said">
        <Button disabled={done.isPending} onclick={() => done.mutate(one)}
          >{following ? say.visit.doneNext : say.visit.done}</Button
        >
      </May>
      {#if following}<Button color="alternative" onclick={next}
          >{say.visit.next} <kbd class="font-mono ml-2">n</kbd></Button
        >{/if}
      {#if one.hand.mailto}<a href={one.hand.mailto}>{say.visit.refuses}</a>{/if}
      <Refusal
        move={one.move}
        name={one.unicode}
        step={one.hand.act === 'order' ? undefined : one.step}
      />
    </div>
  {:else if hands.data}
    <h1 class="answer">{said.length ? say.visit.waits(said.length) : say.visit.nothing}</h1>
  {/if}
  {#if following || said.length || visit.data?.proven.length}
    <ul class="box note">
      {#if following}
        <li class="py-2 px-4 border-t border-t-line wrap-anywhere first:border-t-0">
          <span class="muted">{say.visit.after}</span>
          {called(following[0]!)}
          <span class="mono">{following[0]!.hand.order ? '' : following[0]!.unicode}</span>
        </li>
      {/if}
      {#each said as i (key(i))}
        <li class="py-2 px-4 border-t border-t-line wrap-anywhere first:border-t-0">
          <span class="muted">{say.visit.said}</span>
          {i.title} <span class="mono">{i.unicode}</span>
          {#if may('unsaid')}<NotDone steps={[{ move: i.move, step: i.step }]} />{/if}
        </li>
      {/each}
      {#each visit.data?.proven ?? [] as proven (`${proven.move} ${proven.step}`)}
        <li class="py-2 px-4 border-t border-t-line wrap-anywhere first:border-t-0">
          <span class="muted">{say.visit.proven} <When at={proven.at} bare /></span>
          {proven.title} <span class="mono">{proven.unicode}</span>
        </li>
      {/each}
    </ul>
  {/if}
</Companion>

<style>
  .muted:first-child {
    display: block;
  }
</style>
