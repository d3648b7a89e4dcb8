<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';

  let {
    family,
    titles,
    whole,
    choose,
  }: {
    family: Schemas['Rulebook']['families'][number];
    titles: Record<string, string>;
    whole: boolean;
    choose: (suffix: string) => void;
  } = $props();
  const EFFECTS: Record<string, string> = {
    bar: 'bars',
    wait: 'delays',
    fix: say.family.toFix,
    caution: 'mind',
    step: 'step',
  };
  // Those that the rulebook’s file names; a family of many holds the rest of the Public Suffix
  // List’s generic ones.
  const MOST = 19;
  const from = (s: Schemas['RuleSource']) =>
    s.text +
    (s.kind === 'P' && !s.verified ? say.family.fromMemory : '') +
    (s.kind === 'site' ? say.family.ownRuleNote : '') +
    ` (${s.date})`;
</script>

<section class="panel" aria-label={family.title}>
  <h2>
    {family.title}
    {#each family.suffixes.slice(0, MOST) as s (s)}<button class="mono" onclick={() => choose(s)}
        >.{s}</button
      >{/each}
    {#if family.suffixes.length > MOST}<span class="muted"
        >{say.family.andMore(family.suffixes.length - MOST)}</span
      >{/if}
    {#if family.overruled}<span class="own">{say.family.overruledHere}</span>{/if}
  </h2>
  <table>
    <tbody>
      {#each family.values as v (v.key)}
        {#if v.value !== null}
          <tr class:own={v.source.kind === 'site'}>
            <th scope="row">{titles[v.key]}</th>
            <td><strong>{v.value}</strong></td>
            <td class="muted">{from(v.source)}</td>
          </tr>
        {/if}
      {/each}
      <tr>
        <th scope="row">{say.family.wholeMove}</th>
        <td><strong class="num">{family.move_hours.join(' · ')}</strong></td>
        <td class="muted">{say.family.spanOf(family.p90_hours)}</td>
      </tr>
    </tbody>
  </table>
  {#if whole}
    <table>
      <thead
        ><tr
          ><th>{say.family.rule}</th><th>{say.family.effect}</th><th>{say.family.ruleSays}</th><th
            >{say.family.from}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each family.rules as r (r.id)}
          <tr class:own={r.source.kind === 'site'}>
            <th scope="row">{titles[r.id]}</th>
            <td>{EFFECTS[r.effect]}{r.days !== null ? say.family.days(r.days) : ''}</td>
            <td>{r.because} <span class="muted">{r.remedy}</span></td>
            <td class="muted">{from(r.source)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="muted rules">
      {say.family.rules(
        family.rules
          .map((r) => titles[r.id] + (r.days !== null ? say.family.inDays(r.days) : ''))
          .join(', '),
      )}
    </p>
  {/if}
  {#if family.without.length}<p class="muted rules">
      {say.family.notHere(family.without.map((id) => titles[id]).join(', '))}
    </p>{/if}
</section>

<style>
  h2 {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 8px;
    align-items: baseline;
  }
  h2 button {
    font-weight: 400;
    color: var(--loden);
    cursor: pointer;
    text-decoration: underline;
  }
  table {
    margin-top: 8px;
    width: 100%;
    table-layout: fixed;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 2px 16px 2px 0;
    font-weight: 400;
    overflow-wrap: anywhere;
  }
  th:first-child {
    width: 26%;
  }
  th + td {
    width: 14%;
  }
  thead th {
    color: var(--muted);
  }
  thead th:nth-child(2) {
    width: 14%;
  }
  thead th:last-child {
    width: 22%;
  }
  .own {
    color: var(--ochre);
  }
  .rules {
    font-size: var(--note);
    margin-top: 8px;
  }
  @media (max-width: 600px) {
    tr {
      display: block;
      padding: 4px 0;
      border-top: 1px solid var(--line);
    }
    thead {
      display: none;
    }
    th,
    td {
      display: block;
      width: auto !important;
      padding-right: 0;
    }
  }
</style>
