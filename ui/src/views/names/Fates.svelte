<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { say } from '../../lib/say';

  let { lines }: { lines: Schemas['TakenIn']['lines'] } = $props();
  const client = useQueryClient();
  const FATES = {
    taken: say.fates.takenIn,
    corrected: say.fates.corrected,
    known: say.fates.outcomeKnown,
    refused: say.fates.refused,
  };
  let gone = $state<string[]>([]);
  const tally = $derived(
    Object.entries(FATES)
      .map(([fate, words]) => [words, lines.filter((l) => l.fate === fate).length] as const)
      .filter(([, n]) => n),
  );
  const back = createMutation(() => ({
    mutationFn: (name: string) =>
      ask(api.POST('/api/names/{name}/let-go', { params: { path: { name } } })),
    onSuccess: (data) => {
      gone = [...gone, data.gone];
      void client.invalidateQueries({ queryKey: ['names'] });
    },
  }));
</script>

<p role="status">{tally.map(([words, n]) => `${n} ${words.toLowerCase()}`).join(', ')}.</p>
<Trouble error={back.error} />
<table class="lines" aria-label={say.fates.outcomeTitle}>
  <tbody>
    {#each lines as line, i (i)}
      <tr class={line.fate}>
        <td class="mono">{line.typed}</td>
        <td
          ><strong
            >{line.name && gone.includes(line.name)
              ? say.fates.letGoAgain
              : FATES[line.fate]}</strong
          ></td
        >
        <td>{line.says ?? ''}</td>
        <td>
          {#if line.name && !gone.includes(line.name) && (line.fate === 'taken' || line.fate === 'corrected')}
            <May operation="letGo"
              ><button
                class="link"
                disabled={back.isPending}
                onclick={() => back.mutate(line.name!)}>{say.fates.letItGoAgain}</button
              ></May
            >
          {/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
