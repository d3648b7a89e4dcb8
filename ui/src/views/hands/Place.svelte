<script lang="ts">
  import { say } from '../../lib/say';

  /** Where a person signs in, and as whom. */
  let { hand }: { hand: { title?: string | null; site?: string | null; login?: string | null } } =
    $props();
</script>

<p>
  <span class="muted">{say.place.at}</span>
  {#if hand.site}<a href={hand.site} target="_blank" rel="noopener noreferrer">{hand.title}</a
    >{:else}<strong>{hand.title}</strong>{/if}{#if hand.login}<span class="muted"
      >{say.place.as}</span
    > <span class="mono">{hand.login}</span>{/if}
</p>
