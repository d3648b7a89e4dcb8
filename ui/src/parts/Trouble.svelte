<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { tie } from '../lib/tied';
  import { say } from '../lib/say';
  import Notice from './Notice.svelte';

  /**
   * What went wrong, as one sentence, tied to the field that it is about; what was only asked for
   * can be asked for again.
   */
  let { error }: { error: Error | null } = $props();
  const client = useQueryClient();
  const id = $props.id();
  $effect(() => (error ? tie(id, error.message) : undefined));
  const failed = { predicate: (q: { state: { error: unknown } }) => q.state.error === error };
  const asked = $derived(error && client.getQueryCache().findAll(failed).length > 0);
</script>

{#if error}<Notice grave role="alert"
    ><p {id}>{error.message}</p>
    {#if asked}<button class="link" onclick={() => void client.refetchQueries(failed)}
        >{say.waiting.again}</button
      >{/if}</Notice
  >{/if}
