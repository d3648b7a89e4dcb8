<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../../lib/api';
  import { minor } from '../../lib/reading';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** A receipt or a refund that did not come by mail. */
  let { lines, done }: { lines: Schemas['LedgerLine'][]; done: () => void } = $props();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  let kind = $state('receipt');
  const moves = new SvelteSet<number>();
  let like = $state('');
  // Those that are chosen stay to be seen, whatever is looked for.
  const found = $derived(
    lines.filter((l) => moves.has(l.id) || l.unicode.includes(like.trim().toLowerCase())),
  );
  let account = $state('');
  let amount = $state('');
  let currency = $state('EUR');
  let number = $state('');
  const note = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/ledger', {
          body: {
            kind: kind as 'receipt',
            moves: [...moves],
            account: account || places.data!.accounts[0]!.id,
            amount: { minor: minor(amount, currency) ?? 0, currency },
            ...(number && { number }),
          },
        }),
      ),
    onSuccess: () => {
      amount = number = '';
      moves.clear();
      done();
    },
  }));
</script>

<May operation="noteLedger">
  <details class="fold">
    <summary>{say.ledger.note}</summary>
    <Trouble error={note.error} />
    <form
      class="choices"
      onsubmit={(e) => {
        e.preventDefault();
        note.mutate();
      }}
    >
      <Choice
        id="l-kind"
        label={say.ledger.kind}
        of={['receipt', 'refund'].map((k) => [k, say.ledger.kinds[k]!] as const)}
        bind:value={kind}
      />
      <fieldset class="grid gap-1 content-start">
        <legend>{say.ledger.move}</legend>
        <input
          class="plain"
          type="search"
          aria-label={say.ledger.like}
          placeholder={say.ledger.like}
          bind:value={like}
        />
        <div class="list max-h-[9rem] overflow-y-auto">
          {#each found as l (l.id)}
            <label class="block"
              ><input
                type="checkbox"
                checked={moves.has(l.id)}
                onchange={() => (moves.has(l.id) ? moves.delete(l.id) : moves.add(l.id))}
              />
              <span class="mono">{l.unicode}</span></label
            >
          {/each}
        </div>
      </fieldset>
      <Choice
        id="l-at"
        label={say.ledger.where}
        of={(places.data?.accounts ?? []).map((a) => [a.id, a.title] as const)}
        bind:value={() => account || (places.data?.accounts[0]?.id ?? ''), (v) => (account = v)}
      />
      <Field id="l-sum" label={say.ledger.amount} amount={currency} required bind:value={amount} />
      <Field id="l-cur" label={say.ledger.currency} pattern="[A-Z]{'{3}'}" bind:value={currency} />
      <Field id="l-no" label={say.ledger.number} maxlength={60} bind:value={number} />
      <Button type="submit" color="alternative" disabled={note.isPending || !moves.size}
        >{moves.size > 1 ? say.ledger.keepFor(moves.size) : say.ledger.keep}</Button
      >
    </form>
  </details>
</May>
