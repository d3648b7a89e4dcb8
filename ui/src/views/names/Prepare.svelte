<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { dayOf, endOf, later } from '../../lib/days';
  import { refresh } from '../../lib/live.svelte';
  import { navigate, route } from '../../router';
  import { say } from '../../lib/say';
  import Field from '../../parts/Field.svelte';
  import May from '../../parts/May.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const sheet = createQuery(() => ({
    queryKey: ['name', name],
    queryFn: () => ask(api.GET('/api/names/{name}', { params: { path: { name } } })),
  }));
  type Part = Schemas['Preparation']['parts'][number];
  const PARTS = ['unlock', 'code', 'privacy', 'contact'] as const;
  const chosen = new SvelteSet<Part>(['unlock', 'code']);
  let until = $state(later(dayOf(clock.now), 14));
  let leavesTo = $state('');
  const start = createMutation(() => ({
    mutationFn: () => {
      const ends = endOf(until);
      return ask(
        api.POST('/api/preparations', {
          body: {
            name,
            parts: [...chosen],
            until: ends,
            ...(leavesTo.trim() ? { leaves_to: leavesTo.trim() } : {}),
          },
        }),
      );
    },
    onSuccess: (data) => {
      void refresh(client, 'names', 'desk', 'moves', 'hands');
      void navigate('/moves/:id', { params: { id: String(data.id) } });
    },
  }));
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    start.mutate();
  };
</script>

<Sheet title={say.prepare.title(sheet.data?.unicode ?? name)} back="/names">
  <p>{say.prepare.explain}</p>
  <form class="grid gap-2 max-w-[30rem] mt-4" onsubmit={submit}>
    {#each PARTS as part (part)}
      <label>
        <input
          type="checkbox"
          checked={chosen.has(part)}
          onchange={() => (chosen.has(part) ? chosen.delete(part) : chosen.add(part))}
        />
        {say.prepare.parts[part]}
      </label>
    {/each}
    <Field id="p-until" label={say.prepare.until} type="date" required bind:value={until} />
    <Field id="p-to" label={say.prepare.leavesTo} maxlength={120} bind:value={leavesTo} />
    <May operation="prepareName"
      ><Button type="submit" disabled={start.isPending || !chosen.size}>{say.prepare.start}</Button
      ></May
    >
  </form>
  <Trouble error={sheet.error ?? start.error} />
</Sheet>
