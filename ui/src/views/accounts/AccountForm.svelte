<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { minor, slug } from '../../lib/slug';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { AMOUNT, CONNECTION, HABITS, KNOWN, PRICES, WAYS, YES } from './fields';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  let { done }: { done: () => void } = $props();
  type Habits = Schemas['NewAccount']['habits'];
  const client = useQueryClient();
  let kind = $state<'epp' | 'by_hand'>('epp');
  let f = $state<Record<string, string>>({ port: '700', currency: 'EUR' });
  let ways = $state<Record<string, string>>({});
  const words = (text: string | undefined) => (text ?? '').split(/[\s,]+/).filter(Boolean);
  const yes = (text: string | undefined) => (text ? text === 'yes' : null);
  const or = (text: string | undefined) => text || null;

  function habits(): Habits {
    const takes = words(f.code_takes).map((m) => Math.round(Number(m) * 60));
    const suffixes = words(f.suffixes).map((s) => s.replace(/^\./, '').toLowerCase());
    const service = f.service
      ? {
          title: f.service,
          site: or(f.service_site),
          login: or(f.service_login),
          identity: yes(f.service_identity),
          writes_from: or(f.service_from),
        }
      : null;
    return {
      suffixes: suffixes.length ? suffixes : null,
      payment: or(f.payment),
      reads_contacts: yes(f.reads),
      privacy: or(f.privacy),
      site: or(f.site),
      login: or(f.login),
      support: or(f.support),
      ways: Object.fromEntries(Object.entries(ways).filter(([, way]) => way)),
      code_to: (f.code_to || null) as 'registrant' | 'admin' | null,
      code_reason: yes(f.code_reason),
      code_takes: takes.length === 3 && takes.every(Number.isFinite) ? takes : null,
      contacts_late: f.contacts_late ? Math.round(Number(f.contacts_late) * 3600) : null,
      opt_out: yes(f.opt_out),
      privacy_service: service,
    };
  }
  const save = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/accounts', {
          body: {
            id: slug(f.title ?? ''),
            title: f.title ?? '',
            registrar: f.registrar || f.title || '',
            kind,
            password: f.password ?? '',
            connection:
              kind === 'epp'
                ? {
                    host: f.host,
                    port: Number(f.port),
                    client: f.client,
                    ca_file: or(f.ca),
                    server_name: or(f.server),
                    certificate_file: or(f.certificate),
                    key_file: or(f.key),
                  }
                : {},
            habits: habits(),
            prices: {
              currency: f.currency ?? 'EUR',
              renew: minor(f.renew ?? '', f.currency ?? 'EUR'),
              transfer: minor(f.transfer ?? '', f.currency ?? 'EUR'),
            },
            sender_domains: words(f.senders),
          },
        }),
      ),
    onSuccess: () => {
      void refresh(client);
      done();
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    save.mutate();
  }
</script>

{#snippet fields(list: typeof HABITS)}
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
    bind:value={() => kind, (v) => (kind = v as typeof kind)}
  />
  {#if kind === 'epp'}{@render fields(CONNECTION)}{/if}
  {@render fields(PRICES.map((p) => (p.key === 'currency' ? p : { ...p, ...AMOUNT })))}
  {@render fields(KNOWN)}
  <fieldset>
    <legend>{say.accountForm.howItWantsThingsDone}</legend>
    {#each WAYS as { act, label, of } (act)}
      <Choice
        id="w-{act}"
        {label}
        of={[
          [
            '',
            kind === 'epp' && of.some(([w]) => w === 'connection')
              ? say.accountForm.overTheConnection
              : say.accountForm.onItsPages,
          ],
          ...of.filter(([w]) => w !== 'connection' && (w !== 'page' || kind === 'epp')),
        ]}
        bind:value={() => ways[act] ?? '', (v) => (ways[act] = v)}
      />
    {/each}
    {@render fields(HABITS.map((h) => (h.yes ? { ...h, of: YES } : h)))}
  </fieldset>
  <div>
    <Button type="submit" disabled={save.isPending}
      >{kind === 'epp' ? say.accountForm.tryTheConnectionAndKeep : say.accountForm.keepIt}</Button
    >
    <Button color="alternative" onclick={done}>{say.accountForm.leaveIt}</Button>
  </div>
</form>
<Trouble error={save.error} />

<style>
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
