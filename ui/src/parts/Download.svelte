<script lang="ts">
  import type { Snippet } from 'svelte';
  import { download } from '../lib/api';

  /** A file to keep. It is fetched by the page, which asks for the password where it is wanted. */
  let { href, children }: { href: string; children: Snippet } = $props();
  let trouble = $state('');

  async function keep(e: MouseEvent) {
    e.preventDefault();
    trouble = '';
    await download(href).catch((error: Error) => (trouble = error.message));
  }
</script>

<a {href} download onclick={keep}>{@render children()}</a>{#if trouble}
  <span class="trouble" role="alert">{trouble}</span>{/if}
