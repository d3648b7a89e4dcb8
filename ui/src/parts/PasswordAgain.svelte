<script lang="ts">
  import { whenAgain } from '../lib/api';

  /**
   * The password once more, over the page, for what weighs much; what was being done goes on by
   * itself once it was given. Its form is fetched when it is needed.
   */
  let waiting = $state.raw<((given: boolean) => void)[]>([]);
  whenAgain(() => new Promise((resolve) => (waiting = [...waiting, resolve])));

  function end(given: boolean) {
    const all = waiting;
    waiting = [];
    for (const resolve of all) resolve(given);
  }
  const form = () =>
    import('./PasswordDialog.svelte').catch((e: Error) => {
      end(false);
      throw e;
    });
</script>

{#if waiting.length}
  {#await form() then { default: PasswordDialog }}<PasswordDialog {end} />{/await}
{/if}
