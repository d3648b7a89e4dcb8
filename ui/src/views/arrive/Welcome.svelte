<script lang="ts">
  import { at } from '../../lib/base';
  import type { Snippet } from 'svelte';
  import { say } from '../../lib/say';

  let { lead, children, after }: { lead: string; children: Snippet; after?: Snippet } = $props();
</script>

<main>
  <div class="mark">
    <img src={at('/mark.svg')} alt="" width="36" height="36" />
    <h1>{say.welcome.steadyMove}</h1>
  </div>
  <p>{lead}</p>
  {@render children()}
  {@render after?.()}
</main>

<style>
  main {
    max-width: 26rem;
    margin: 12vh auto 0;
    padding: 0 16px;
    display: grid;
    gap: 16px;
  }
  .mark {
    display: flex;
    align-items: center;
    gap: 8px;
  }
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
