<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { p } from '../../router';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** What is left at one old account, kind by kind, ticked off for many names at once. */
  let { place }: { place: Schemas['Leavings'] } = $props();
  const client = useQueryClient();
  const settle = createMutation(() => ({
    mutationFn: (body: Schemas['LeavingsSettled']) =>
      ask(api.POST('/api/hands/leavings', { body })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  const left = new SvelteSet<string>();
  const key = (kind: string, id: number) => `${kind} ${id}`;
  let copied = $state(false);
  async function copy() {
    await navigator.clipboard.writeText(place.list);
    copied = true;
  }
  const count = $derived(new Set(place.kinds.flatMap((k) => k.moves.map((m) => m.id))).size);
  const toggle = (k: string) => (left.has(k) ? left.delete(k) : left.add(k));
</script>

<details class="panel">
  <summary class="cursor-pointer"
    ><strong>{say.leavings.at(place.title)}</strong>
    <span class="num muted">{say.leavings.names(count)}</span></summary
  >
  {#if place.site}<p>
      <a href={place.site} target="_blank" rel="noopener noreferrer">{place.site}</a>
    </p>{/if}
  <p class="along flex flex-wrap gap-y-1 gap-x-4">
    <button type="button" class="link" onclick={copy}
      >{copied ? say.leavings.copied : say.leavings.copy}</button
    >
    {#if place.mailto}<a href={place.mailto}>{say.leavings.email}</a>{/if}
  </p>
  <Trouble error={settle.error} />
  {#each place.kinds as kind (kind.key)}
    {@const moves = kind.moves.filter((m) => !left.has(key(kind.key, m.id))).map((m) => m.id)}
    <details>
      <summary class="cursor-pointer"
        >{kind.title}
        <span class="num muted">{say.leavings.names(kind.moves.length)}</span></summary
      >
      <ul>
        {#each kind.moves as m (m.id)}
          <li>
            <label
              ><input
                type="checkbox"
                checked={!left.has(key(kind.key, m.id))}
                onchange={() => toggle(key(kind.key, m.id))}
              />
              <a class="mono" href={p('/moves/:id', { params: { id: String(m.id) } })}
                >{m.unicode}</a
              ></label
            >
          </li>
        {/each}
      </ul>
    </details>
    <May operation="settleLeavings">
      <p class="acts flex gap-2 mt-1 mb-2 mx-0">
        <Button
          size="xs"
          color="alternative"
          disabled={!moves.length || settle.isPending}
          onclick={() => settle.mutate({ moves, key: kind.key, state: 'cancelled' })}
          >{say.leavings.done(moves.length)}</Button
        >
        <Button
          size="xs"
          color="alternative"
          disabled={!moves.length || settle.isPending}
          onclick={() => settle.mutate({ moves, key: kind.key, state: 'none' })}
          >{say.leavings.none}</Button
        >
      </p>
    </May>
  {/each}
</details>
