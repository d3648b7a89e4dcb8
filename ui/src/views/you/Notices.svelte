<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** Whether and when one is told by mail that it is one’s turn. */
  const client = useQueryClient();
  const now = createQuery(() => ({
    queryKey: ['people', 'notices'],
    queryFn: () => ask(api.GET('/api/me/notices')),
  }));
  let choice = $state<Schemas['NoticeChoice']['choice']>();
  let hour = $state<number>();
  const keep = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/me/notices', {
          body: { choice: choice ?? now.data!.choice, hour: Number(hour ?? now.data!.hour) },
        }),
      ),
    onSuccess: (data) => client.setQueryData(['people', 'notices'], data),
  }));
</script>

<section>
  <h2>{say.notices.title}</h2>
  <p class="muted">{say.notices.about}</p>
  <Trouble error={now.error ?? keep.error} />
  {#if now.data}
    {#if !now.data.able}<p>{say.notices.noServer}</p>{/if}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        keep.mutate();
      }}
    >
      <div class="flex gap-4" role="radiogroup" aria-label={say.notices.title}>
        {#each ['never', 'at-once', 'daily'] as const as c (c)}
          <label
            ><input
              type="radio"
              name="notices"
              value={c}
              checked={(choice ?? now.data.choice) === c}
              onchange={() => (choice = c)}
            />
            {say.notices.choices[c]}</label
          >
        {/each}
      </div>
      {#if (choice ?? now.data.choice) === 'daily'}
        <label
          >{say.notices.hour}
          <input
            class="plain num"
            type="number"
            min="0"
            max="23"
            value={hour ?? now.data.hour}
            onchange={(e) => (hour = Number(e.currentTarget.value))}
          /></label
        >
      {/if}
      <Button type="submit" size="sm" color="alternative" disabled={keep.isPending}
        >{say.notices.keep}</Button
      >
      {#if keep.isSuccess}<span role="status" class="muted">{say.notices.kept}</span>{/if}
    </form>
  {/if}
</section>

<style>
  input[type='number'] {
    width: 4rem;
  }
</style>
