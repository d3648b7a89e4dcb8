<script lang="ts">
  import { tick } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import { say } from '../lib/say';

  /**
   * An act that can't be taken back. It is dead for a second after it appears, so that nobody hits
   * it who aimed at what stood there before; then it asks once more, with what follows in the
   * button, and the focus on that question. quiet: a word in a line, for what is rare; named: what
   * a screen reader says of it where the label alone does not say which.
   */
  let {
    label,
    yes,
    act,
    busy = false,
    size = 'md',
    quiet = false,
    danger = false,
    named,
  }: {
    label: string;
    yes: string;
    act: () => void;
    busy?: boolean;
    size?: 'sm' | 'md';
    quiet?: boolean;
    /** It takes something away. */
    danger?: boolean;
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
  // The question takes the focus from the button that it stands in for, and gives it back.
  let whole = $state<HTMLElement>();
  const question = (node: HTMLElement) => node.focus();
  async function notNow() {
    sure = false;
    await tick();
    whole?.focus();
  }
  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Escape' || !sure) return;
    e.preventDefault();
    e.stopPropagation();
    void notNow();
  }
  function done() {
    sure = false;
    act();
  }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions (only Esc, for whoever is within) -->
<span bind:this={whole} class="inline-flex flex-wrap gap-2" tabindex="-1" {onkeydown}>
  {#if sure}
    <span
      class="inline-flex flex-wrap gap-2"
      role="group"
      aria-label={yes}
      tabindex="-1"
      use:question
    >
      {#if quiet}
        <button type="button" class="link text-madder" disabled={!awake || busy} onclick={done}
          >{yes}</button
        >
        <button type="button" class="link" onclick={notNow}>{say.forGood.notNow}</button>
      {:else}
        <Button {size} color={danger ? 'red' : 'primary'} disabled={!awake || busy} onclick={done}
          >{yes}</Button
        >
        <Button {size} color="alternative" onclick={notNow}>{say.forGood.notNow}</Button>
      {/if}
    </span>
  {:else if quiet}
    <button
      type="button"
      class="link"
      aria-label={named}
      disabled={!awake || busy}
      onclick={() => (sure = true)}>{label}</button
    >
  {:else}
    <Button
      {size}
      color={danger ? 'alternative' : 'primary'}
      aria-label={named}
      disabled={!awake || busy}
      onclick={() => (sure = true)}>{label}</Button
    >
  {/if}
</span>
