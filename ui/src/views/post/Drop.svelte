<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import FileButton from '../../parts/FileButton.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';

  /** Messages saved as files, for mail that the desk's mailbox doesn't get: dropped anywhere. */
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

  const files = (e: DragEvent) => e.dataTransfer?.types.includes('Files') && may('dropMessage');
  function ondragover(e: DragEvent) {
    if (!files(e)) return;
    e.preventDefault();
    over = true;
  }
  function ondrop(e: DragEvent) {
    over = false;
    if (!files(e)) return;
    e.preventDefault();
    drop.mutate([...(e.dataTransfer?.files ?? [])]);
  }
</script>

<svelte:window {ondragover} {ondrop} ondragleave={() => (over = false)} />
<May operation="dropMessage">
  <FileButton
    id="eml"
    label={say.drop.choose}
    accept=".eml,message/rfc822"
    multiple
    chosen={(list) => drop.mutate(list)}
  />
</May>
{#if over}<p class="over" role="status">{say.drop.here}</p>{/if}
{#each fates as f (f.name)}<p role="status">
    <span class="mono">{f.name}</span>: {f.says}
  </p>{/each}
<Trouble error={drop.error} />

<style>
  .over {
    position: fixed;
    inset: 0;
    z-index: 40;
    max-width: none;
    display: grid;
    place-items: center;
    font-size: var(--answer);
    background: color-mix(in srgb, var(--loden-soft) 85%, transparent);
    border: 3px dashed var(--loden);
    pointer-events: none;
  }
</style>
