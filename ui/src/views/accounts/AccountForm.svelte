<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { untrack, type Snippet } from 'svelte';
  import { api, ask } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { blank, changed, fields, written, type Whole } from './account';
  import {
    AIMS,
    AMOUNT,
    CONNECTION,
    HABITS,
    KNOWN,
    ORDERING,
    PRICES,
    TERMS,
    WAYS,
    YES,
  } from './fields';
  import { read } from './priceTable';
  import Removal from './Removal.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** A new account, or (`held`) one that is changed in place: only what differs is sent. */
  let { held, done }: { held?: Whole; done: () => void } = $props();
  const client = useQueryClient();
  let form = $state(untrack(() => (held ? written(held) : blank())));
  const first = untrack(() => fields($state.snapshot(form)));
  const f = $derived(form.f);
  const connection = $derived(
    CONNECTION.map((c) =>
      c.key === 'password' && held?.has_password
        ? { ...c, required: false, label: say.accountForm.passwordHeld }
        : c,
    ),
  );

  // What a new account begins with; the rest is folded away until somebody wants it.
  const FIRST = ['site', 'login'];
  const CODES = ['code_to', 'code_guard', 'code_reason', 'code_takes', 'contacts_late', 'opt_out'];
  const DESTINATION = ['suffixes', 'payment', 'reads'];
  const isMail = (row: { key: string }) => row.key === 'senders';
  const isService = (row: { key: string }) => row.key.startsWith('service');
  const yes = (list: typeof HABITS) => list.map((h) => (h.yes ? { ...h, of: YES } : h));

  // A way that is the usual one of its kind anyway is shown as that.
  const chosen = (act: string, of: readonly (readonly [string, string])[]) => {
    const way = form.ways[act] ?? '';
    return way === 'page' && form.kind !== 'epp' ? '' : of.some(([w]) => w === way) ? way : '';
  };

  async function keep() {
    const now = fields($state.snapshot(form));
    if (!held) return ask(api.POST('/api/accounts', { body: now }));
    const body = changed(first, now);
    if (!Object.keys(body).length) return { id: held.id };
    return ask(api.POST('/api/accounts/{id}', { params: { path: { id: held.id } }, body }));
  }
  const over = () => {
    void refresh(client);
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

{#snippet rows(list: typeof HABITS)}
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

{#snippet part(
  title: string,
  why: string,
  list: { key: string }[],
  body: Snippet,
  ways: string[] = [],
)}
  <details
    open={held !== undefined &&
      (list.some(({ key }) => f[key]) || ways.some((act) => form.ways[act]))}
  >
    <summary>{title}</summary>
    <p class="muted">{why}</p>
    <div class="fields">{@render body()}</div>
  </details>
{/snippet}

<form onsubmit={submit}>
  <Field
    id="a-title"
    label={say.accountForm.whatYouCallIt}
    required
    bind:value={() => f.title ?? '', (v) => (f.title = v)}
  />
  {@render rows(HABITS.filter((h) => FIRST.includes(h.key)))}
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
    {@render rows(PRICES.map((p) => (p.key === 'currency' ? p : { ...p, ...AMOUNT })))}
    {@render rows(TERMS)}
    <div class="wide">
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
  {#snippet habits()}
    {#each WAYS as { act, label, of } (act)}
      <Choice
        id="w-{act}"
        {label}
        of={[
          [
            '',
            form.kind === 'epp' && of.some(([w]) => w === 'connection')
              ? say.accountForm.overTheConnection
              : say.accountForm.onItsPages,
          ],
          ...of.filter(([w]) => w !== 'connection' && (w !== 'page' || form.kind === 'epp')),
        ]}
        bind:value={() => chosen(act, of), (v) => (form.ways[act] = v)}
      />
    {/each}
    {@render rows(yes(HABITS.filter((h) => CODES.includes(h.key))))}
  {/snippet}
  {@render part(
    say.accountForm.howItWantsThingsDone,
    say.accountForm.why.habits,
    HABITS.filter((h) => CODES.includes(h.key)),
    habits,
    WAYS.map((w) => w.act),
  )}
  {#snippet mail()}{@render rows([
      ...HABITS.filter((h) => h.key === 'support'),
      ...KNOWN.filter(isMail),
    ])}{/snippet}
  {@render part(
    say.accountForm.email,
    say.accountForm.why.email,
    [{ key: 'support' }, { key: 'senders' }],
    mail,
  )}
  {#snippet privacy()}
    {@render rows(yes([...KNOWN.filter((k) => k.key === 'privacy'), ...HABITS.filter(isService)]))}
  {/snippet}
  {@render part(
    say.accountForm.privacy,
    say.accountForm.why.privacy,
    [{ key: 'privacy' }, ...HABITS.filter(isService)],
    privacy,
  )}
  {#snippet destination()}
    {@render rows(KNOWN.filter((k) => DESTINATION.includes(k.key)))}
    {@render rows(yes(ORDERING))}
    <fieldset>
      <legend>{say.fields.holds}</legend>
      {@render rows(AIMS)}
    </fieldset>
  {/snippet}
  {@render part(
    say.accountForm.destination,
    say.accountForm.why.destination,
    [...KNOWN.filter((k) => DESTINATION.includes(k.key)), ...ORDERING],
    destination,
  )}
  {#snippet record()}
    <Field
      id="a-reg"
      label={say.accountForm.itsNameInThePublic}
      placeholder={f.title}
      bind:value={() => f.registrar ?? '', (v) => (f.registrar = v)}
    />
    {@render rows(KNOWN.filter((k) => k.key.startsWith('registrar_')))}
  {/snippet}
  {@render part(
    say.accountForm.record,
    say.accountForm.why.record,
    KNOWN.filter((k) => k.key.startsWith('registrar_')),
    record,
  )}
  <div>
    <Button type="submit" disabled={save.isPending}
      >{form.kind === 'epp'
        ? say.accountForm.tryTheConnectionAndKeep
        : say.accountForm.keepIt}</Button
    >
    <Button color="alternative" onclick={done}>{say.accountForm.leaveIt}</Button>
  </div>
  {#if held}<Removal title={held.title} {remove} done={over} />{/if}
</form>
<Trouble error={save.error} />

<style>
  .wide,
  details,
  fieldset {
    grid-column: 1 / -1;
  }
  summary {
    font-weight: 650;
  }
  .fields,
  fieldset {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(15rem, 100%), 1fr));
    gap: 0.8rem 1rem;
    align-items: end;
    margin-top: 0.5rem;
  }
  legend {
    font-weight: 650;
  }
</style>
