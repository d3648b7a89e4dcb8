<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { p, route } from '../../router';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import CarryChoices from './CarryChoices.svelte';
  import CarrySheet from './CarrySheet.svelte';
  import GetZone from './GetZone.svelte';
  import HandoverRail from './HandoverRail.svelte';
  import ServerAnswers from './ServerAnswers.svelte';
  import TiedServices from './TiedServices.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const path = $derived({ params: { path: { name } } });
  const records = createQuery(() => ({
    queryKey: ['records', name],
    queryFn: () => ask(api.GET('/api/records/{name}', path)),
    placeholderData: (before) => (before?.name === name ? before : undefined),
  }));
  const look = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/records/{name}/look', path)),
    onSettled: () => refresh(client, 'records', 'moves', 'desk'),
  }));
  const again = () => void refresh(client, 'records', 'moves', 'desk');
  const PARTS = ['zone', 'choices', 'sheet', 'tied', 'handover', 'answers'] as const;
</script>

<Sheet title={records.data?.unicode ?? name} back="/records" mono>
  <Trouble error={records.error ?? look.error} />
  {#if records.data}
    {@const r = records.data}
    <p>
      {say.recordsSheet.servedBy}
      <span class="mono">{r.present.name_servers.join(', ') || '–'}</span>{r.present.host
        ? ` (${r.present.host.title})`
        : ''}.
      <span class:warn={r.present.host?.ends_with}
        >{r.present.host
          ? r.present.host.ends_with
            ? say.recordsSheet.ends
            : say.recordsSheet.stays
          : say.recordsSheet.nobody}</span
      >
    </p>
    <div class="acts">
      {#if may('lookAtServers')}
        <Button disabled={look.isPending} onclick={() => look.mutate()}
          >{look.isPending ? say.recordsSheet.asking : say.recordsSheet.ask}</Button
        >
      {/if}
      <span class="muted"
        >{#if r.asked_at}{say.recordsSheet.asked} <When at={r.asked_at} />{:else}{say.recordsSheet
            .neverAsked}{/if}</span
      >
      {#if r.move}<a href={p('/moves/:id', { params: { id: String(r.move) } })}
          >{say.recordsSheet.move}</a
        >{/if}
    </div>
    <nav aria-label={say.recordsSheet.sections}>
      {#each PARTS as part (part)}<a href="#{part}">{say.recordsSheet[part]}</a>{/each}
    </nav>

    <h2 id="zone">{say.recordsSheet.zone}</h2>
    <GetZone records={r} done={again} />
    <h2 id="choices">{say.recordsSheet.choices}</h2>
    <CarryChoices records={r} done={again} />
    <h2 id="sheet">{say.recordsSheet.sheet}</h2>
    <CarrySheet records={r} done={again} />
    <h2 id="tied">{say.recordsSheet.tied}</h2>
    <TiedServices records={r} done={again} />
    <h2 id="handover">{say.recordsSheet.handover}</h2>
    <HandoverRail {name} moving={r.move !== null} />
    <h2 id="answers">{say.recordsSheet.answers}</h2>
    <ServerAnswers answers={r.answers} />
  {/if}
</Sheet>

<style>
  .warn {
    font-weight: 600;
  }
  .acts,
  nav {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 16px;
    margin: 8px 0;
  }
  nav {
    border-bottom: 1px solid var(--line);
    padding-bottom: 8px;
  }
  h2 {
    margin: 16px 0 8px;
  }
  p {
    overflow-wrap: anywhere;
  }
</style>
