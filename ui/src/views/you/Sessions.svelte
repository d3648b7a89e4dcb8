<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import { day, full, stamp, systemOf } from '../../lib/words';
  import { say } from '../../lib/say';

  let { me }: { me: Schemas['Me'] } = $props();
  const client = useQueryClient();
  const end = createMutation(() => ({
    mutationFn: (id: number | null) =>
      ask(
        id === null
          ? api.POST('/api/me/sessions/end-others')
          : api.POST('/api/me/sessions/{id}/end', { params: { path: { id } } }),
      ),
    onSuccess: (data) => client.setQueryData(['me'], data),
  }));
  // Sessions live by the machine's time, also where the desk's clock is moved on.
  const when = (at: string) =>
    day(at) === day(new Date().toISOString()) ? stamp(at, Date.now()) : full(at);
</script>

<section>
  <h2>{say.you.sessionsTitle}</h2>
  <p class="muted">{say.you.sessionLife}</p>
  <Trouble error={end.error} />
  <ul>
    {#each me.sessions as s (s.id)}
      <li>
        <strong title={s.agent}>{systemOf(s.agent)}</strong>
        <span class="mono muted">{s.address}</span>
        <span>{say.you.since(when(s.began_at), when(s.seen_at))}</span>
        {#if s.this}
          <span class="muted">{say.you.thisOne}</span>
        {:else}
          <button
            class="link"
            onclick={() => end.mutate(s.id)}
            aria-label={say.you.endIt(systemOf(s.agent))}>{say.you.end}</button
          >
        {/if}
      </li>
    {/each}
  </ul>
  {#if me.sessions.length > 1}
    <button class="link" onclick={() => end.mutate(null)}>{say.you.endOthers}</button>
  {/if}
</section>
