<script lang="ts">
  import type { NameSheet } from '../../lib/api';
  import { day, money } from '../../lib/words';
  import Facts from './Facts.svelte';
  import { say } from '../../lib/say';

  /** What is known, by theme; with the evidence, every fact with its source and age. */
  let { sheet, evidence }: { sheet: NameSheet; evidence: boolean } = $props();
  const DNS = ['name_servers', 'dns_host', 'zone_ends_with_account', 'signed', 'tied_services'];
  const PEOPLE =
    /^(registrant|admin|technical)_|^(public_email|privacy|mailbox|change_opted_out|presence_proven)$/;
  const MONEY = ['paid', 'premium', 'stay_price'];
  const theme = (key: string) =>
    DNS.includes(key)
      ? 'dns'
      : MONEY.includes(key)
        ? 'money'
        : PEOPLE.test(key)
          ? 'people'
          : 'registration';
  const of = (name: string) => sheet.facts.filter((f) => theme(f.key) === name);
  const value = (key: string) => sheet.facts.find((f) => f.key === key)?.value;
  const statuses = $derived((value('statuses') as string[] | undefined) ?? []);
  const signed = $derived(value('signed') as boolean | undefined);
</script>

<div class="grid grid-cols-[repeat(auto-fit,minmax(min(20rem,100%),1fr))] gap-y-2 gap-x-6">
  <section>
    <h2 class="text-body mb-1">{say.nameSheet.registration}</h2>
    <dl>
      <dt>{say.nameSheet.account}</dt>
      <dd>{sheet.account}</dd>
      <dt>{say.nameSheet.suffix}</dt>
      <dd>.{sheet.suffix}{sheet.family ? `: ${sheet.family.toLowerCase()}` : ''}</dd>
      <dt>{say.nameSheet.expiry}</dt>
      <dd>{sheet.expires_at ? day(sheet.expires_at) : say.nameSheet.notKnown}</dd>
      <dt>{say.nameSheet.status}</dt>
      <dd>{statuses.join(', ') || say.nameSheet.notKnown}</dd>
    </dl>
    {#if evidence}<Facts facts={of('registration')} />{/if}
  </section>
  <section>
    <h2 class="text-body mb-1">{say.nameSheet.dns}</h2>
    <dl>
      <dt>{say.nameSheet.dnsHost}</dt>
      <dd>{sheet.dns_host ?? say.nameSheet.notKnown}</dd>
      <dt>{say.nameSheet.nameServers}</dt>
      <dd class="mono">
        {#each sheet.name_servers as server (server)}<div>{server}</div>{:else}{say.nameSheet
            .none}{/each}
      </dd>
      <dt>{say.nameSheet.dnssec}</dt>
      <dd>
        {signed === undefined
          ? say.nameSheet.notKnown
          : signed
            ? say.nameSheet.signed
            : say.nameSheet.notSigned}
      </dd>
    </dl>
    {#if evidence}<Facts facts={of('dns')} />{/if}
  </section>
  <section>
    <h2 class="text-body mb-1">{say.nameSheet.money}</h2>
    <dl>
      <dt>{say.nameSheet.stayPrice}</dt>
      <dd class="num">
        {sheet.stay ? say.nameSheet.aYear(money(sheet.stay)) : say.nameSheet.notKnown}
      </dd>
    </dl>
    {#if evidence}<Facts facts={of('money')} />{/if}
  </section>
</div>
{#if evidence && of('people').length}
  <h2 class="text-body mb-1">{say.nameSheet.people}</h2>
  <Facts facts={of('people')} />
{/if}
{#if sheet.contradictions.length}
  <p class="unknown">
    {say.nameSheet.contradiction(sheet.contradictions.join(', '))}
  </p>
{/if}

<style>
  .unknown {
    margin: 8px 0;
    padding-left: 16px;
    border-left: 4px dashed var(--line);
  }
</style>
