<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { p, route } from '../../router';
  import { day, money } from '../../lib/words';
  import { asked, kept } from '../../lib/list';
  import { clock } from '../../lib/clock.svelte';
  import GateMark from '../../parts/GateMark.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Contacts from './Contacts.svelte';
  import Facts from './Facts.svelte';
  import FindingLine from './FindingLine.svelte';
  import Notes from './Notes.svelte';
  import Timeline from './Timeline.svelte';
  import Journal from '../moves/Journal.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const path = $derived({ params: { path: { name } } });
  const what = $derived(asked());
  const query = $derived({ ...(what.at ? { at: what.at } : {}), ...(what.to ? { to: what.to } : {}) });
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
  const unknown = $derived.by(() => {
    const by: Record<string, string[]> = {};
    for (const u of sheet.data?.unknown ?? []) (by[u.find_out ?? ''] ??= []).push(u.rule);
    return Object.entries(by);
  });
  const reasons = $derived(sheet.data?.findings.filter((f) => f.effect !== 'step') ?? []);

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'e' && !(e.target instanceof HTMLInputElement) && !e.ctrlKey && !e.metaKey) evidence = !evidence;
  }
</script>

<svelte:window {onkeydown} />
<Sheet title={sheet.data?.unicode ?? name} back="/names" mono>
  <Trouble error={sheet.error ?? look.error} />
  {#if sheet.data}
    {@const s = sheet.data}
    {#if s.unicode !== s.name}<p class="mono muted">{s.name}</p>{/if}
    <div class="verdict">
      <GateMark gate={s.gate} />
      {#if what.at}<span class="muted">{say.nameSheet.ifNothingElseChangesUntil(day(what.at))}</span>{/if}
      {#if s.gate.kind === 'wait' && s.gate.clears_at}<span class="muted"><When at={s.gate.clears_at} /></span>{/if}
      {#if s.gate.rests_on_less}<span class="muted">{say.nameSheet.itRestsOnLessThan}</span>{/if}
    </div>
    <div class="next">
      {#if s.move}
        <Button href={p('/moves/:id', { params: { id: String(s.move.id) } })}
          >{say.nameSheet.seeTheMove(s.move.stage)}</Button
        >
      {:else if s.can_move}
        <Button href={p('/names/:name/plan', { params: { name } }) + kept()}>{say.nameSheet.planItsMove}</Button>
        <a href={p('/names/:name/ready', { params: { name } })}>{say.prepare.link}</a>
      {:else}
        <p>{say.nameSheet.itCantBeMovedNow}</p>
      {/if}
      <a href={p('/records/:name', { params: { name } })}>{say.nameSheet.itsRecords}</a>
      <Button color="alternative" disabled={look.isPending} onclick={() => look.mutate()}
        >{look.isPending ? say.nameSheet.looking : say.nameSheet.lookItUpAgain}</Button
      >
      {#if s.seen_at}<span class="muted"
          >{say.nameSheet.lastSeen}
          <When at={s.seen_at} />{s.old ? say.nameSheet.itIsLookedUpAgain : ''}</span
        >{/if}
    </div>
    {#each look.data?.problems ?? [] as problem (problem)}<Trouble error={new Error(problem)} />{/each}

    {#if today.data}<Timeline
        sheet={today.data}
        now={new Date(Math.floor(clock.now / 60_000) * 60_000).toISOString()}
        at={what.at}
      />{/if}

    {#if s.obstacles.length}
      <h2>{say.nameSheet.aPlanWouldRefuse}</h2>
      {#each s.obstacles as obstacle (obstacle)}<p class="unknown"><Sentence text={obstacle} /></p>{/each}
    {/if}
    <h2>{say.nameSheet.why}</h2>
    {#each reasons as finding (finding.rule)}
      <FindingLine {finding} {evidence} />
    {:else}
      <p>{say.nameSheet.nothingBarsDelaysOrEndangers}</p>
    {/each}
    {#each unknown as [find_out, rules] (find_out)}
      <p class="unknown"><strong>{say.nameSheet.notKnownYet}</strong> {rules.join(', ')}. {find_out}</p>
    {/each}
    <p>
      <button class="link" onclick={() => (evidence = !evidence)} aria-pressed={evidence} title="e"
        >{say.nameSheet.theEvidence(evidence ? say.nameSheet.hide : say.nameSheet.show)}</button
      >
    </p>

    <h2>{say.nameSheet.whatIsKnown}</h2>
    <dl>
      <dt>{say.nameSheet.account}</dt>
      <dd>{s.account}</dd>
      <dt>{say.nameSheet.expiry}</dt>
      <dd>{s.expires_at ? day(s.expires_at) : say.nameSheet.notKnown}</dd>
      <dt>{say.nameSheet.priceToStay}</dt>
      <dd class="num">{s.stay ? say.nameSheet.aYear(money(s.stay)) : say.nameSheet.notKnown}</dd>
      {#if s.go}
        <dt>{say.nameSheet.priceToGo}</dt>
        <dd class="num">
          {s.go.total
            ? say.nameSheet.toWithItsYear(money(s.go.total), s.go.account)
            : say.nameSheet.notKnownAt(s.go.account)}{#if s.go.saves && s.go.saves.minor > 0}{say.nameSheet.saves(
              money(s.go.saves),
            )}{:else if s.go.saves && s.go.saves.minor < 0}{say.nameSheet.costsMore(
              money({ ...s.go.saves, minor: -s.go.saves.minor }),
            )}{/if}
        </dd>
      {/if}
      <dt>{say.nameSheet.suffix}</dt>
      <dd>.{s.suffix}{s.family ? `: ${s.family.toLowerCase()}` : ''}</dd>
      <dt>{say.nameSheet.dnsHost}</dt>
      <dd>{s.dns_host ?? say.nameSheet.notKnown}</dd>
      <dt>{say.nameSheet.nameServers}</dt>
      <dd class="mono">{s.name_servers.join(' ') || say.nameSheet.none}</dd>
    </dl>
    {#if s.contradictions.length}
      <p class="unknown">
        {say.nameSheet.sourcesContradictEachOtherOn(s.contradictions.join(', '))}
      </p>
    {/if}
    {#if evidence}<Facts facts={s.facts} />{/if}
    <h2>{say.nameSheet.contacts}</h2>
    <Contacts sheet={s} {queryKey} />
    <h2>{say.nameSheet.notedByHand}</h2>
    <Notes sheet={s} {queryKey} />
    {#if s.history.length}
      <h2>{say.nameSheet.history}</h2>
      <Journal events={s.history} goesOn={s.history_goes_on} of={{ name: s.name }} />
    {/if}
  {/if}
</Sheet>

<style>
  .verdict {
    display: flex;
    flex-wrap: wrap;
    gap: 0.8rem;
    font-size: 1.15rem;
    font-weight: 650;
    align-items: baseline;
  }
  .verdict .muted {
    font-weight: 400;
    font-size: 1rem;
  }
  .next {
    display: flex;
    flex-wrap: wrap;
    gap: 0.8rem;
    align-items: center;
    margin: 0.9rem 0;
  }
  h2 {
    margin: 1.1rem 0 0.4rem;
  }
  .unknown {
    margin: 0.5rem 0;
    padding-left: 0.8rem;
    border-left: 4px dashed var(--line);
  }
</style>
