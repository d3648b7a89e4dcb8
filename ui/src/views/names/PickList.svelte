<script lang="ts">
  import { say } from '../../lib/say';
  import Panel from '../../parts/Panel.svelte';

  /** Where a list of names is pasted; its form is fetched when it is unfolded. */
  let open = $state(false);
</script>

<Panel label={say.pickList.title} bind:open on={false}>
  {#await import('./PickForm.svelte') then { default: PickForm }}<PickForm />{/await}
</Panel>
