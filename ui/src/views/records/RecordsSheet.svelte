<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { p, route } from '../../router';
  import Sheet from '../../parts/Sheet.svelte';
  import Tabs from '../../parts/Tabs.svelte';
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
  const PARTS = ['sheet', 'choices', 'zone', 'tied', 'handover', 'answers'] as const;
  const tabs = PARTS.map((id) => ({ id, title: say.recordsSheet.parts[id]! }));

  // The part where the next thing is to be done.
  const next = (r: Schemas['Records']) =>
    r.rows.length === 0 ? 'zone' : r.host === null && !r.left_alone ? 'choices' : 'sheet';
  const given = $derived(String(searchParams.get('part') ?? ''));
  // As it stood when the sheet was opened: nothing is taken away while somebody works in it.
  let first = $state<{ name: string; part: string }>();
  $effect(() => {
    if (records.data && first?.name !== records.data.name)
      first = { name: records.data.name, part: next(records.data) };
  });
  const part = $derived(
    tabs.some((t) => t.id === given) ? given : first?.name === name ? first.part : 'sheet',
  );
  const choose = (id: string) => void searchParams.set('part', id, { replace: true });

  function head(r: Schemas['Records']) {
    const all = r.rows.length;
    if (all === 0) return say.recordsSheet.head.nothing;
    if (r.left_alone) return say.recordsSheet.head.leftAlone(r.present.host?.title);
    if (!r.host) return say.recordsSheet.head.noHost(all);
    const needs = r.counts.undecided ?? 0;
    if (needs) return say.recordsSheet.head.needs(needs);
    const host = r.host.title;
    if (r.rows.every((row) => row.kind === 'unknown')) return say.recordsSheet.head.unasked(host);
    const open = r.counts.open ?? 0;
    return open ? say.recordsSheet.head.open(open, all, host) : say.recordsSheet.head.done(host);
  }
</script>

{#snippet answer()}{#if records.data}{head(records.data)}{/if}{/snippet}

<Sheet
  title={records.data?.unicode ?? name}
  back="/records"
  mono
  answer={records.data ? answer : undefined}
>
  <Trouble error={records.error ?? look.error} />
  {#if records.data}
    {@const r = records.data}
    <div class="acts my-2 mx-0">
      {#if may('lookAtServers')}
        <Button color="alternative" disabled={look.isPending} onclick={() => look.mutate()}
          >{look.isPending ? say.recordsSheet.asking : say.recordsSheet.ask}</Button
        >
      {/if}
      {#if next(r) !== part}
        <button type="button" class="link" onclick={() => choose(next(r))}
          >{say.recordsSheet.goTo[next(r)]}</button
        >
      {/if}
      <span class="note muted"
        >{#if r.asked_at}{say.recordsSheet.asked} <When at={r.asked_at} />{:else}{say.recordsSheet
            .neverAsked}{/if}</span
      >
      {#if r.move}<a href={p('/moves/:id', { params: { id: String(r.move) } })}
          >{say.recordsSheet.move}</a
        >{/if}
    </div>
    <p class="wrap-anywhere">
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

    <Tabs label={say.recordsSheet.sections} of={tabs} chosen={part} {choose}>
      {#snippet children(id)}
        {#if id === 'zone'}<GetZone records={r} done={again} />
        {:else if id === 'choices'}<CarryChoices records={r} done={again} />
        {:else if id === 'tied'}<TiedServices records={r} done={again} />
        {:else if id === 'handover'}<HandoverRail
            {name}
            moving={r.move !== null}
            leftAlone={r.left_alone}
          />
        {:else if id === 'answers'}<ServerAnswers answers={r.answers} />
        {:else}<CarrySheet records={r} done={again} />{/if}
      {/snippet}
    </Tabs>
  {/if}
</Sheet>

<style>
  .warn {
    font-weight: 600;
  }
</style>
