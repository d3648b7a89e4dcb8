<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { minor } from '../../lib/reading';
  import { say } from '../../lib/say';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** Asks for prices at an account that a plan lacks; they are kept for this suffix there. */
  let {
    account,
    title,
    suffix,
    lacks,
    done,
  }: {
    account: string;
    title: string;
    suffix: string;
    lacks: readonly ('transfer' | 'renew' | 'privacy')[];
    done: () => void;
  } = $props();

  const client = useQueryClient();
  const path = $derived({ params: { path: { id: account } } });
  const held = createQuery(() => ({
    queryKey: ['accounts', account],
    queryFn: () => ask(api.GET('/api/accounts/{id}', path)),
  }));
  let given = $state<Record<string, string>>({});
  let chosen = $state('');
  const currency = $derived(chosen || (held.data?.prices.currency ?? 'EUR'));
  const typed = $derived(lacks.filter((what) => given[what]?.trim()));
  const note = createMutation(() => ({
    mutationFn: () => {
      const prices: Schemas['Prices'] = held.data?.prices ?? {};
      const sums = typed.map((what) => [what, minor(given[what]!, currency) ?? 0]);
      const row = {
        ...prices.suffixes?.[suffix],
        ...(prices.currency !== currency && { currency }),
        ...Object.fromEntries(sums),
      };
      const suffixes = { ...prices.suffixes, [suffix]: row };
      const body = { prices: { currency: prices.currency ?? currency, suffixes } };
      return ask(api.POST('/api/accounts/{id}', { ...path, body }));
    },
    onSuccess: () => {
      given = {};
      void refresh(client, 'accounts', 'names');
      done();
    },
  }));
</script>

<form
  class="ask border-l-[3px] border-l-ochre pl-4"
  aria-label={say.askPrice.title(title)}
  onsubmit={(e) => {
    e.preventDefault();
    note.mutate();
  }}
>
  <p>{say.askPrice.lead(title, suffix)}</p>
  <div class="fields grid grid-cols-[repeat(auto-fit,minmax(5rem,1fr))] gap-2 items-end">
    {#each lacks as what (what)}
      <Field
        id="price-{account}-{what}"
        label={say.askPrice.what[what]}
        amount={currency}
        bind:value={() => given[what] ?? '', (v) => (given = { ...given, [what]: v })}
      />
    {/each}
    <Field
      id="price-{account}-currency"
      label={say.askPrice.currency}
      pattern={'[A-Za-z]{3}'}
      maxlength={3}
      bind:value={() => currency, (v) => (chosen = v.toUpperCase())}
    />
    <Button type="submit" color="alternative" disabled={!typed.length || note.isPending}
      >{say.askPrice.keep}</Button
    >
  </div>
  <Trouble error={note.error ?? held.error} />
</form>
