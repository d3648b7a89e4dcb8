<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Schemas } from '../../lib/api';
  import Field from '../../parts/Field.svelte';
  import { untrack } from 'svelte';
  import { say } from '../../lib/say';

  /**
   * How the mailbox's own server is called in what it says of senders; learnt from its mail,
   * confirmed by a person.
   */
  let {
    settings,
    keep,
  }: { settings: Schemas['Settings']; keep: (ids: string, trusting: boolean) => void } = $props();
  let ids = $state(untrack(() => settings.mail_server.ids.join(', ')));
  let trusting = $state(untrack(() => settings.mail_server.trusting));
  const seen = $derived(
    Object.entries(settings.servers_seen).filter(([id]) => !settings.mail_server.ids.includes(id)),
  );

  function submit(e: SubmitEvent) {
    e.preventDefault();
    keep(ids, trusting);
  }
</script>

<form onsubmit={submit}>
  <Field id="ms-ids" label={say.mailServer.itsOwnServerIsCalled} mono bind:value={ids} />
  <label class="tick"
    ><input type="checkbox" bind:checked={trusting} />
    {say.mailServer.itDeliversNothingUnproven}</label
  >
  <div><Button type="submit" color="alternative">{say.mailServer.keepIt}</Button></div>
  {#if seen.length}
    <p class="muted">
      {say.mailServer.theNewestMailNames}
      {#each seen as [id, times] (id)}<button
          class="link mono"
          type="button"
          onclick={() => (ids = id)}>{say.mailServer.seen(id, times)}</button
        >{/each}
    </p>
  {/if}
</form>
