<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Schemas } from '../../lib/api';
  import Field from '../../parts/Field.svelte';
  import { untrack } from 'svelte';
  import { say } from '../../lib/say';

  /**
   * How a mailbox's own server is called in what it says of senders; learnt from its mail,
   * confirmed by a person.
   */
  let {
    mailbox,
    seen,
    keep,
    test,
  }: {
    mailbox: Schemas['Mailbox'];
    seen: Schemas['Settings']['servers_seen'];
    keep: (ids: string[], trusting: boolean) => void;
    /** Has the server tested: the desk sends itself a message. */
    test: () => void;
  } = $props();
  let ids = $state(untrack(() => mailbox.ids.join(', ')));
  let trusting = $state(untrack(() => mailbox.trusting));
  const further = $derived(Object.entries(seen).filter(([id]) => !mailbox.ids.includes(id)));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    keep(
      ids
        .toLowerCase()
        .split(/[\s,]+/)
        .filter(Boolean),
      trusting,
    );
  }
</script>

<form onsubmit={submit}>
  <Field
    id="ms-ids-{mailbox.id}"
    label={say.mailServer.itsOwnServerIsCalled}
    mono
    bind:value={ids}
  />
  <label class="tick"
    ><input type="checkbox" bind:checked={trusting} />
    {say.mailServer.strictDelivery}</label
  >
  <div><Button type="submit" color="alternative">{say.mailServer.keepIt}</Button></div>
  <p class="muted col-span-full m-0">
    {say.mailServer.mustStrip}
    {#if mailbox.found}<strong class={mailbox.found}>{say.mailServer.found[mailbox.found]}</strong>
    {:else if mailbox.tried_at}{say.mailServer.onItsWay}{/if}
    {#if mailbox.ids.length}<button class="link" type="button" onclick={test}
        >{say.mailServer.testIt}</button
      >{/if}
  </p>
  {#if further.length}
    <p class="muted col-span-full m-0">
      {say.mailServer.theNewestMailNames}
      {#each further as [id, times] (id)}<button
          class="link mono"
          type="button"
          onclick={() => (ids = id)}>{say.mailServer.seen(id, times)}</button
        >{/each}
    </p>
  {/if}
</form>

<style>
  .believed {
    color: var(--madder);
  }
</style>
