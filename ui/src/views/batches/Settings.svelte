<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { dayOf } from '../../lib/days';
  import { minor, readDay } from '../../lib/reading';
  import { digits, plainDay } from '../../lib/words';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** How a batch is done: where to, how many a day, when not, and up to what sum. */
  let { id, sheet, done }: { id: number; sheet: Schemas['BatchSheet']; done: () => void } =
    $props();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const s = $derived(sheet.settings);
  const hosts = $derived((places.data?.hosts ?? []).filter((h) => !h.ends_with));
  let own = $state<Record<string, string | boolean>>({});
  let problem = $state('');
  const spanOf = (days: string[]) => [...new Set(days.map(plainDay))].join(' to ');
  const limit = (a: Schemas['MaybeAmount'] | undefined) =>
    a ? (a.minor / 10 ** digits(a.currency)).toFixed(digits(a.currency)) : '';
  const now = $derived<Record<string, string | boolean>>({
    title: sheet.batch.title,
    to: s.to ?? '',
    host: s.host ?? '',
    per_day: String(s.per_day ?? ''),
    trial: s.trial ?? true,
    blackouts: (s.blackouts ?? []).map(spanOf).join('\n'),
    limit: limit(s.limit),
    currency: s.limit?.currency ?? 'EUR',
    ...own,
  });
  const text = (key: string) => String(now[key] ?? '');
  const set = (key: string) => (v: string | boolean) => (own = { ...own, [key]: v });
  const change = createMutation(() => ({
    mutationFn: (body: Schemas['BatchChange']) =>
      ask(api.POST('/api/batches/{id}', { params: { path: { id } }, body })),
    onSuccess: () => {
      own = {};
      done();
    },
  }));

  function keep(e: SubmitEvent) {
    e.preventDefault();
    problem = '';
    const spans: string[][] = [];
    for (const line of text('blackouts')
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean)) {
      const days = line.split(/\s+(?:to|until|–|-)\s+/).map((d) => readDay(d, dayOf(clock.now)));
      const known = days.flatMap((d) => ('value' in d ? [d.value] : []));
      if (days.length > 2 || known.length < days.length)
        return void (problem = say.batch.badSpan(line));
      spans.push([known[0]!, known.at(-1)!]);
    }
    const sum = minor(text('limit'), text('currency'));
    change.mutate({
      title: text('title'),
      ...(text('to') && { to: text('to') }),
      host: text('host') || null,
      per_day: text('per_day') ? Number(text('per_day')) : null,
      trial: now.trial === true,
      blackouts: spans,
      limit: sum === undefined ? null : { minor: sum, currency: text('currency') },
    });
  }
</script>

<May operation="changeBatch">
  <details class="fold">
    <summary>{say.batch.settings}</summary>
    <Trouble error={change.error} />
    {#if problem}<p class="text-madder" role="alert">{problem}</p>{/if}
    {#if places.data}
      <form onsubmit={keep}>
        <div class="choices">
          <Field
            id="s-title"
            label={say.newBatch.called}
            bind:value={() => text('title'), set('title')}
          />
          <Choice
            id="s-to"
            label={say.newBatch.to}
            of={places.data.accounts.map((a) => [a.id, a.title] as const)}
            bind:value={() => text('to'), set('to')}
          />
          <Choice
            id="s-host"
            label={say.newBatch.host}
            of={[['', say.newBatch.noHost] as const, ...hosts.map((h) => [h.id, h.title] as const)]}
            bind:value={() => text('host'), set('host')}
          />
          <Field
            id="s-day"
            label={say.batch.perDay}
            inputmode="decimal"
            bind:value={() => text('per_day'), set('per_day')}
          />
          <Field
            id="s-limit"
            label={`${say.batch.limit} (${text('currency')})`}
            amount={text('currency')}
            bind:value={() => text('limit'), set('limit')}
          />
        </div>
        <p class="my-2 mx-0">
          <label
            ><input type="checkbox" bind:checked={() => now.trial === true, set('trial')} />
            {say.batch.trial}</label
          >
        </p>
        <Label for="s-out">{say.batch.blackouts}</Label>
        <Textarea
          id="s-out"
          rows={2}
          class="w-full font-mono"
          placeholder={say.batch.blackoutForm}
          bind:value={() => text('blackouts'), set('blackouts')}
        />
        <p class="my-2 mx-0">
          <Button type="submit" color="alternative" disabled={change.isPending}
            >{say.batch.keep}</Button
          >
        </p>
      </form>
    {/if}
  </details>
</May>
