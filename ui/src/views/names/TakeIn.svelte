<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { say } from '../../lib/say';
  import { p } from '../../router';
  import Sheet from '../../parts/Sheet.svelte';
  import When from '../../parts/When.svelte';
  import Import from './Import.svelte';

  const last = createQuery(() => ({
    queryKey: ['import', 'last'],
    queryFn: () => ask(api.GET('/api/imports')),
  }));
  const imports = $derived(last.data?.imports ?? []);
</script>

<Sheet title={say.takeIn.takeNamesIn} back="/names">
  <p class="muted">{say.takeIn.eachNameIsLookedUp}</p>
  <Import />
  {#if imports.length}
    <h2>{say.takeIn.last}</h2>
    <ul>
      {#each imports as i (i.id)}
        <li class="flex flex-wrap gap-x-4">
          <a href={p('/names/import/:id', { params: { id: String(i.id) } })}
            >{say.takeIn.came(i.added - i.refused.length, i.updated)}</a
          >
          <When at={i.at} bare />
          {i.undone_at ? say.takeIn.undone : i.by}
        </li>
      {/each}
    </ul>
  {/if}
</Sheet>
