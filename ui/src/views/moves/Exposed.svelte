<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import { span } from '../../lib/words';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** For how long the contacts were public, and until when the owner consented to it. */
  let {
    exposed,
    consent,
  }: { exposed: NonNullable<MoveSheet['exposed']>; consent: NonNullable<MoveSheet['consent']> } =
    $props();
</script>

<p class="border-l-4 border-l-line pl-4 mb-4" class:stuck={exposed.over}>
  {say.moveSheet.forSince(
    exposed.until ? say.moveSheet.wasPublic : say.moveSheet.isPublic,
    span(exposed.seconds * 1000),
  )}
  <When at={exposed.since} bare />{say.moveSheet.consentEnds(consent.given_by)}
  <When at={consent.until} bare />{exposed.over ? say.moveSheet.consentOver : '.'}
</p>

<style>
  .stuck {
    border-left: 4px solid var(--madder);
  }
</style>
