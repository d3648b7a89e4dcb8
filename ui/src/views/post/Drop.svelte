<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** Messages saved as files, for mail that the desk's mailbox doesn't get. */
  const client = useQueryClient();
  let over = $state(false);
  let fates = $state<{ name: string; says: string }[]>([]);
  const drop = createMutation(() => ({
    mutationFn: async (files: File[]) => {
      fates = [];
      for (const file of files) {
        const says = await ask(
          api.POST('/api/post/dropped', {
            body: '',
            bodySerializer: () => file, // as it is, in whatever charset
            headers: { 'Content-Type': 'message/rfc822' },
          }),
        ).then(
          () => say.drop.takenIn,
          (e: Error) => e.message,
        );
        fates = [...fates, { name: file.name, says }];
      }
    },
    onSettled: () => refresh(client, 'post', 'moves', 'names', 'codes'),
  }));

  function dropped(e: DragEvent) {
    e.preventDefault();
    over = false;
    drop.mutate([...(e.dataTransfer?.files ?? [])]);
  }
</script>

<May operation="dropMessage">
  <div
    class="zone"
    class:over
    role="group"
    aria-label={say.drop.filesTitle}
    ondragover={(e) => {
      e.preventDefault();
      over = true;
    }}
    ondragleave={() => (over = false)}
    ondrop={dropped}
  >
    <label for="eml">{say.drop.filesHint}</label>
    <input
      id="eml"
      type="file"
      multiple
      accept=".eml,message/rfc822"
      onchange={(e) => drop.mutate([...(e.currentTarget.files ?? [])])}
    />
    {#each fates as f (f.name)}<p role="status">
        <span class="mono">{f.name}</span>: {f.says}
      </p>{/each}
    <Trouble error={drop.error} />
  </div>
</May>

<style>
  .zone {
    border: 1px dashed var(--line);
    border-radius: var(--radius);
    padding: 8px 16px;
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
  }
  .over {
    background: var(--loden-soft);
  }
  p {
    flex-basis: 100%;
  }
</style>
