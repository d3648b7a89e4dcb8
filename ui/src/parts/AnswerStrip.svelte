<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../lib/api';
  import { clock } from '../lib/clock.svelte';
  import { range, stamp } from '../lib/words';
  import { say } from '../lib/say';
  import TwoFutures from './TwoFutures.svelte';

  /**
   * The answers to what a person asks first, always in one order and in one row: when it is done,
   * whether site and mail stay up, what it costs, what comes of it. Whether it may move, and what
   * is next, the head above says.
   */
  let {
    finish,
    futures,
    uptime,
    cost,
    result,
    ahead = true,
    drawn = false,
    expires,
  }: {
    finish?: string[];
    futures?: Schemas['Futures'];
    uptime: Schemas['Uptime'] | undefined;
    cost: Snippet;
    result: Snippet;
    /** Is it still to come? Of what is over nobody asks when it is done. */
    ahead?: boolean;
    /** Are the two futures drawn, too? With the expiry, where it is within what is ahead. */
    drawn?: boolean;
    expires?: string | null | undefined;
  } = $props();
  const [early, usual, late] = $derived(finish ?? []);
  const at = (iso: string) => stamp(iso, clock.now);
</script>

<dl
  class="answers grid grid-cols-[repeat(4,minmax(0,1fr))] gap-y-2 gap-x-6 py-4 px-0
      @max-[600px]/sheet:grid-cols-[repeat(2,minmax(0,1fr))]"
  aria-label={say.answers.inShort}
>
  {#if ahead}
    <div>
      <dt>{futures ? say.answers.ifYouAct : say.answers.doneBy}</dt>
      {#if early && usual && late}
        <dd class="num">
          <strong>{at(futures?.acting ?? usual)}</strong>
          <span>{range(early, late, clock.now)}</span>
          {#if futures}<span
              >{say.answers.ifNobody[futures.means](futures.silent ? at(futures.silent) : '')}</span
            >{/if}
        </dd>
      {:else}<dd>{say.answers.notKnown}</dd>{/if}
    </div>
    <div>
      <dt>{say.answers.siteAndMail}</dt>
      {#if uptime}
        <dd>
          <strong>{uptime.word}</strong>
          <span>{uptime.because}</span>
        </dd>
      {:else}<dd>{say.answers.notKnown}</dd>{/if}
    </div>
  {/if}
  <div>
    <dt>{say.answers.cost}</dt>
    <dd class="num">{@render cost()}</dd>
  </div>
  <div>
    <dt>{say.answers.result}</dt>
    <dd class="num">{@render result()}</dd>
  </div>
</dl>
{#if drawn && ahead && futures && finish?.length === 3}<TwoFutures
    {finish}
    {futures}
    {expires}
  />{/if}

<style>
  dt,
  dd :global(span) {
    font-size: var(--note);
  }
  dd {
    overflow-wrap: anywhere;
  }
  dd :global(strong) {
    font-weight: 600;
  }
  dd :global(span) {
    display: block;
    color: var(--muted);
  }
</style>
