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
  <h2 class="flex flex-wrap gap-y-1 gap-x-2 items-baseline">
    {family.title}
    {#each family.suffixes.slice(0, MOST) as s (s)}<button
        class="mono font-normal text-loden cursor-pointer underline"
        onclick={() => choose(s)}>.{s}</button
      >{/each}
    {#if family.suffixes.length > MOST}<span class="muted"
        >{say.family.andMore(family.suffixes.length - MOST)}</span
      >{/if}
    {#if family.overruled}<span class="text-ochre">{say.family.overruledHere}</span>{/if}
  </h2>
  <table class="figures mt-2 table-fixed">
    <tbody>
      {#each family.values as v (v.key)}
        {#if v.value !== null}
          <tr class:text-ochre={v.source.kind === 'site'}>
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
    <table class="figures mt-2 table-fixed">
      <thead class="max-[600px]:hidden"
        ><tr
          ><th>{say.family.rule}</th><th>{say.family.effect}</th><th>{say.family.ruleSays}</th><th
            >{say.family.from}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each family.rules as r (r.id)}
          <tr class:text-ochre={r.source.kind === 'site'}>
            <th scope="row">{titles[r.id]}</th>
            <td>{EFFECTS[r.effect]}{r.days !== null ? say.family.days(r.days) : ''}</td>
            <td>{r.because} <span class="muted">{r.remedy}</span></td>
            <td class="muted">{from(r.source)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="muted text-note mt-2">
      {say.family.rules(
        family.rules
          .map((r) => titles[r.id] + (r.days !== null ? say.family.inDays(r.days) : ''))
          .join(', '),
      )}
    </p>
  {/if}
  {#if family.without.length}<p class="muted text-note mt-2">
      {say.family.notHere(family.without.map((id) => titles[id]).join(', '))}
    </p>{/if}
</section>

<style>
  th {
    font-weight: 400;
  }
  th:first-child {
    width: 26%;
  }
  :is(th + td, thead th:nth-child(2)) {
    width: 14%;
  }
  thead th {
    color: var(--muted);
  }
  thead th:last-child {
    width: 22%;
  }
  @media (max-width: 600px) {
    :is(tr, th, td) {
      display: block;
      width: auto !important;
    }
    td {
      border-top: 0 !important;
    }
  }
</style>
