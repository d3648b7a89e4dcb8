<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';

  /**
   * What shall hold afterwards. What is left open is as `usual` there; `aims` holds only what
   * differs.
   */
  let {
    id,
    usual,
    aims = $bindable(),
  }: { id: string; usual: Schemas['Aims']; aims: Schemas['Aims'] } = $props();
  const own = (what: 'lock' | 'auto_renew' | 'privacy') =>
    say.aims.usual(say.aims.values[usual[what] ?? 'any'] ?? '');
  const pick = (what: keyof Schemas['Aims'], value: string) => {
    const next: Record<string, unknown> = {
      ...aims,
      [what]: what === 'years' ? Number(value) : value,
    };
    if (value === '') delete next[what];
    aims = next as Schemas['Aims'];
  };
  // In short, so that nobody has to open it to know.
  const told = $derived.by(() => {
    const now = { ...usual, ...aims };
    const parts = (['lock', 'auto_renew', 'privacy'] as const)
      .filter((what) => now[what] !== undefined && now[what] !== 'any')
      .map(
        (what) =>
          `${say.aims.names[what].toLowerCase()} ${say.aims.values[now[what] ?? 'any'] ?? ''}`,
      );
    const contacts =
      now.contacts && now.contacts !== 'carry' ? [say.aims.profile(now.contacts)] : [];
    return [...parts, ...contacts, say.orders.years(now.years ?? 1)].join(', ');
  });
  const CHOICES = {
    lock: ['on', 'off'],
    auto_renew: ['on', 'off', 'any'],
    privacy: ['on', 'off', 'as_before'],
  } as const;
</script>

<details>
  <summary class="cursor-pointer font-semibold"
    >{say.aims.whatShallHold}: <span class="muted font-normal">{told}</span></summary
  >
  <fieldset
    class="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-y-2 gap-x-4 items-end mt-2
      mb-4 mx-0"
  >
    {#each Object.entries(CHOICES) as [what, values] (what)}
      <Choice
        id="{id}-{what}"
        label={say.aims.names[what as keyof typeof say.aims.names]}
        of={[
          ['', own(what as 'lock')],
          ...values.map((v) => [v, say.aims.values[v] ?? v] as const),
        ]}
        bind:value={
          () => String(aims[what as keyof Schemas['Aims']] ?? ''), (v) => pick(what as 'lock', v)
        }
      />
    {/each}
    <Field
      id="{id}-contacts"
      label={say.aims.names.contacts}
      placeholder={usual.contacts && usual.contacts !== 'carry' ? usual.contacts : say.aims.carry}
      bind:value={
        () => (aims.contacts === 'carry' ? '' : (aims.contacts ?? '')), (v) => pick('contacts', v)
      }
    />
    <Choice
      id="{id}-years"
      label={say.aims.names.years}
      of={[
        ['', say.aims.usual(String(usual.years ?? 1))],
        ...[1, 2, 3, 5, 10].map((n) => [String(n), String(n)] as const),
      ]}
      bind:value={() => String(aims.years ?? ''), (v) => pick('years', v)}
    />
  </fieldset>
</details>
