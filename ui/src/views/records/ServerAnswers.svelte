<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { stamp } from '../../lib/words';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** What each name server answered, now and over time. */
  let { answers }: { answers: Schemas['ServerSaid'][] } = $props();
  const from = $derived(Math.min(...answers.map((a) => Date.parse(a.since))));
  const to = $derived(Math.max(...answers.map((a) => Date.parse(a.seen_at)), from + 60_000));
  const keys = $derived([...new Set(answers.map((a) => `${a.role} ${a.server}`))]);
  const servers = $derived(
    keys.map((key) => {
      const all = answers.filter((a) => `${a.role} ${a.server}` === key);
      return { key, all, last: all.at(-1)! };
    }),
  );
  const X = (iso: string) => ((Date.parse(iso) - from) / (to - from)) * 100;
  const during = (a: Schemas['ServerSaid']) =>
    `${state(a)}: ${stamp(a.since, clock.now)} – ${stamp(a.seen_at, clock.now)}`;
  const state = (a: Schemas['ServerSaid']) =>
    (a.role === 'parent' && say.serverAnswers.parent[a.state]) ||
    say.serverAnswers.states[a.state] ||
    a.state;
</script>

{#if answers.length}
  <table class="rows">
    <thead>
      <tr>
        <th scope="col" class="w-[32%]">{say.serverAnswers.server}</th>
        <th scope="col">{say.serverAnswers.says}</th>
        <th scope="col" class="w-[26%] max-[800px]:hidden">{say.serverAnswers.overTime}</th>
      </tr>
    </thead>
    <tbody>
      {#each servers as s (s.key)}
        <tr>
          <td
            ><span class="mono">{s.last.server}</span><br /><span class="muted"
              >{say.serverAnswers.roles[s.last.role]}</span
            ></td
          >
          <td>
            <span class="font-semibold {s.last.state}">{state(s.last)}</span>
            {#if s.last.serial !== null}<span class="muted num"
                >{say.serverAnswers.serial(s.last.serial)}</span
              >{/if}
            <span class="muted">{say.serverAnswers.since} <When at={s.last.since} bare /></span>
            {#if s.last.why}<p class="muted">{s.last.why}</p>{/if}
            {#if s.last.count && s.last.differs.length}
              <details>
                <summary>{say.serverAnswers.differs(s.last.count)}</summary>
                <ul>
                  {#each s.last.differs as d (d)}<li>{d}</li>{/each}
                </ul>
              </details>
            {/if}
            {#if s.last.name_servers.length}<p class="mono note">
                {s.last.name_servers.join(', ')}
              </p>{/if}
            {#if s.last.ds.length}<p class="mono note">
                {say.serverAnswers.ds}: {s.last.ds.join('; ')}
              </p>{/if}
            {#if s.last.glue.length}<p class="mono note">
                {say.serverAnswers.glue}: {s.last.glue.join(', ')}
              </p>{/if}
          </td>
          <td class="max-[800px]:hidden">
            <svg
              viewBox="0 0 100 16"
              preserveAspectRatio="none"
              width="100%"
              height="16"
              role="img"
              aria-label={say.serverAnswers.picture(s.last.server, s.all.length)}
            >
              {#each s.all as a, i (a.since + a.state)}
                {@const next = s.all[i + 1]}
                <rect
                  class={a.state}
                  x={X(a.since)}
                  y="2"
                  width={Math.max(1.2, X(next ? next.since : a.seen_at) - X(a.since))}
                  height="12"><title>{during(a)}</title></rect
                >
              {/each}
            </svg>
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
{:else}<p class="muted">{say.serverAnswers.none}</p>{/if}

<style>
  rect {
    fill: var(--slate-soft);
    stroke: var(--slate);
    stroke-width: 0.3;
  }
  rect:is(.new, .both) {
    fill: var(--loden);
  }
  rect.old {
    fill: var(--ochre-fill);
  }
  rect:is(.neither, .silent, .refused, .nothing) {
    fill: var(--madder-soft);
    stroke: var(--madder);
  }
</style>
