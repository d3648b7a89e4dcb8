<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Amount, type NameSheet } from '../../lib/api';
  import { p, route } from '../../router';
  import { day, money, stamp } from '../../lib/words';
  import { asked, kept } from '../../lib/list';
  import { clock } from '../../lib/clock.svelte';
  import { searchParams } from 'sv-router';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import BeforeAfter from '../../parts/BeforeAfter.svelte';
  import GateMark from '../../parts/GateMark.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Tabs from '../../parts/Tabs.svelte';
  import Stray from '../../parts/Stray.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Contacts from './Contacts.svelte';
  import Belonging from './Belonging.svelte';
  import Known from './Known.svelte';
  import Learnt from '../hands/Learnt.svelte';
  import Notes from './Notes.svelte';
  import Story from './Story.svelte';
  import Timeline from './Timeline.svelte';
  import Comment from '../../parts/Comment.svelte';
  import Journal from '../moves/Journal.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const path = $derived({ params: { path: { name } } });
  const what = $derived(asked());
  const query = $derived({
    ...(what.at ? { at: what.at } : {}),
    ...(what.to ? { to: what.to } : {}),
  });
  const queryKey = $derived(['name', name, query]);
  const sheet = createQuery(() => ({
    queryKey,
    queryFn: () => ask(api.GET('/api/names/{name}', { params: { path: { name }, query } })),
    placeholderData: (before) => (before?.name === name ? before : undefined),
  }));
  // The ruler always begins today, also while the verdict is for another day.
  const today = createQuery(() => ({
    queryKey: ['name', name, {}],
    queryFn: () => ask(api.GET('/api/names/{name}', path)),
  }));
  const look = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/names/{name}/look', path)),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ['name', name] });
      void client.invalidateQueries({ queryKey: ['names'] });
    },
  }));
  let evidence = $state(false);
  const saved = (a: Amount | null) =>
    a && a.minor > 0
      ? say.nameSheet.saves(money(a))
      : a && a.minor < 0
        ? say.nameSheet.costsMore(money({ ...a, minor: -a.minor }))
        : '';
  // What has to be found out before anybody can say that it may go.
  const lacking = (s: NameSheet) =>
    say.nameSheet.isNotKnown(
      s.unknown
        .filter((u) => u.hard)
        .map((u) => u.title)
        .join(', '),
    );
  // Why the gate stands as it does: what bars it, makes it wait, or has to be done first.
  const BARRING = { wait: 'wait', blocked: 'bar' } as Record<string, string | undefined>;
  function leadOf(s: NameSheet) {
    if (s.move) return undefined;
    if (s.gate.kind === 'needs')
      return s.findings.find((f) => f.effect === 'fix' && f.in_move === 'first');
    return s.findings.find((f) => f.effect === BARRING[s.gate.kind]);
  }
  const lead = $derived(sheet.data && leadOf(sheet.data));
  // What a plan would refuse, where no rule says so.
  const place = (s: NameSheet) =>
    s.move || s.gate.kind !== 'needs' || lead
      ? undefined
      : (s.obstacles[0] ?? (s.needs_carry && !s.carry_host ? say.nameSheet.chooseHost : undefined));
  const needs = (s: NameSheet) =>
    lead?.rule === 'too-late' && s.gate.needs === 1 && s.expires_at
      ? say.nameSheet.head.renew(stamp(s.expires_at, clock.now))
      : say.nameSheet.head.needs(s.gate.needs);
  const rows = (s: NameSheet) => {
    const after = s.ahead?.expected_expiry;
    const stay = s.stay ? money(s.stay) : say.nameSheet.notKnown;
    return [
      ...(s.go
        ? [{ what: say.beforeAfter.registrar, before: s.account, after: s.go.account }]
        : []),
      ...(s.go?.total
        ? [{ what: say.beforeAfter.year, before: stay, after: money(s.go.total) }]
        : []),
      ...(after && s.expires_at
        ? [{ what: say.beforeAfter.expiry, before: day(s.expires_at), after: day(after) }]
        : []),
    ];
  };
  const TABS = [
    { id: 'facts', title: say.nameSheet.factsTitle },
    { id: 'contacts', title: say.nameSheet.contacts },
    { id: 'zone', title: say.nameSheet.records },
    { id: 'moves', title: say.nameSheet.moves },
    { id: 'mail', title: say.nameSheet.mail },
    { id: 'journal', title: say.nameSheet.history },
  ];
  const given = $derived(String(searchParams.get('part') ?? ''));
  const part = $derived(TABS.some((t) => t.id === given) ? given : 'facts');
</script>

{#snippet kicker()}
  {#if sheet.data}
    {@const s = sheet.data}
    {#if s.unicode !== s.name}<span class="mono">{s.name}</span>{/if}
    <GateMark gate={s.gate} />
    {#if what.at}<span>{say.nameSheet.provided(day(what.at))}</span>{/if}
    {#if s.gate.rests_on_less}<span>{say.nameSheet.itRestsOnLessThan}</span>{/if}
  {/if}
{/snippet}
{#snippet answer()}
  {#if sheet.data}
    {@const s = sheet.data}
    {#if s.move}{say.nameSheet.itIsUnderWay(s.move.stage)}
    {:else if s.gate.kind === 'ready'}{say.nameSheet.head.ready(s.gate.steps)}
    {:else if s.gate.kind === 'needs'}{needs(s)}
    {:else if s.gate.kind === 'wait'}{say.nameSheet.head.wait(
        s.gate.clears_at ? stamp(s.gate.clears_at, clock.now) : '',
      )}
    {:else if s.gate.kind === 'unknown'}{lacking(s)}
    {:else}{say.nameSheet.head.blocked}{/if}
  {/if}
{/snippet}

<Sheet
  title={sheet.data?.unicode ?? name}
  back="/names"
  mono
  {kicker}
  answer={sheet.data ? answer : undefined}
>
  <Trouble error={sheet.error ?? look.error} />
  {#if sheet.data}
    {@const s = sheet.data}
    {#if s.stray}<Stray stray={s.stray} named={false} />{/if}
    {#if lead}
      <p>
        <Sentence text={lead.because} /> <span class="muted"><Sentence text={lead.remedy} /></span>
      </p>
    {:else if place(s)}<p><Sentence text={place(s) ?? ''} /></p>{/if}
    <div class="flex flex-wrap gap-y-2 gap-x-4 items-center mt-2 mb-0 mx-0">
      {#if s.move}
        <Button color="alternative" href={p('/moves/:id', { params: { id: String(s.move.id) } })}
          >{say.nameSheet.openMove(s.move.stage)}</Button
        >
      {:else if s.gate.kind === 'unknown'}
        <May operation="lookUp"
          ><Button color="alternative" disabled={look.isPending} onclick={() => look.mutate()}
            >{look.isPending ? say.nameSheet.looking : say.nameSheet.lookItUp}</Button
          ></May
        >
      {:else if s.can_move}
        <Button color="alternative" href={p('/names/:name/plan', { params: { name } }) + kept()}
          >{say.nameSheet.planMove}</Button
        >
        <a href={p('/names/:name/ready', { params: { name } })}>{say.prepare.link}</a>
      {/if}
      <span class="note muted seen">
        {#if s.seen_at}{say.nameSheet.lastSeen}
          <When at={s.seen_at} />{s.old ? say.nameSheet.itIsLookedUpAgain : ''}{/if}
        {#if s.gate.kind !== 'unknown'}
          <May operation="lookUp"
            ><button
              type="button"
              class="link"
              disabled={look.isPending}
              onclick={() => look.mutate()}
              >{look.isPending ? say.nameSheet.looking : say.nameSheet.lookItUpAgain}</button
            ></May
          >
        {/if}
      </span>
    </div>
    <AnswerStrip
      finish={s.ahead?.finish ?? []}
      futures={s.ahead?.futures ?? null}
      uptime={s.ahead?.uptime}
    >
      {#snippet cost()}
        {#if s.go?.total}
          <strong>{money(s.go.total)}</strong>
          <span>{say.nameSheet.at(s.go.account)}{saved(s.go.saves)}</span>
        {:else}{say.nameSheet.notKnown}{/if}
      {/snippet}
      {#snippet result()}
        {#if s.ahead?.expected_expiry && s.expires_at}
          <strong>{day(s.ahead.expected_expiry)}</strong>
          <span>{say.moveSheet.expiryBefore(day(s.expires_at))}</span>
        {:else}{s.expires_at ? day(s.expires_at) : say.nameSheet.notKnown}{/if}
      {/snippet}
    </AnswerStrip>
    {#each look.data?.problems ?? [] as problem (problem)}<Trouble
        error={new Error(problem)}
      />{/each}

    <Story sheet={s} but={lead} bind:evidence />
    {#if today.data}<Timeline
        sheet={today.data}
        now={new Date(Math.floor(clock.now / 60_000) * 60_000).toISOString()}
        at={what.at}
      />{/if}
    {#if rows(s).length && !s.move}<BeforeAfter rows={rows(s)} />{/if}
    <Tabs
      label={say.answers.sections}
      of={TABS}
      chosen={part}
      choose={(id) => searchParams.set('part', id, { replace: true })}
    >
      {#snippet children(id)}
        {#if id === 'facts'}
          <Known sheet={s} {evidence} />
          <Notes sheet={s} {queryKey} />
        {:else if id === 'contacts'}
          <Learnt account={s.account_id} asking={false} />
          <Contacts sheet={s} {queryKey} />
        {:else if id === 'zone'}
          <p>
            {say.nameSheet.zone[s.dns_stays]}
            <a href={p('/records/:name', { params: { name } })}>{say.nameSheet.recordsLink}</a>
          </p>
        {:else if id === 'journal'}
          <Comment name={s.name} />
          {#if s.history.length}
            <Journal events={s.history} goesOn={s.history_goes_on} of={{ name: s.name }} />
          {:else}<p class="muted">{say.nameSheet.historyEmpty}</p>{/if}
        {:else}<Belonging sheet={s} part={id as 'moves' | 'mail'} />{/if}
      {/snippet}
    </Tabs>
  {/if}
</Sheet>
