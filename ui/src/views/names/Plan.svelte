<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { navigate, p, route } from '../../router';
  import Choice from '../../parts/Choice.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import AimsFields from './AimsFields.svelte';
  import AskPrice from './AskPrice.svelte';
  import Prices from './Prices.svelte';
  import Proposal from './Proposal.svelte';
  import DnsQuestion from './DnsQuestion.svelte';
  import StageLine from './StageLine.svelte';
  import Stages from '../moves/Stages.svelte';
  import Track from '../moves/Track.svelte';
  import Ready from './Ready.svelte';
  import May from '../../parts/May.svelte';
  import { money, span } from '../../lib/words';
  import { draft, refresh } from '../../lib/live.svelte';
  import Stale from '../../parts/Stale.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const sheet = createQuery(() => ({
    queryKey: ['name', name],
    queryFn: () => ask(api.GET('/api/names/{name}', { params: { path: { name } } })),
  }));
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const accounts = $derived(
    (places.data?.accounts ?? []).filter((a) => a.id !== sheet.data?.account_id),
  );
  // A host that ends with the account where the name goes is as good as one that stands by itself.
  const hosts = $derived(
    (places.data?.hosts ?? []).filter(
      (h) =>
        h.title !== sheet.data?.dns_host &&
        (!h.ends_with || h.ends_with === to) &&
        !h.id.startsWith('later-'),
    ),
  );

  const to = $derived(
    String(searchParams.get('to') ?? '') ||
      (accounts.find((a) => a.id === places.data?.usual_destination) ?? accounts[0])?.id ||
      '',
  );
  const chosen = $derived(searchParams.get('host') as string | null);
  // What is chosen without a host of its own.
  const BARE = ['later', 'copy', 'stay'];
  const asked = $derived(String(searchParams.get('choice') ?? ''));
  const host = $derived(
    !chosen && BARE.includes(asked)
      ? `choice:${asked}`
      : chosen === null
        ? sheet.data?.needs_carry
          ? (sheet.data.carry_host ?? '')
          : ''
        : String(chosen),
  );
  const choice = $derived(host.startsWith('choice:') ? host.slice(7) : asked);
  let lower = $state<boolean | null>(null);
  let aims = $state<Schemas['Aims']>({});
  let late = $state<'renew' | 'go' | null>(null);
  const body = $derived({
    name,
    to,
    host: host && !host.startsWith('choice:') ? host : null,
    choice: (choice || null) as Schemas['NewMove']['choice'],
    lower,
    late,
    aims,
  });
  const destination = $derived(accounts.find((a) => a.id === to));
  const usual = $derived(destination?.aims ?? {});
  const proposal = createQuery(() => ({
    queryKey: ['proposal', body],
    queryFn: () => ask(api.POST('/api/proposals', { body })),
    enabled: Boolean(to && sheet.data),
    ...draft,
  }));
  const recordChoices = $derived([
    ['', sheet.data?.needs_carry ? say.plan.chooseAHost : say.plan.keepServers] as const,
    ...hosts.map((h) => [h.id, say.plan.carryTo(h.title)] as const),
    ...(destination && destination.copies_zone !== false
      ? [['choice:copy', say.plan.copiedBy(destination.title)] as const]
      : []),
    [
      'choice:later',
      destination?.gives_servers ? say.plan.serversWithOrder : say.plan.serversThatCome,
    ] as const,
    ...(sheet.data?.needs_carry ? [['choice:stay', say.plan.leaveBehind] as const] : []),
  ]);
  // What the plan can't reckon with: it is asked for, and never taken as nothing.
  const lacking = $derived.by(() => {
    const quote = proposal.data?.quote;
    if (quote && !quote.fee) return ['transfer', 'renew'] as const;
    return quote?.without.includes('privacy') ? (['privacy'] as const) : [];
  });
  const lackingHere = $derived(
    proposal.data?.quote.without.includes('stay_privacy')
      ? (['privacy'] as const)
      : (['renew'] as const),
  );
  const currency = $derived(proposal.data?.quote.total?.currency ?? 'EUR');
  const start = createMutation(() => ({
    // with the price that was shown: another one now is refused, and the plan is worked out anew
    mutationFn: () =>
      ask(api.POST('/api/moves', { body: { ...body, price: proposal.data?.total ?? null } })),
    onError: () => void proposal.refetch(),
    onSuccess: (data) => {
      void refresh(client, 'names', 'desk', 'moves', 'hands');
      void navigate('/moves/:id', { params: { id: String(data.id) } });
    },
  }));
</script>

{#snippet answer()}
  {#if proposal.data}
    {proposal.data.startable
      ? say.plan.canStart(proposal.data.to)
      : say.plan.cantStart(proposal.data.to)}
  {/if}
{/snippet}

<Sheet
  title={say.plan.planTitle(sheet.data?.unicode ?? name)}
  back="/names"
  answer={proposal.data ? answer : undefined}
>
  <Trouble error={sheet.error ?? places.error ?? proposal.error ?? start.error} />
  {#if sheet.data && places.data}
    <div
      class="plan grid gap-y-4 gap-x-8 grid-cols-1
        @min-[600px]/sheet:grid-cols-[minmax(0,15rem)_minmax(0,1fr)]"
    >
      <div class="left grid gap-4 content-start">
        <Choice
          id="to"
          label={say.plan.destination}
          of={accounts.map((a) => [a.id, a.title] as const)}
          bind:value={() => to, (id) => searchParams.set('to', id)}
        />
        <div>
          <Choice
            id="host"
            label={say.plan.recordsTitle}
            of={recordChoices}
            bind:value={
              () => host,
              (v) => {
                searchParams.delete('choice');
                searchParams.set('host', v);
              }
            }
          />
          <a class="note" href={p('/records/:name', { params: { name } })}>{say.plan.openRecords}</a
          >
        </div>
        {#if proposal.data?.zone?.greatest && proposal.data.zone.greatest > 300}
          <label
            ><input
              type="checkbox"
              checked={proposal.data.zone.lowered !== null}
              onchange={(e) => (lower = e.currentTarget.checked)}
            />
            {say.plan.lowerTtls(span(proposal.data.zone.greatest * 1000))}</label
          >
        {/if}
        {#if proposal.data?.late}
          <fieldset
            class="late grid gap-1 my-2 mx-0 py-2 px-4 border-l-4 border-l-ochre-fill
              bg-ochre-soft"
          >
            <legend>{say.plan.itMayExpireOnTheWay}</legend>
            <label
              ><input type="radio" bind:group={late} value="renew" />
              {say.plan.renewFirst(sheet.data.account)}
              <span class="muted num"
                >{proposal.data.quote.stay
                  ? money(proposal.data.quote.stay)
                  : say.plan.priceNotKnown}</span
              ></label
            >
            <label><input type="radio" bind:group={late} value="go" /> {say.plan.acceptRisk}</label>
          </fieldset>
        {/if}
        <AimsFields id="aims" {usual} bind:aims />
        {#if proposal.data}
          <May operation="changeAccount">
            {#if lacking.length}
              {#key to}
                <AskPrice
                  account={to}
                  title={proposal.data.to}
                  suffix={sheet.data.suffix}
                  lacks={lacking}
                  done={() => void proposal.refetch()}
                />
              {/key}
            {/if}
            {#if !proposal.data.quote.stay}
              <AskPrice
                account={sheet.data.account_id}
                title={sheet.data.account}
                suffix={sheet.data.suffix}
                lacks={lackingHere}
                done={() => void proposal.refetch()}
              />
            {/if}
          </May>
        {/if}
        {#if proposal.data}
          <Ready
            account={to}
            checks={proposal.data.ready}
            {currency}
            suffix={sheet.data.suffix}
            done={() => void proposal.refetch()}
          />
        {/if}
      </div>
      <div class="right min-w-0 @container/sheet">
        {#if proposal.data}
          {#if proposal.data.dns_question.length}
            <DnsQuestion
              {name}
              servers={proposal.data.dns_question}
              at={sheet.data.account}
              done={() => {
                void refresh(client, 'names', 'desk', 'moves', 'hands');
                void proposal.refetch();
              }}
            />
          {/if}
          <Stale at={proposal.dataUpdatedAt} again={() => void proposal.refetch()} />
          <Proposal proposal={proposal.data}>
            {#snippet act()}
              <div class="start flex flex-wrap items-center gap-y-2 gap-x-4 mb-4" data-act>
                <May operation="startMove"
                  ><Button
                    disabled={!proposal.data.startable || start.isPending}
                    onclick={() => start.mutate()}
                  >
                    {proposal.data.total
                      ? say.plan.startFor(money(proposal.data.total))
                      : say.plan.startUnpriced}
                  </Button></May
                >
                <span class="note muted flex-[1_1_16rem]">{say.plan.startNote}</span>
              </div>
            {/snippet}
          </Proposal>
        {:else if proposal.isPending && to}
          <p class="muted" role="status">{say.plan.planning}</p>
        {:else if !accounts.length}
          <p>{say.plan.noDestination}</p>
        {/if}
      </div>
    </div>
    {#if proposal.data}
      <StageLine steps={proposal.data.steps} blocks={proposal.data.blocks} />
      <details class="fold">
        <summary>{say.proposal.stepsTitle}</summary>
        <Track
          steps={proposal.data.steps}
          blocks={proposal.data.blocks}
          finish={proposal.data.finish}
          futures={proposal.data.futures ?? undefined}
        />
        <Stages steps={proposal.data.steps} open={false} />
      </details>
    {/if}
    <Prices {name} chosen={to} choose={(id) => searchParams.set('to', id)} />
    <p><a href={p('/names/:name/ready', { params: { name } })}>{say.prepare.link}</a></p>
  {/if}
</Sheet>

<style>
  .late legend {
    float: left;
    font-weight: 600;
  }
</style>
