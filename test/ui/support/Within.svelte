<script lang="ts">
  import { QueryClientProvider } from '@tanstack/svelte-query';
  import { newClient } from '../../../ui/src/lib/client';
  import type { Component } from 'svelte';

  let { part, given = {} }: { part: Component; given?: Record<string, unknown> } = $props();
  const client = newClient({ retry: false });
  const Part = $derived(part);
</script>

<QueryClientProvider {client}><Part {...given} /></QueryClientProvider>
