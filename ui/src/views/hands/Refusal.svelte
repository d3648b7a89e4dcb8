<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** A place refuses: an order, and why; or the act of a step, in which words. */
  let { move, name, step }: { move: number; name: string; step?: string } = $props();
  type Why = Schemas['OrderRefused']['why'];
  const client = useQueryClient();
  let open = $state(false);
  let why = $state<Why>('locked');
  let words = $state('');
  const tell = createMutation(() => ({
    mutationFn: () =>
      step
        ? ask(api.POST('/api/hands/step-refused', { body: { move, step, words } }))
        : ask(api.POST('/api/hands/refused', { body: { move, why, words } })),
    onSuccess: () => {
      open = false;
      words = '';
      void refresh(client, 'desk', 'moves', 'hands');
    },
  }));
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    tell.mutate();
  };
</script>

<May operation={step ? 'stepRefused' : 'orderRefused'}>
  {#if open}
    <form
      class="basis-full grid grid-cols-[repeat(auto-fit,minmax(14rem,1fr))] gap-2 items-end
        py-2 px-0"
      onsubmit={submit}
    >
      {#if step}
        <Field
          id="words-{move}-{step}"
          label={say.refusal.verdictOf(name)}
          required
          bind:value={words}
        />
      {:else}
        <Choice
          id="why-{move}"
          label={say.refusal.verdictOf(name)}
          of={say.refusal.reasons}
          bind:value={() => why, (v) => (why = v as Why)}
        />
        <Field id="words-{move}" label={say.refusal.verdictWords} bind:value={words} />
      {/if}
      <div>
        <Button color="alternative" type="submit" size="sm" disabled={tell.isPending}
          >{say.refusal.keep}</Button
        >
        <Button type="button" size="sm" color="alternative" onclick={() => (open = false)}
          >{say.refusal.leaveIt}</Button
        >
      </div>
    </form>
  {:else}
    <button class="link" onclick={() => (open = true)} aria-label={say.refusal.refusedOf(name)}
      >{say.refusal.refused}</button
    >
  {/if}
  <Trouble error={tell.error} />
</May>
