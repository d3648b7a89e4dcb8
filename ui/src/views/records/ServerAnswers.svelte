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
  const state = (a: Schemas['ServerSaid']) =>
    (a.role === 'parent' && say.serverAnswers.parent[a.state]) ||
    say.serverAnswers.states[a.state] ||
    a.state;
</script>

{#if answers.length}
  <div class="box scroll">
    <table>
      <thead>
        <tr>
          <th scope="col" class="server">{say.serverAnswers.server}</th>
          <th scope="col">{say.serverAnswers.says}</th>
          <th scope="col" class="time">{say.serverAnswers.overTime}</th>
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
              <span class="state {s.last.state}">{state(s.last)}</span>
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
              {#if s.last.name_servers.length}<p class="mono small">
                  {s.last.name_servers.join(', ')}
                </p>{/if}
              {#if s.last.ds.length}<p class="mono small">
                  {say.serverAnswers.ds}: {s.last.ds.join('; ')}
                </p>{/if}
              {#if s.last.glue.length}<p class="mono small">
                  {say.serverAnswers.glue}: {s.last.glue.join(', ')}
                </p>{/if}
            </td>
            <td class="time">
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
                    height="12"
                    ><title
                      >{state(a)}: {stamp(a.since, clock.now)} – {stamp(
                        a.seen_at,
                        clock.now,
                      )}</title
                    ></rect
                  >
                {/each}
              </svg>
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{:else}<p class="muted">{say.serverAnswers.none}</p>{/if}

<style>
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 8px 8px;
    border-bottom: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  th {
    color: var(--muted);
    font-weight: 600;
  }
  .time {
    width: 26%;
  }
  .server {
    width: 32%;
  }
  .state {
    font-weight: 600;
  }
  .small {
    font-size: var(--note);
  }
  rect {
    fill: var(--slate-soft);
    stroke: var(--slate);
    stroke-width: 0.3;
  }
  rect.new,
  rect.both {
    fill: var(--loden);
  }
  rect.old {
    fill: var(--ochre-fill);
  }
  rect.neither,
  rect.silent,
  rect.refused,
  rect.nothing {
    fill: var(--madder-soft);
    stroke: var(--madder);
  }
  @media (max-width: 800px) {
    .time {
      display: none;
    }
  }
</style>
