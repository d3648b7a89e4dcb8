<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import ForGood from '../../parts/ForGood.svelte';
  import { say } from '../../lib/say';

  /**
   * Before the release is asked for: have it approved then over the connection, or be told the
   * minute it can be.
   */
  let {
    move: m,
    busy,
    act,
  }: { move: MoveSheet; busy: boolean; act: (what: 'approve' | 'unwish') => void } = $props();
</script>

{#if m.acts.includes('wish')}
  {#if m.wish === 'approve'}
    <p class="muted">{say.moveSheet.approveScope(m.from)}</p>
    <ForGood
      label={say.moveSheet.approveEarly}
      yes={say.moveSheet.approveThen(m.unicode)}
      {busy}
      act={() => act('approve')}
    />
  {:else}
    <p>
      <button type="button" class="link" disabled={busy} onclick={() => act('approve')}
        >{say.moveSheet.tellWhenOpen}</button
      >
    </p>
  {/if}
{/if}
{#if m.wished_by}
  <p>
    {m.wish === 'approve'
      ? say.moveSheet.willBeApproved(m.wished_by)
      : say.moveSheet.willBeTold(m.wished_by)}
    {#if m.acts.includes('unwish')}<button type="button" class="link" onclick={() => act('unwish')}
        >{say.moveSheet.withdraw}</button
      >{/if}
  </p>
{/if}
