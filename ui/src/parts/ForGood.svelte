<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { say } from '../lib/say';

  /**
   * An act that can't be taken back. It is dead for a second after it appears, so that nobody hits it who aimed at what
   * stood there before; then it asks once more, with what follows in the button.
   */
  let {
    label,
    yes,
    act,
    busy = false,
    size = 'md',
  }: { label: string; yes: string; act: () => void; busy?: boolean; size?: 'sm' | 'md' } = $props();
  const REST = 1000;
  let sure = $state(false);
  let awake = $state(false);
  $effect(() => {
    void sure;
    awake = false;
    const waking = setTimeout(() => (awake = true), REST);
    return () => clearTimeout(waking);
  });
  function done() {
    sure = false;
    act();
  }
</script>

<span class="good">
  {#if sure}
    <Button {size} disabled={!awake || busy} onclick={done}>{yes}</Button>
    <Button {size} color="alternative" onclick={() => (sure = false)}>{say.forGood.notNow}</Button>
  {:else}
    <Button {size} disabled={!awake || busy} onclick={() => (sure = true)}>{label}</Button>
  {/if}
</span>

<style>
  .good {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
</style>
