<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { p } from '../../router';
  import Copy from '../../parts/Copy.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import CodeCopy from './CodeCopy.svelte';
  import Found from './Found.svelte';
  import NotDone from './NotDone.svelte';
  import PasteCode from './PasteCode.svelte';
  import Place from './Place.svelte';
  import Refusal from './Refusal.svelte';
  import LaterServers from '../records/LaterServers.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** One step by hand: where, what, which values; and that it is done. */
  let {
    move,
    name,
    step,
    title,
    hand,
    saidAt,
    proof,
    undo,
    lookAt,
  }: {
    proof: string;
    undo?: string | null;
    lookAt?: string | null;
    move: number;
    name: string;
    step: string;
    title: string;
    hand: Schemas['Hand'];
    saidAt?: string | null;
  } = $props();
  const client = useQueryClient();
  const said = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/hands/said', { body: { steps: [{ move, step }] } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<section class="box raised grid gap-1 py-2 px-4 mb-4 border-l-4 border-l-loden" aria-label={title}>
  <h2 class="font-semibold">{say.handPanel.byHand(title)}</h2>
  <Place {hand} />
  <p>{hand.does}</p>
  {#each hand.typed as v, n (n)}
    <p><span class="muted">{v.label}:</span> <Copy text={v.value} what={v.label} /></p>
  {/each}
  {#if hand.account && hand.act}<Found
      account={hand.account}
      act={hand.act}
      found={hand.found}
    />{/if}
  {#if hand.records}<p>
      <a href={p('/records/:name', { params: { name } })}>{say.handPanel.openRecords}</a>
    </p>{/if}
  {#if hand.host}<LaterServers host={hand.host} />{/if}
  {#if hand.types_code}<p><CodeCopy {name} /></p>{/if}
  {#if hand.pastes}<PasteCode {name} />{/if}
  {#if hand.mailto}<p>
      {say.handPanel.itIsLate} <a href={hand.mailto}>{say.handPanel.writeSupport}</a>
    </p>{/if}
  <p class="muted text-note">
    {say.handPanel.seenBy(proof)}
    {#if lookAt}{say.handPanel.lookedAtAgain} <When at={lookAt} />.{/if}{undo
      ? say.handPanel.takenBackBy(undo)
      : ''}
  </p>
  <Trouble error={said.error} />
  {#if hand.way === 'letter'}
    <p>
      <a href={p('/by-hand')}>{say.handPanel.writeTheLetterUnderBy}</a>{say.handPanel.withTheRest}
    </p>
  {:else if saidAt}
    <p class="muted">
      {say.handPanel.saidToBeDone}
      <When at={saidAt} />{hand.on_word ? '' : say.handPanel.theDeskLooksForThe}
    </p>
    <p><NotDone steps={[{ move, step }]} /></p>
  {:else}
    <p>
      <May operation="said"
        ><Button
          color="alternative"
          size="sm"
          disabled={said.isPending}
          onclick={() => said.mutate()}>{say.handPanel.markDone}</Button
        ></May
      >
      <span class="muted"
        >{hand.on_word ? say.acts.onYourWord : say.acts.thisOnlyStartsTheLooking}</span
      >
    </p>
    {#if hand.act !== 'order'}<Refusal {move} {name} {step} />{/if}
  {/if}
</section>

<style>
  p {
    overflow-wrap: anywhere;
  }
</style>
