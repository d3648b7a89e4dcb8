<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { say } from '../lib/say';

  /**
   * An act that can't be taken back. It is dead for a second after it appears, so that nobody hits
   * it who aimed at what stood there before; then it asks once more, with what follows in the
   * button. quiet: a word in a line, for what is rare; named: what a screen reader says of it where
   * the label alone does not say which.
   */
  let {
    label,
    yes,
    act,
    busy = false,
    size = 'md',
    quiet = false,
    named,
  }: {
    label: string;
    yes: string;
    act: () => void;
    busy?: boolean;
    size?: 'sm' | 'md';
    quiet?: boolean;
    named?: string;
  } = $props();
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
  {#if quiet}
    <button
      type="button"
      class="link"
      aria-label={sure ? undefined : named}
      disabled={!awake || busy}
      onclick={() => (sure ? done() : (sure = true))}>{sure ? yes : label}</button
    >
    {#if sure}<button type="button" class="link" onclick={() => (sure = false)}
        >{say.forGood.notNow}</button
      >{/if}
  {:else if sure}
    <Button {size} disabled={!awake || busy} onclick={done}>{yes}</Button>
    <Button {size} color="alternative" onclick={() => (sure = false)}>{say.forGood.notNow}</Button>
  {:else}
    <Button {size} aria-label={named} disabled={!awake || busy} onclick={() => (sure = true)}
      >{label}</Button
    >
  {/if}
</span>

<style>
  .good {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 8px;
  }
</style>
