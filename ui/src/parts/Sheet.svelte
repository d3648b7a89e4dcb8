<script lang="ts">
  import type { Snippet } from 'svelte';
  import { typing } from '../lib/keys';
  import { keptSearch } from '../lib/list';
  import { navigate } from '../router';
  import { say } from '../lib/say';

  let {
    title,
    back,
    children,
    mono = false,
    kicker,
    answer,
  }: {
    title: string;
    back: '/names' | '/moves' | '/records' | '/batches';
    children: Snippet;
    mono?: boolean;
    /** What else stands in the small line above the answer. */
    kicker?: Snippet | undefined;
    /** What the sheet answers, in one sentence; without one the title is the head. */
    answer?: Snippet | undefined;
  } = $props();

  let heading = $state<HTMLElement>();

  // In a field, Esc only leaves the field: what was typed stays.
  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Escape' || e.defaultPrevented || document.querySelector('dialog[open]')) return;
    if (typing(e)) heading?.focus();
    else void navigate(back, { search: keptSearch() });
  }
</script>

<svelte:window {onkeydown} />
<section class="panel @container/sheet" aria-label={title}>
  <header class="flex justify-between items-start gap-4 mb-2">
    <div>
      <h1 class="wrap-anywhere" bind:this={heading} tabindex="-1">
        {#if answer}
          <span class="note title block font-normal" class:mono>{title}</span>
          <span class="answer block">{@render answer()}</span>
        {:else}<span class:mono>{title}</span>{/if}
      </h1>
      {#if kicker}<div class="note muted kicker flex flex-wrap gap-y-1 gap-x-4 items-baseline mt-1">
          {@render kicker()}
        </div>{/if}
    </div>
    <button
      class="text-muted border border-line rounded-(--radius) py-0.5 px-2 cursor-pointer"
      onclick={() => navigate(back, { search: keptSearch() })}
      title={say.sheet.closeEsc}>{say.sheet.close}</button
    >
  </header>
  {@render children()}
</section>
