<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** Services that end with the old account: each is replaced or given up knowingly. */
  let { records, done }: { records: Schemas['Records']; done: () => void } = $props();
  type State = Schemas['TiedSaid']['state'];
  let asking = $state<{ key: string; state: State } | null>(null);
  let reason = $state('');
  const settle = createMutation(() => ({
    mutationFn: (body: Schemas['TiedSaid']) =>
      ask(api.POST('/api/records/{name}/tied', { params: { path: { name: records.name } }, body })),
    onSuccess: () => {
      asking = null;
      reason = '';
      done();
    },
  }));
  const words: Record<State, string> = {
    open: say.tiedServices.open,
    replaced: say.tiedServices.replaced,
    given_up: say.tiedServices.given_up,
    none: say.tiedServices.no,
  };
  function keep(e: SubmitEvent) {
    e.preventDefault();
    if (asking) settle.mutate({ ...asking, reason });
  }
</script>

{#if records.tied.length}
  <p class="muted">{say.tiedServices.about}</p>
  <Trouble error={settle.error} />
  <ul class="box">
    {#each records.tied as t (t.key)}
      <li
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-1 gap-x-4 p-2 border-b border-b-line
          last:border-b-0 max-[800px]:grid-cols-1"
      >
        <div>
          <strong>{t.title}</strong>
          {#if t.detail}<span class="mono detail wrap-anywhere ml-2">{t.detail}</span
            >{:else if t.state === 'open'}<span class="muted">{say.tiedServices.asked}</span>{/if}
        </div>
        <div class="acts items-end gap-y-1">
          <span class:open={t.state === 'open'}
            >{words[t.state]}{t.reason ? `: ${t.reason}` : ''}</span
          >
          {#if may('settleTied')}
            {#if t.state === 'open'}
              <button class="link" onclick={() => (asking = { key: t.key, state: 'replaced' })}
                >{say.tiedServices.isReplaced}</button
              >
              <button class="link" onclick={() => (asking = { key: t.key, state: 'given_up' })}
                >{say.tiedServices.giveUp}</button
              >
              {#if !t.detail}<button
                  class="link"
                  onclick={() => settle.mutate({ key: t.key, state: 'none' })}
                  >{say.tiedServices.isNone}</button
                >{/if}
            {:else}
              <button class="link" onclick={() => settle.mutate({ key: t.key, state: 'open' })}
                >{say.tiedServices.again}</button
              >
            {/if}
          {/if}
        </div>
        {#if asking?.key === t.key}
          <form class="flex flex-wrap items-end gap-y-1 gap-x-4 col-span-full" onsubmit={keep}>
            <Field
              id="tied-why"
              label={asking.state === 'replaced' ? say.tiedServices.by : say.tiedServices.why}
              required
              bind:value={reason}
            />
            <Button color="alternative" size="sm" type="submit" disabled={settle.isPending}
              >{say.tiedServices.keep}</Button
            >
          </form>
        {/if}
      </li>
    {/each}
  </ul>
{:else}<p class="muted">{say.tiedServices.none}</p>{/if}

<style>
  .open {
    font-weight: 600;
  }
</style>
