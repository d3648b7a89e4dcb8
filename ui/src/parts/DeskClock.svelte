<script lang="ts">
  import { clock } from '../lib/clock.svelte';
  import { full, stamp, zone } from '../lib/words';

  const iso = $derived(new Date(clock.now).toISOString());
</script>

<time class="num mr-2" datetime={iso} title={full(iso)}
  >{stamp(iso, clock.now)} {zone(clock.now)}</time
>
