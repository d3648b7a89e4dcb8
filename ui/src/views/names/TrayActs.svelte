<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Operation } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { forEach } from '../../lib/several';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import Panel from '../../parts/Panel.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import NoteFields from './NoteFields.svelte';
  import { say } from '../../lib/say';

  /** One act for all names of the tray; what is refused for one is said beside its name. */
  let { names }: { names: string[] } = $props();
  const client = useQueryClient();
  const ACTS = ['note', 'comment', 'prove', 'assign', 'wish', 'cancel', 'remove'] as const;
  type Act = (typeof ACTS)[number];
  const NEEDS: Record<Act, Operation> = {
    note: 'note',
    comment: 'comment',
    prove: 'proveMailbox',
    assign: 'handOn',
    wish: 'approveSeveral',
    cancel: 'callOff',
    remove: 'letGo',
  };
  const able = $derived(
    ACTS.filter((a) => may(NEEDS[a])).map((a) => [a, say.trayActs.acts[a]] as const),
  );
  // A link may say what is to be done.
  const asked = searchParams.get('act');
  let chosen = $state<string>(ACTS.find((a) => a === asked) ?? 'note');
  let open = $state(asked !== null);
  let noted = $state<{ key: string; value: string | boolean | string[] }>();
  let person = $state('');
  let told = $state('');
  let through = $state<number>();
  const moves = createQuery(() => ({
    queryKey: ['moves', { open: true }],
    queryFn: () => ask(api.GET('/api/moves')),
    enabled: open,
  }));
  const moveOf = (name: string) => {
    const move = moves.data?.moves.find((m) => m.name === name && m.open);
    if (!move) throw new Error(say.trayActs.noMove);
    return { params: { path: { id: move.id } } };
  };
  const DOES: Record<Act, (name: string) => Promise<unknown>> = {
    note: (name) =>
      ask(api.POST('/api/names/{name}/note', { params: { path: { name } }, body: noted! })),
    comment: (name) =>
      ask(
        api.POST('/api/names/{name}/comment', { params: { path: { name } }, body: { text: told } }),
      ),
    prove: (name) =>
      ask(
        api.POST('/api/names/{name}/contacts/prove', {
          params: { path: { name } },
          body: { role: 'registrant' },
        }),
      ),
    assign: async (name) =>
      ask(api.POST('/api/moves/{id}/hand-on', { ...moveOf(name), body: { to: person.trim() } })),
    wish: async (name) =>
      ask(api.POST('/api/approvals', { body: { moves: [moveOf(name).params.path.id] } })),
    cancel: async (name) => ask(api.POST('/api/moves/{id}/call-off', moveOf(name))),
    remove: (name) => ask(api.POST('/api/names/{name}/let-go', { params: { path: { name } } })),
  };
  const run = createMutation(() => ({
    mutationFn: (act: Act) => forEach(names, DOES[act], (n) => (through = n)),
    onSettled: () => {
      through = undefined;
      void refresh(client, 'names', 'moves', 'desk', 'hands');
    },
  }));
  const given = $derived<Partial<Record<string, boolean>>>({
    note: !!noted,
    comment: !!told.trim(),
    assign: !!person.trim(),
  });
  const ready = $derived(given[chosen] ?? true);
  const grave = $derived(['wish', 'cancel', 'remove'].includes(chosen));
</script>

{#if able.length}
  <div class="up">
    <Panel label={say.trayActs.title} bind:open>
      <Choice id="t-act" label={say.trayActs.what} of={able} bind:value={chosen} />
      {#if chosen === 'note'}<NoteFields bind:noted />{/if}
      {#if chosen === 'comment'}
        <Field id="t-comment" label={say.comment.label} bind:value={told} maxlength={1000} />
      {/if}
      {#if chosen === 'assign'}
        <Field id="t-person" label={say.trayActs.person} bind:value={person} />
      {/if}
      {#if grave}<ForGood
          size="sm"
          danger={chosen !== 'wish'}
          label={say.trayActs.yes(names.length)}
          yes={say.trayActs.sure[chosen as 'wish' | 'cancel' | 'remove'](names.length)}
          busy={run.isPending}
          act={() => run.mutate(chosen as Act)}
        />
      {:else}<Button
          size="sm"
          color={chosen === 'prove' ? 'primary' : 'alternative'}
          disabled={!ready || run.isPending}
          onclick={() => run.mutate(chosen as Act)}>{say.trayActs.yes(names.length)}</Button
        >{/if}
      {#if through !== undefined}<p role="status">
          {say.tray.ofLooked(through, names.length)}
        </p>{/if}
      {#if run.data && !run.isPending}
        <p role="status">{say.trayActs.done(run.data.done.length)}</p>
        {#each run.data.refused as r (r.name)}
          <p><span class="mono">{r.name}</span>: {r.says}</p>
        {/each}
      {/if}
      <Trouble error={run.error} />
    </Panel>
  </div>
{/if}

<style>
  /* The tray is at the bottom edge. */
  .up :global(.under) {
    top: auto;
    bottom: calc(100% + 4px);
    max-height: 60vh;
    overflow-y: auto;
  }
</style>
