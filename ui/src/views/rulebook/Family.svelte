<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';

  let {
    family,
    whole,
    choose,
  }: { family: Schemas['Rulebook']['families'][number]; whole: boolean; choose: (suffix: string) => void } = $props();
  const TITLES: Record<string, string> = {
    code: say.family.authorizationCode,
    code_days: say.family.aCodeLivesDays,
    lock: say.family.transferLock,
    approval: say.family.approval,
    years_added: say.family.yearsAddedByAMove,
    max_years: say.family.longestTermYears,
    response_days: say.family.silenceCountsAfterDays,
    auto_renew_grace_days: say.family.autoRenewGracePeriodDays,
    presence: say.family.presence,
  };
  const EFFECTS: Record<string, string> = {
    bar: 'bars',
    wait: 'delays',
    fix: say.family.toFix,
    caution: 'mind',
    step: 'step',
  };
  // Those that the rulebook’s file names; a family of many holds the rest of the Public Suffix List’s generic ones.
  const MOST = 19;
  const from = (s: Schemas['RuleSource']) =>
    s.text +
    (s.kind === 'P' && !s.verified ? say.family.quotedFromMemory : '') +
    (s.kind === 'site' ? say.family.thisSitesOwnWord : '') +
    ` (${s.date})`;
</script>

<section class="panel" aria-label={family.title}>
  <h2>
    {family.title}
    {#each family.suffixes.slice(0, MOST) as s (s)}<button class="mono" onclick={() => choose(s)}>.{s}</button>{/each}
    {#if family.suffixes.length > MOST}<span class="muted">{say.family.andMore(family.suffixes.length - MOST)}</span
      >{/if}
    {#if family.overruled}<span class="own">{say.family.overruledHere}</span>{/if}
  </h2>
  <table>
    <tbody>
      {#each family.values as v (v.key)}
        {#if v.value !== null}
          <tr class:own={v.source.kind === 'site'}>
            <th scope="row">{TITLES[v.key] ?? v.key}</th>
            <td><strong>{v.value}</strong></td>
            <td class="muted">{from(v.source)}</td>
          </tr>
        {/if}
      {/each}
      <tr>
        <th scope="row">{say.family.aWholeMoveTakesHours}</th>
        <td><strong class="num">{family.move_hours.join(' · ')}</strong></td>
        <td class="muted">{say.family.leastUsualMostNineOf(family.p90_hours)}</td>
      </tr>
    </tbody>
  </table>
  {#if whole}
    <table>
      <thead
        ><tr
          ><th>{say.family.rule}</th><th>{say.family.effect}</th><th>{say.family.whatItSays}</th><th
            >{say.family.from}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each family.rules as r (r.id)}
          <tr class:own={r.source.kind === 'site'}>
            <th scope="row" class="mono">{r.id}</th>
            <td>{EFFECTS[r.effect]}{r.days !== null ? say.family.days(r.days) : ''}</td>
            <td>{r.because} <span class="muted">{r.remedy}</span></td>
            <td class="muted">{from(r.source)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="muted rules">
      {say.family.rules(family.rules.map((r) => r.id + (r.days !== null ? ` (${r.days} d)` : '')).join(', '))}
    </p>
  {/if}
  {#if family.without.length}<p class="muted rules">{say.family.notHere(family.without.join(', '))}</p>{/if}
</section>

<style>
  h2 {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 0.7rem;
    align-items: baseline;
  }
  h2 button {
    font-weight: 400;
    color: var(--loden);
    cursor: pointer;
    text-decoration: underline;
  }
  table {
    margin-top: 0.5rem;
    width: 100%;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 0.15rem 1rem 0.15rem 0;
    font-weight: 400;
  }
  th[scope='row'] {
    width: 17rem;
    white-space: nowrap;
  }
  thead th {
    color: var(--muted);
  }
  .own {
    color: var(--ochre);
  }
  .rules {
    font-size: 0.92rem;
    margin-top: 0.4rem;
  }
  @media (max-width: 800px) {
    th[scope='row'] {
      white-space: normal;
    }
    td {
      overflow-wrap: anywhere;
    }
  }
</style>
