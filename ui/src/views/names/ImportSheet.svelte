<script lang="ts">
  import Sheet from '../../parts/Sheet.svelte';
  import { say } from '../../lib/say';
  import { route } from '../../router';
  import Imported from './Imported.svelte';

  const id = $derived(Number(route.params.id));
</script>

<Sheet title={say.takeIn.outcome} back="/names">
  {#key id}<Imported {id} />{/key}
</Sheet>
