<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /**
   * Whose the name servers are, where nobody has said so: asked once, with what speaks for the one
   * or the other.
   */
  let {
    name,
    servers,
    at,
    done,
  }: { name: string; servers: string[]; at: string; done: () => void } = $props();
  const params = $derived({ path: { name } });
  const answer = createMutation(() => ({
    mutationFn: (ends: boolean) =>
      ask(api.POST('/api/names/{name}/name-servers', { params, body: { ends } })),
    onSuccess: done,
  }));
  const find = createMutation(() => ({
    mutationFn: () => ask(api.GET('/api/names/{name}/name-servers', { params })),
  }));
</script>

<section class="box" aria-label={say.dnsQuestion.title}>
  <p>
    <strong>{say.dnsQuestion.belong(at)}</strong> <span class="mono">{servers.join(', ')}</span>
  </p>
  {#if find.data}
    <ul class="list-disc pl-4">
      {#each find.data.hints as hint (hint.says)}
        <li>
          {hint.says}
          {#if hint.ends !== null}<strong
              >{hint.ends ? say.dnsQuestion.soYes : say.dnsQuestion.soNo}</strong
            >{/if}
        </li>
      {/each}
    </ul>
  {/if}
  <Trouble error={answer.error ?? find.error} />
  <May operation="answerNameServers">
    <div class="acts">
      <Button
        size="sm"
        color="alternative"
        disabled={answer.isPending}
        onclick={() => answer.mutate(true)}>{say.dnsQuestion.yes}</Button
      >
      <Button
        size="sm"
        color="alternative"
        disabled={answer.isPending}
        onclick={() => answer.mutate(false)}>{say.dnsQuestion.no}</Button
      >
      <button type="button" class="link" disabled={find.isPending} onclick={() => find.mutate()}
        >{find.isPending ? say.dnsQuestion.finding : say.dnsQuestion.findOut}</button
      >
    </div>
  </May>
</section>

<style>
  section {
    padding: 8px 16px;
    margin: 8px 0;
    border-left: 4px dashed var(--line);
    display: grid;
    gap: 8px;
  }
</style>
