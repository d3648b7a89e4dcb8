<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { blank, changed, fields, written, type Whole } from './account';
  import { AIMS, AMOUNT, CONNECTION, HABITS, KNOWN, ORDERING, PRICES, TERMS, WAYS, YES } from './fields';
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
      c.key === 'password' && held?.has_password ? { ...c, required: false, label: say.accountForm.passwordHeld } : c,
    ),
  );

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
  const remove = () => ask(api.POST('/api/accounts/{id}/remove', { params: { path: { id: held?.id ?? '' } } }));

  const table = $derived(read(f.by_suffix ?? '', f.currency || 'EUR'));
  const wrong = $derived('wrong' in table ? table.wrong : '');
  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (!wrong) save.mutate();
  }
</script>

{#snippet rows(list: typeof HABITS)}
  {#each list as { key, label, of, ...rest } (key)}
    {#if of}<Choice id="a-{key}" {label} {of} bind:value={() => f[key] ?? '', (v) => (f[key] = v)} />
    {:else}<Field id="a-{key}" {label} {...rest} bind:value={() => f[key] ?? '', (v) => (f[key] = v)} />{/if}
  {/each}
{/snippet}

<form onsubmit={submit}>
  <Field
    id="a-title"
    label={say.accountForm.whatYouCallIt}
    required
    bind:value={() => f.title ?? '', (v) => (f.title = v)}
  />
  <Field
    id="a-reg"
    label={say.accountForm.itsNameInThePublic}
    placeholder={f.title}
    bind:value={() => f.registrar ?? '', (v) => (f.registrar = v)}
  />
  <Choice
    id="a-kind"
    label={say.accountForm.connection}
    of={[
      ['epp', 'EPP'],
      ['by_hand', say.accountForm.byHand],
    ]}
    bind:value={() => form.kind, (v) => (form.kind = v as typeof form.kind)}
  />
  {#if form.kind === 'epp'}{@render rows(connection)}{/if}
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
  {@render rows(KNOWN)}
  <fieldset>
    <legend>{say.fields.ordering}</legend>
    {@render rows(ORDERING.map((h) => (h.yes ? { ...h, of: YES } : h)))}
  </fieldset>
  <fieldset>
    <legend>{say.fields.holds}</legend>
    {@render rows(AIMS)}
  </fieldset>
  <fieldset>
    <legend>{say.accountForm.howItWantsThingsDone}</legend>
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
    {@render rows(HABITS.map((h) => (h.yes ? { ...h, of: YES } : h)))}
  </fieldset>
  <div>
    <Button type="submit" disabled={save.isPending}
      >{form.kind === 'epp' ? say.accountForm.tryTheConnectionAndKeep : say.accountForm.keepIt}</Button
    >
    <Button color="alternative" onclick={done}>{say.accountForm.leaveIt}</Button>
  </div>
  {#if held}<Removal title={held.title} {remove} done={over} />{/if}
</form>
<Trouble error={save.error} />

<style>
  .wide {
    grid-column: 1 / -1;
  }
  fieldset {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
    gap: 0.8rem 1rem;
    align-items: end;
  }
  legend {
    font-weight: 650;
    margin-bottom: 0.4rem;
  }
</style>
