<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { KEYS, keysAreOff, switchKeys } from '../lib/keys';
  import { contents } from '../lib/guide';
  import { p } from '../router';
  import { say } from '../lib/say';

  let off = $state(keysAreOff());
  let { open = $bindable(false) }: { open?: boolean } = $props();
  let unfolded = $state(false);
</script>

<Modal bind:open title={say.keysHelp.keys} aria-label={say.keysHelp.keys} size="sm" outsideclose>
  <dl class="grid grid-cols-[max-content_1fr] gap-y-1 gap-x-4 text-ink">
    {#each KEYS as [key, what] (key)}
      <dt class="mono font-semibold">{key}</dt>
      <dd>{what}</dd>
    {/each}
  </dl>
  <label
    ><input
      type="checkbox"
      checked={!off}
      onchange={(e) => switchKeys((off = !e.currentTarget.checked))}
    />
    {say.keysHelp.singleKeys}</label
  >
  <details bind:open={unfolded}>
    <summary>{say.keysHelp.words}</summary>
    <div class="words">
      {#if unfolded}
        {#await contents() then pages}
          <!-- our own page, made when the front end was built -->
          <!-- eslint-disable-next-line svelte/no-at-html-tags -->
          {@html pages.find((page) => page.id === 'glossary')?.html.replace(/<h1>.*<\/h1>/, '')}
        {/await}
      {/if}
    </div>
  </details>
  <p><a href={p('/help')} onclick={() => (open = false)}>{say.keysHelp.guide}</a></p>
</Modal>

<style>
  .words :global(p) {
    margin: 8px 0;
    color: var(--ink);
  }
</style>
