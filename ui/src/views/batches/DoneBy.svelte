<script lang="ts">
  import { clock } from '../../lib/clock.svelte';
  import { endOf } from '../../lib/days';
  import DateField from '../../parts/DateField.svelte';
  import { stamp } from '../../lib/words';
  import { say } from '../../lib/say';

  /**
   * Until when it has to start to be done by a day, with nine in ten. late: by when that is if it
   * starts now.
   */
  let { id, late }: { id: string; late: string } = $props();
  let by = $state('');
  const start = $derived(by ? Date.parse(endOf(by)) - (Date.parse(late) - clock.now) : undefined);
</script>

<p class="flex flex-wrap gap-y-1 gap-x-4 items-center">
  <label for={id}>{say.doneBy.label}</label>
  <DateField {id} bind:value={by} />
  {#if start !== undefined}
    <strong
      >{start > clock.now
        ? say.doneBy.before(stamp(new Date(start).toISOString(), clock.now))
        : say.doneBy.tooLate(stamp(late, clock.now))}</strong
    >
  {/if}
</p>
