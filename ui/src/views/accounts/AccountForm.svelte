<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { untrack, type Snippet } from 'svelte';
  import { api, ask } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { blank, changed, fields, written, type Whole } from './account';
  import { CONNECTION, PRICES, SENDERS, TERMS, YES, type FieldRow } from './fields';
  import { fieldOf, type HabitField } from './habits';
  import { read } from './priceTable';
  import Removal from './Removal.svelte';
  import { openWhile } from '../../lib/fold';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /**
   * A new account, or (`held`) one that is changed in place: only what differs is sent. habits:
   * that an account may have, as the server declares them.
   */
  let { held, habits, done }: { held?: Whole; habits: HabitField[]; done: () => void } = $props();
  const client = useQueryClient();
  let form = $state(untrack(() => (held ? written(held, habits) : blank())));
  const first = untrack(() => fields($state.snapshot(form), habits));
  const f = $derived(form.f);
  const connection = $derived(
    CONNECTION.map((c) =>
      c.key === 'password' && held?.has_password
        ? { ...c, required: false, label: say.accountForm.passwordHeld }
        : c,
    ),
  );

  /** The fields of one section of habits. */
  const asked = (section: string): FieldRow[] =>
    habits
      .filter((h) => h.section === section)
      .map((h) => ({
        key: h.id,
        label: h.label,
        ...fieldOf(h),
        ...(h.kind === 'choice' ? { of: choices(h) } : {}),
        ...(h.kind === 'yes' || h.kind === 'flag' ? { of: YES } : {}),
      }));
  // What holds anyway has no value of its own.
  const choices = (h: HabitField) =>
    h.of.map(([value = '', word = '']) => [value === h.default ? '' : value, word] as const);
  const amounts = $derived(
    PRICES.map((p) => (p.key === 'currency' ? p : { ...p, amount: f.currency || 'EUR' })),
  );
  const ways = $derived(habits.filter((h) => h.section === 'ways'));

  // A way that is the usual one of its kind anyway is shown as that.
  const chosen = (h: HabitField) => {
    const way = f[h.id] ?? '';
    return way === 'page' && form.kind !== 'epp' ? '' : h.of.some(([w]) => w === way) ? way : '';
  };
  const wayChoices = (h: HabitField) => [
    [
      '',
      form.kind === 'epp' && h.of.some(([w]) => w === 'connection')
        ? say.accountForm.viaConnection
        : say.accountForm.viaPages,
    ] as const,
    ...h.of
      .filter(([w]) => w !== 'connection' && (w !== 'page' || form.kind === 'epp'))
      .map(([w = '', word = '']) => [w, word] as const),
  ];

  async function keep() {
    const now = fields($state.snapshot(form), habits);
    if (!held) return ask(api.POST('/api/accounts', { body: now }));
    const body = changed(first, now);
    if (!Object.keys(body).length) return { id: held.id };
    return ask(api.POST('/api/accounts/{id}', { params: { path: { id: held.id } }, body }));
  }
  const over = () => {
    void refresh(client, 'accounts', 'names', 'hands');
    done();
  };
  const save = createMutation(() => ({ mutationFn: keep, onSuccess: over }));
  const remove = () =>
    ask(api.POST('/api/accounts/{id}/remove', { params: { path: { id: held?.id ?? '' } } }));

  const table = $derived(read(f.by_suffix ?? '', f.currency || 'EUR'));
  const wrong = $derived('wrong' in table ? table.wrong : '');
  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (!wrong) save.mutate();
  }
</script>

{#snippet rows(list: FieldRow[])}
  {#each list as { key, label, of, ...rest } (key)}
    {#if of}<Choice
        id="a-{key}"
        {label}
        {of}
        bind:value={() => f[key] ?? '', (v) => (f[key] = v)}
      />
    {:else}<Field
        id="a-{key}"
        {label}
        {...rest}
        bind:value={() => f[key] ?? '', (v) => (f[key] = v)}
      />{/if}
  {/each}
{/snippet}

{#snippet part(title: string, why: string, list: { key: string }[], body: Snippet)}
  <details
    class="col-span-full"
    {@attach openWhile(() => held !== undefined && list.some(({ key }) => f[key]))}
  >
    <summary class="font-semibold">{title}</summary>
    <p class="muted">{why}</p>
    <div
      class="fields grid grid-cols-[repeat(auto-fill,minmax(min(15rem,100%),1fr))] gap-4
        items-end mt-2"
    >
      {@render body()}
    </div>
  </details>
{/snippet}

<form onsubmit={submit}>
  <Field
    id="a-title"
    label={say.accountForm.ownName}
    required
    bind:value={() => f.title ?? '', (v) => (f.title = v)}
  />
  {@render rows(asked('first'))}
  {#snippet connected()}
    <Choice
      id="a-kind"
      label={say.accountForm.connection}
      of={[
        ['by_hand', say.accountForm.byHand],
        ['epp', 'EPP'],
      ]}
      bind:value={() => form.kind, (v) => (form.kind = v as typeof form.kind)}
    />
    {#if form.kind === 'epp'}{@render rows(connection)}{/if}
  {/snippet}
  {@render part(say.accountForm.connection, say.accountForm.why.connection, CONNECTION, connected)}
  {#snippet prices()}
    {@render rows(amounts)}
    {@render rows(TERMS)}
    <div class="wide col-span-full">
      <Label for="a-by-suffix">{say.fields.bySuffix}</Label>
      <Textarea
        id="a-by-suffix"
        class="w-full font-mono"
        rows={3}
        bind:value={() => f.by_suffix ?? '', (v) => (f.by_suffix = v)}
      />
      <p class="muted">{say.fields.bySuffixHow}</p>
      {#if wrong}<p role="alert">{say.fields.bySuffixWrong(wrong)}</p>{/if}
    </div>
  {/snippet}
  {@render part(say.accountForm.prices, say.accountForm.why.prices, PRICES.slice(1), prices)}
  {#snippet doing()}
    {#each ways as way (way.id)}
      <Choice
        id="w-{way.path.at(-1)}"
        label={way.label}
        of={wayChoices(way)}
        bind:value={() => chosen(way), (v) => (f[way.id] = v)}
      />
    {/each}
    {@render rows(asked('codes'))}
  {/snippet}
  {@render part(
    say.accountForm.habitsTitle,
    say.accountForm.why.habits,
    [...asked('codes'), ...asked('ways')],
    doing,
  )}
  {#snippet mail()}{@render rows([...asked('mail'), SENDERS])}{/snippet}
  {@render part(
    say.accountForm.email,
    say.accountForm.why.email,
    [...asked('mail'), SENDERS],
    mail,
  )}
  {#snippet privacy()}{@render rows(asked('privacy'))}{/snippet}
  {@render part(say.accountForm.privacy, say.accountForm.why.privacy, asked('privacy'), privacy)}
  {#snippet destination()}
    {@render rows([...asked('destination'), ...asked('ordering')])}
    <fieldset
      class="col-span-full grid grid-cols-[repeat(auto-fill,minmax(min(15rem,100%),1fr))]
        gap-4 items-end mt-2"
    >
      <legend class="font-semibold">{say.fields.holds}</legend>
      {@render rows(asked('aims'))}
    </fieldset>
  {/snippet}
  {@render part(
    say.accountForm.destination,
    say.accountForm.why.destination,
    [...asked('destination'), ...asked('ordering')],
    destination,
  )}
  {#snippet record()}
    <Field
      id="a-reg"
      label={say.accountForm.publicName}
      placeholder={f.title}
      bind:value={() => f.registrar ?? '', (v) => (f.registrar = v)}
    />
    {@render rows(asked('record'))}
  {/snippet}
  {@render part(say.accountForm.record, say.accountForm.why.record, asked('record'), record)}
  <div>
    <Button color="alternative" type="submit" disabled={save.isPending}
      >{form.kind === 'epp' ? say.accountForm.tryAndKeep : say.accountForm.keepIt}</Button
    >
    <Button color="alternative" onclick={done}>{say.accountForm.leaveIt}</Button>
  </div>
  {#if held}<Removal title={held.title} {remove} done={over} />{/if}
</form>
<Trouble error={save.error} />
