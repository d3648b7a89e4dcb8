<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Select } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { navigate, p, route } from '../../router';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import AimsFields from './AimsFields.svelte';
  import Prices from './Prices.svelte';
  import Proposal from './Proposal.svelte';
  import DnsQuestion from './DnsQuestion.svelte';
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
  const host = $derived(
    chosen === null
      ? sheet.data?.needs_carry
        ? (sheet.data.carry_host ?? '')
        : ''
      : String(chosen),
  );
  const choice = $derived(
    chosen?.startsWith('choice:') ? chosen.slice(7) : String(searchParams.get('choice') ?? ''),
  );
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
  const usual = $derived(accounts.find((a) => a.id === to)?.aims ?? {});
  const proposal = createQuery(() => ({
    queryKey: ['proposal', body],
    queryFn: () => ask(api.POST('/api/proposals', { body })),
    enabled: Boolean(to && sheet.data),
    ...draft,
  }));
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
    <div class="choices">
      <div>
        <Label for="to">{say.plan.destination}</Label>
        <Select
          id="to"
          placeholder=""
          items={accounts.map((a) => ({ value: a.id, name: a.title }))}
          value={to}
          onchange={(e: Event) =>
            searchParams.set('to', (e.currentTarget as HTMLSelectElement).value)}
        />
      </div>
      <div>
        <Label for="host">{say.plan.recordsTitle}</Label>
        <Select
          id="host"
          placeholder=""
          items={[
            {
              value: '',
              name: sheet.data.needs_carry ? say.plan.chooseAHost : say.plan.keepServers,
            },
            ...hosts.map((h) => ({ value: h.id, name: say.plan.carryTo(h.title) })),
            { value: 'choice:later', name: say.plan.serversThatCome },
            ...(sheet.data.needs_carry
              ? [{ value: 'choice:stay', name: say.plan.leaveBehind }]
              : []),
          ]}
          value={host}
          onchange={(e: Event) => {
            searchParams.delete('choice');
            searchParams.set('host', (e.currentTarget as HTMLSelectElement).value);
          }}
        />
        <a href={p('/records/:name', { params: { name } })}>{say.plan.openRecords}</a>
      </div>
    </div>
    {#if proposal.data?.zone?.greatest && proposal.data.zone.greatest > 300}
      <p>
        <label
          ><input
            type="checkbox"
            checked={proposal.data.zone.lowered !== null}
            onchange={(e) => (lower = e.currentTarget.checked)}
          />
          {say.plan.lowerTtls(span(proposal.data.zone.greatest * 1000))}</label
        >
      </p>
    {/if}
    <Prices {name} chosen={to} choose={(id) => searchParams.set('to', id)} />
    <AimsFields id="aims" {usual} bind:aims />
    {#if proposal.data}
      <Ready
        account={to}
        checks={proposal.data.ready}
        {currency}
        suffix={sheet.data.suffix}
        done={() => void proposal.refetch()}
      />
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
      {#if proposal.data.late}
        <fieldset class="late">
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
      <Stale at={proposal.dataUpdatedAt} again={() => void proposal.refetch()} />
      <Proposal proposal={proposal.data}>
        {#snippet act()}
          <div class="start">
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
            <span class="muted">
              {say.plan.startNote}
            </span>
          </div>
        {/snippet}
      </Proposal>
      <p><a href={p('/names/:name/ready', { params: { name } })}>{say.prepare.link}</a></p>
    {:else if proposal.isPending && to}
      <p class="muted" role="status">{say.plan.planning}</p>
    {:else if !accounts.length}
      <p>{say.plan.noDestination}</p>
    {/if}
  {/if}
</Sheet>

<style>
  .late {
    display: grid;
    gap: 4px;
    margin: 8px 0;
    padding: 8px 16px;
    border-left: 4px solid var(--ochre-fill);
    background: var(--ochre-soft);
  }
  .late legend {
    float: left;
    font-weight: 600;
  }
  .start {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 16px;
    margin-bottom: 16px;
  }
  .start .muted {
    flex: 1 1 16rem;
  }
</style>
