<script lang="ts">
  import { at } from '../../lib/base';
  import type { Snippet } from 'svelte';
  import { say } from '../../lib/say';

  let { lead, children, after }: { lead: string; children: Snippet; after?: Snippet } = $props();
</script>

<main class="max-w-[26rem] mt-[12vh] mb-0 mx-auto py-0 px-4 grid gap-4">
  <div class="mark flex items-center gap-2">
    <img src={at('/mark.svg')} alt="" width="36" height="36" />
    <h1>{say.welcome.steadyMove}</h1>
  </div>
  <p>{lead}</p>
  {@render children()}
  {@render after?.()}
</main>

<style>
  main :global(form) {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 16px;
    display: grid;
    gap: 8px;
  }
  main :global(form button) {
    margin-top: 8px;
  }
  main :global(.said) {
    color: var(--madder);
  }
</style>
