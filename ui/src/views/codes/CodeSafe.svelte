<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { p } from '../../router';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TwoCodes from '../../parts/TwoCodes.svelte';
  import When from '../../parts/When.svelte';
  import CodeList from './CodeList.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const safe = createQuery(() => ({
    queryKey: ['codes'],
    queryFn: () => ask(api.GET('/api/codes')),
  }));
  const STATES = {
    held: say.codeSafe.heldUnchecked,
    checked: say.codeSafe.accepted,
    rejected: say.codeSafe.rejected,
  };
  let shown = $state<{ name: string; code: string }>();
  let copied = $state('');
  let sure = $state('');
  const path = (name: string) => ({ params: { path: { name } } });
  const again = () => refresh(client, 'codes', 'moves', 'hands');

  const reveal = createMutation(() => ({
    mutationFn: async ({ name, copy }: { name: string; copy: boolean }) => {
      const { code } = await ask(
        api.POST('/api/codes/{name}/reveal', { ...path(name), body: { copied: copy } }),
      );
      if (copy) await navigator.clipboard.writeText(code);
      return { name, code, copy };
    },
    onSuccess: ({ name, code, copy }) => {
      if (copy) copied = name;
      else shown = { name, code };
    },
  }));
  const check = createMutation(() => ({
    mutationFn: (name: string) => ask(api.POST('/api/codes/{name}/check', path(name))),
    onSuccess: again,
  }));
  const wipe = createMutation(() => ({
    mutationFn: (name: string) => ask(api.POST('/api/codes/{name}/wipe', path(name))),
    onSuccess: again,
  }));
</script>

<main class="pt-4 pb-8 px-4 grid gap-4 max-w-[78rem]">
  <Head
    title={say.codeSafe.codeSafe}
    answer={safe.data
      ? say.codeSafe.head(safe.data.codes.length, safe.data.choices.length)
      : undefined}
  />
  <p class="muted">
    {say.codeSafe.codesIntro}
  </p>
  <Trouble error={safe.error ?? reveal.error ?? check.error ?? wipe.error} />
  {#if safe.data?.choices.length}<TwoCodes choices={safe.data.choices} />{/if}
  {#if safe.data}
    {#if safe.data.codes.length}
      <table class="rows" aria-label={say.codeSafe.codesHeld}>
        <thead>
          <tr
            ><th>{say.codeSafe.name}</th><th>{say.codeSafe.code}</th><th>{say.codeSafe.state}</th
            ><th>{say.codeSafe.came}</th><th>{say.codeSafe.livesUntil}</th><th
              ><span class="hidden-words">{say.codeSafe.actsColumn}</span></th
            ></tr
          >
        </thead>
        <tbody>
          {#each safe.data.codes as c (c.name + c.received_at)}
            <tr>
              <td class="mono"
                ><a href={p('/names/:name', { params: { name: c.name } })}>{c.unicode}</a></td
              >
              <td class="mono wrap-anywhere"
                >{#if shown?.name === c.name}{shown.code}{:else}<span class="whitespace-nowrap"
                    >••••••••</span
                  >{/if}</td
              >
              <td class:text-madder={c.state === 'rejected'}>{STATES[c.state]}</td>
              <td class="tabular-nums"><When at={c.received_at} bare /></td>
              <td class="tabular-nums"
                >{#if c.expires_at}<When at={c.expires_at} />{:else}{say.codeSafe.noLimit}{/if}</td
              >
              <td class="whitespace-nowrap">
                {#if may('revealCode')}
                  {#if shown?.name === c.name}
                    <button class="link" onclick={() => (shown = undefined)}
                      >{say.codeSafe.hide}</button
                    >
                  {:else}
                    <button
                      class="link"
                      onclick={() => reveal.mutate({ name: c.name, copy: false })}
                      >{say.codeSafe.show}</button
                    >
                  {/if}
                  <button class="link" onclick={() => reveal.mutate({ name: c.name, copy: true })}
                    >{copied === c.name ? say.codeSafe.copied : say.codeSafe.copy}</button
                  >
                  <button
                    class="link"
                    disabled={check.isPending}
                    onclick={() => check.mutate(c.name)}>{say.codeSafe.check}</button
                  >
                  <button
                    class="link"
                    onclick={() => (sure === c.name ? wipe.mutate(c.name) : (sure = c.name))}
                    >{sure === c.name ? say.codeSafe.wipeForGood : say.codeSafe.wipe}</button
                  >
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <p class="panel muted">
        {say.codeSafe.emptyCodes}
      </p>
    {/if}
  {/if}
  {#if !safe.isPending}<CodeList done={() => void again()} />{/if}
</main>
