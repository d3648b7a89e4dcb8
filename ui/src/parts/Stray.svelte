<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api';
  import ForGood from './ForGood.svelte';
  import May from './May.svelte';
  import Trouble from './Trouble.svelte';
  import When from './When.svelte';
  import { p } from '../router';
  import { refresh } from '../lib/live.svelte';
  import { say } from '../lib/say';

  /**
   * A transfer of a held name that nobody here ordered: what it is, until when, how to refuse it,
   * and after.
   */
  let {
    stray,
    named = true,
    brief = false,
  }: {
    stray: Schemas['Stray'];
    named?: boolean;
    /** Without who says so, which stands on its name's own sheet. */
    brief?: boolean;
  } = $props();
  const client = useQueryClient();
  const params = $derived({ path: { name: stray.name } });
  let who = $state('');
  let asking = $state(false);
  type Act = 'refuse' | 'said' | 'expect' | 'unexpect' | 'safe' | 'code';
  const act = createMutation(() => ({
    mutationFn: (what: Act) => {
      switch (what) {
        case 'refuse':
          return ask(api.POST('/api/strays/{name}/refuse', { params }));
        case 'said':
          return ask(api.POST('/api/strays/{name}/said-refused', { params }));
        case 'expect':
          return ask(
            api.POST('/api/strays/{name}/expected', { params, body: { ordered_by: who } }),
          );
        case 'unexpect':
          return ask(api.POST('/api/strays/{name}/unexpected', { params }));
        default:
          return ask(
            api.POST('/api/strays/{name}/safe', { params, body: { code_set: what === 'code' } }),
          );
      }
    },
    onSuccess: () => (asking = false),
    onSettled: () => refresh(client, 'desk', 'names', 'post'),
  }));
  const at = $derived(stray.at ?? '');
</script>

{#snippet name()}
  {#if named}<a class="mono" href={p('/names/:name', { params: { name: stray.name } })}
      >{stray.unicode}</a
    >{:else}<span class="mono">{stray.unicode}</span>{/if}
{/snippet}

<section
  class="box raised p-4 bg-madder-soft border-l-[6px] border-l-madder grid
      grid-cols-[minmax(0,1fr)_max-content] gap-y-2 gap-x-6 items-center
      max-[800px]:grid-cols-1"
  class:quiet={stray.state === 'expected'}
  role={stray.state === 'open' ? 'alert' : undefined}
>
  <div>
    {#if stray.state === 'expected'}
      <p>
        {say.stray.expectedBegins}
        {@render name()}
        {say.stray.expectedEnds(stray.ordered_by ?? '', stray.expected_by ?? '')}
        {#if stray.deadline}{say.stray.goesAhead} <When at={stray.deadline} />{/if}
      </p>
    {:else if stray.state === 'unsafe'}
      <p class="what font-semibold wrap-anywhere">
        {say.stray.codeElsewhere}
        {@render name()}{brief ? '.' : say.stray.howItEnded(stray.how ?? '')}
      </p>
      <p>
        {say.stray.safeOnly(at, stray.left.map((what) => say.stray.left[what]).join(say.stray.and))}
      </p>
    {:else}
      <p class="what font-semibold wrap-anywhere">
        {say.stray.strayBegins}
        {@render name()}{say.stray.strayEnds}
      </p>
      {#if !brief}<p>
          {stray.because}
          {#if stray.requested_by}{say.stray.strayBy(stray.requested_by)}{/if}
          {#if !stray.shown}{say.stray.notShown}{/if}
        </p>{/if}
      {#if stray.deadline}
        <p>
          {say.stray.silenceLetsItGo}
          <When at={stray.deadline} />{stray.assumed ? say.stray.reckoned : ''}
        </p>
      {/if}
      {#if stray.said_refused}
        <p>{say.stray.refusedByWord} <When at={stray.said_refused} />{say.stray.untilItShows}</p>
      {:else if !stray.refusable}
        <p class="muted">
          {say.stray.refusalByHand(at)}
          {#if stray.site}<span class="mono">{stray.site}</span>{/if}
        </p>
      {/if}
    {/if}
    <Trouble error={act.error} />
  </div>
  <May operation="refuseStray">
    {#if asking}
      <form
        onsubmit={(e) => {
          e.preventDefault();
          act.mutate('expect');
        }}
      >
        {#await import('./Field.svelte') then { default: Field }}
          <Field
            id={`who-${stray.name}`}
            label={say.stray.orderedBy}
            bind:value={who}
            maxlength={120}
            required
          />
        {/await}
        <div class="acts gap-2">
          <Button color="alternative" size="sm" type="submit" disabled={act.isPending}
            >{say.stray.yesExpected}</Button
          >
          <Button size="sm" color="alternative" onclick={() => (asking = false)}
            >{say.forGood.notNow}</Button
          >
        </div>
      </form>
    {:else}
      <div class="acts gap-2">
        {#if stray.state === 'open'}
          {#if stray.refusable}
            <ForGood
              size="sm"
              label={say.stray.refuseTransfer}
              yes={say.stray.yesRefuse(stray.unicode)}
              busy={act.isPending}
              act={() => act.mutate('refuse')}
            />
          {:else if !stray.said_refused}
            <Button
              color="alternative"
              size="sm"
              disabled={act.isPending}
              onclick={() => act.mutate('said')}>{say.stray.noteRefusal(at)}</Button
            >
          {/if}
          <Button
            size="sm"
            color="alternative"
            disabled={act.isPending}
            onclick={() => (asking = true)}>{say.stray.expect}</Button
          >
        {:else if stray.state === 'expected'}
          <Button
            size="sm"
            color="alternative"
            disabled={act.isPending}
            onclick={() => act.mutate('unexpect')}>{say.stray.notExpectedAfterAll}</Button
          >
        {:else if stray.refusable}
          <Button size="sm" disabled={act.isPending} onclick={() => act.mutate('safe')}
            >{say.stray.makeItSafe}</Button
          >
        {:else if stray.left.includes('code')}
          <Button
            color="alternative"
            size="sm"
            disabled={act.isPending}
            onclick={() => act.mutate('code')}>{say.stray.codeIsSet}</Button
          >
        {/if}
      </div>
    {/if}
  </May>
</section>

<style>
  .quiet {
    background: var(--raised);
    border-left-color: var(--line);
  }
</style>
