<script lang="ts">
  import { tick } from 'svelte';
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { dayOf, morning } from '../../lib/days';
  import { single } from '../../lib/keys';
  import { put, type Asked } from '../../lib/list';
  import DateField from '../../parts/DateField.svelte';
  import Panel from '../../parts/Panel.svelte';
  import { say } from '../../lib/say';

  /** What if a move started on another day, or went to one destination? */
  let { what, accounts }: { what: Asked; accounts: Schemas['Accounts']['accounts'] } = $props();
  let open = $state(false);
  let field = $state<HTMLInputElement>();
  const today = $derived(dayOf(clock.now));
  const destinations = $derived([
    ['', say.whatIf.anywhere] as const,
    ...accounts.map((a) => [a.id, a.title] as const),
  ]);
  const set = (day: string) => put('at', day && day !== today ? morning(day) : undefined);

  async function onkeydown(e: KeyboardEvent) {
    if (!single(e, 't')) return;
    e.preventDefault();
    open = true;
    await tick();
    field?.focus();
  }
</script>

<svelte:window {onkeydown} />
<Panel label={say.whatIf.title} bind:open on={!!(what.at || what.to)}>
  <div>
    <label for="what-if">{say.whatIf.asIfTitle}</label>
    <DateField
      id="what-if"
      title={say.whatIf.asIfKey}
      min={today}
      bind:field
      bind:value={() => (what.at ? dayOf(what.at) : ''), set}
    />
  </div>
  {#await import('../../parts/Choice.svelte') then { default: Choice }}
    <Choice
      id="what-if-to"
      label={say.whatIf.goingTo}
      of={destinations}
      bind:value={() => what.to ?? '', (v) => put('to', v || undefined)}
    />
  {/await}
</Panel>
