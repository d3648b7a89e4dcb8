<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../../ui/src/lib/api';
  import Waiting from '../../../ui/src/parts/Waiting.svelte';

  createQuery(() => ({ queryKey: ['hands'], queryFn: () => ask(api.GET('/api/hands')) }));
</script>

<Waiting />
