<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../lib/api';
  import { refresh } from '../lib/live.svelte';
  import { say } from '../lib/say';
  import Field from './Field.svelte';
  import May from './May.svelte';
  import Trouble from './Trouble.svelte';

  /** A word to the others about a name: it stands in its journal, and in its open move’s. */
  let { name }: { name: string } = $props();
  const client = useQueryClient();
  let text = $state('');
  const tell = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/names/{name}/comment', { params: { path: { name } }, body: { text } })),
    onSuccess: () => {
      text = '';
      void refresh(client, 'names', 'moves');
    },
  }));
</script>

<May operation="comment">
  <form
    class="flex flex-wrap gap-2 items-end mb-2"
    onsubmit={(e) => {
      e.preventDefault();
      tell.mutate();
    }}
  >
    <div class="flex-1 min-w-[14rem] max-w-[40rem]">
      <Field id="comment-{name}" label={say.comment.label} bind:value={text} maxlength={1000} />
    </div>
    <Button color="alternative" type="submit" disabled={tell.isPending || !text.trim()}
      >{say.comment.tell}</Button
    >
  </form>
  <Trouble error={tell.error} />
</May>
