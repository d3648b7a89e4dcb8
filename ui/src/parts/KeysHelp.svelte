<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { KEYS } from '../lib/keys';
  import { say } from '../lib/say';

  let { open = $bindable(false) }: { open?: boolean } = $props();
</script>

<Modal bind:open title={say.keysHelp.keys} aria-label={say.keysHelp.keys} size="xs" outsideclose>
  <dl>
    {#each KEYS as [key, what] (key)}
      <dt class="mono">{key}</dt>
      <dd>{what}</dd>
    {/each}
  </dl>
</Modal>

<style>
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 0.35rem 1rem;
    color: var(--ink);
  }
  dt {
    font-weight: 650;
  }
</style>
