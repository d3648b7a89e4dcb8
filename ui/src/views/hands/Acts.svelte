<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../../lib/api';
  import { p } from '../../router';
  import { aside } from '../../lib/companion';
  import { inParts } from '../../lib/part.svelte';
  import Copy from '../../parts/Copy.svelte';
  import More from '../../parts/More.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import CodeCopy from './CodeCopy.svelte';
  import Found from './Found.svelte';
  import Learnt from './Learnt.svelte';
  import Letter from './Letter.svelte';
  import NotDone from './NotDone.svelte';
  import Orders from './Orders.svelte';
  import PasteCode from './PasteCode.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** All that is to be done at one place, so that a person signs in once. */
  let { place, canSend }: { place: Schemas['Hands']['places'][number]; canSend: boolean } =
    $props();
  const client = useQueryClient();
  // Nothing is done before a person says so.
  const ticked = new SvelteSet<string>();
  const key = (i: Schemas['HandItem']) => `${i.move} ${i.step}`;
  const orders = $derived(place.items.filter((i) => i.hand.order && !i.said_at && !i.letter));
  const rest = $derived(place.items.filter((i) => !orders.includes(i)));
  // What doesn't stand there yet can't be ticked with all the others.
  const seen = inParts(() => rest);
  const mine = $derived(seen.shown.filter((i) => !i.said_at && !i.letter));
  const chosen = $derived(mine.filter((i) => ticked.has(key(i))));
  const proof = (of: typeof mine) =>
    of.every((i) => i.hand.on_word)
      ? say.acts.onYourWord
      : of.some((i) => i.hand.on_word)
        ? say.acts.someOnYourWord
        : say.acts.thisOnlyStartsTheLooking;
  let writing = $state(false);
  const said = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/hands/said', {
          body: { steps: chosen.map((i) => ({ move: i.move, step: i.step })) },
        }),
      ),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  const toggle = (i: Schemas['HandItem']) =>
    ticked.has(key(i)) ? ticked.delete(key(i)) : ticked.add(key(i));
</script>

<section class="panel" aria-label={place.title ?? say.acts.aPlace}>
  <h2>
    {#if place.site}<a href={place.site} target="_blank" rel="noopener noreferrer">{place.title}</a
      >{:else}{place.title}{/if}
    {#if place.login}<span class="note muted"
        >{say.acts.signedInAs} <span class="mono">{place.login}</span></span
      >{/if}
  </h2>
  {#if place.items.some((i) => !i.letter)}
    <p>
      <a href={p('/visit/:id', { params: { id: place.id } })} target="_blank" onclick={aside}
        >{say.visit.open}</a
      >
    </p>
  {/if}
  {#if place.items[0]?.hand.account}
    <Learnt account={place.items[0].hand.account} asking={place.items.some((i) => i.hand.pastes)} />
  {/if}
  {#if orders.length}<Orders account={place.id} items={orders} />{/if}
  <ul class="my-2 mx-0">
    {#each seen.shown as i (key(i))}
      <li class:said={i.said_at}>
        {#if !i.said_at && !i.letter}
          <input
            type="checkbox"
            checked={ticked.has(key(i))}
            onchange={() => toggle(i)}
            aria-label={say.acts.done(i.hand.does)}
          />
        {:else}<span class="muted"
            >{i.letter ? (i.said_at ? say.acts.written : say.acts.byLetter) : say.acts.said}</span
          >{/if}
        <div>
          <p>
            {i.letter ? i.title : i.hand.does}
            <a href={p('/moves/:id', { params: { id: String(i.move) } })} class:mono={i.letter}
              >{i.letter ? i.unicode : say.acts.openItsMove}</a
            >
          </p>
          {#each i.hand.typed as v, n (n)}
            <p class="muted">{v.label}: <Copy text={v.value} what={v.label} /></p>
          {/each}
          {#if i.hand.site && i.hand.site !== place.site}
            <p><a href={i.hand.site} target="_blank" rel="noopener noreferrer">{i.hand.site}</a></p>
          {/if}
          {#if i.hand.account && i.hand.act && !i.said_at}
            <Found account={i.hand.account} act={i.hand.act} found={i.hand.found} />
          {/if}
          {#if i.hand.types_code}<p><CodeCopy name={i.name} /></p>{/if}
          {#if i.hand.pastes && i.hand.way === 'page'}<PasteCode name={i.name} />{/if}
          {#if (i.said_at || i.phase === 'stuck') && i.says}<p class="muted">
              <Sentence text={i.says} />
            </p>{/if}
          {#if i.said_at && !i.letter}<p>
              <NotDone steps={[{ move: i.move, step: i.step }]} />
            </p>{/if}
        </div>
      </li>
    {/each}
  </ul>
  <More there={seen.left > 0} busy={false} more={seen.more} />
  {#if mine.length}
    {#if mine.length > 1}
      <p>
        <label
          ><input
            type="checkbox"
            checked={chosen.length === mine.length}
            onchange={(e) =>
              mine.forEach((i) => ticked[e.currentTarget.checked ? 'add' : 'delete'](key(i)))}
          />
          {say.acts.all(mine.length)}</label
        >
      </p>
    {/if}
    <p>
      <May operation="said"
        ><Button disabled={said.isPending || !chosen.length} onclick={() => said.mutate()}
          >{say.acts.areDone(chosen.length)}</Button
        ></May
      >
      <span class="muted">{proof(chosen.length ? chosen : mine)}</span>
    </p>
  {/if}
  <Trouble error={said.error} />
  {#if place.letter_for.length}
    {#if writing}
      <Letter account={place.id} {canSend} done={() => (writing = false)} />
    {:else}
      <p>
        <May operation="sendLetter"
          ><Button color="alternative" onclick={() => (writing = true)}
            >{say.acts.writeOneLetterFor(
              place.letter_for.length === 1
                ? place.letter_for[0]
                : say.acts.names(place.letter_for.length),
            )}</Button
          ></May
        >
      </p>
    {/if}
  {/if}
</section>

<style>
  li {
    content-visibility: auto;
    contain-intrinsic-size: auto 5rem;
    display: grid;
    grid-template-columns: max-content minmax(0, 1fr);
    gap: 8px;
    padding: 8px 0;
    border-top: 1px solid var(--line);
    align-items: baseline;
    overflow-wrap: anywhere;
  }
</style>
