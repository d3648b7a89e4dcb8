<script lang="ts">
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import type { Component } from 'svelte';

  let { part, given = {} }: { part: Component; given?: Record<string, unknown> } = $props();
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const Part = $derived(part);
</script>

<QueryClientProvider {client}><Part {...given} /></QueryClientProvider>
