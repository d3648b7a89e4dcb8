<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../lib/api';
  import { clock } from '../lib/clock.svelte';
  import { stamp } from '../lib/words';
  import { say } from '../lib/say';

  /** The answers to what a person asks first, always in one order. */
  let {
    may,
    next,
    finish,
    futures,
    uptime,
    cost,
    result,
  }: {
    may: Snippet;
    next?: Snippet | undefined;
    finish?: string[];
    futures?: Schemas['Futures'];
    uptime: string | undefined;
    cost: Snippet;
    result?: Snippet | undefined;
  } = $props();
  const [early, usual, late] = $derived(finish ?? []);
</script>

<dl class="answers" aria-label={say.answers.inShort}>
  <div>
    <dt>{say.answers.mayMove}</dt>
    <dd>{@render may()}</dd>
  </div>
  {#if next}
    <div class="wide">
      <dt>{say.answers.next}</dt>
      <dd>{@render next()}</dd>
    </div>
  {/if}
  {#if early && usual && late}
    <div>
      <dt>{say.answers.doneBy}</dt>
      <dd class="num">
        {#if futures}
          <strong>{say.answers.ifYouAct(stamp(futures.acting, clock.now))}</strong>
          <span class="muted"
            >{say.answers.ifNobody[futures.means](
              futures.silent ? stamp(futures.silent, clock.now) : '',
            )}</span
          >
        {:else}<strong>{stamp(usual, clock.now)}</strong>{/if}
        <span class="muted"
          >{say.answers.range(stamp(early, clock.now), stamp(late, clock.now))}</span
        >
      </dd>
    </div>
  {/if}
  <div>
    <dt>{say.answers.siteAndMail}</dt>
    <dd>{uptime ?? say.answers.notKnown}</dd>
  </div>
  <div>
    <dt>{say.answers.cost}</dt>
    <dd class="num">{@render cost()}</dd>
  </div>
  {#if result}
    <div>
      <dt>{say.answers.result}</dt>
      <dd>{@render result()}</dd>
    </div>
  {/if}
</dl>

<style>
  .answers {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(11.5rem, 100%), 1fr));
    gap: 0.6rem 1.2rem;
    padding: 0.6rem 0;
    margin: 0.2rem 0 0.8rem;
    border-block: 1px solid var(--line);
  }
  dt {
    font-size: 0.88rem;
  }
  dd {
    overflow-wrap: anywhere;
  }
  dd .muted {
    display: block;
    font-size: 0.9rem;
  }
</style>
