<script lang="ts">
  import { clock } from '../lib/clock.svelte';
  import { full, stamp, zone } from '../lib/words';

  const iso = $derived(new Date(clock.now).toISOString());
</script>

<time class="num" datetime={iso} title={full(iso)}>{stamp(iso, clock.now)} {zone(clock.now)}</time>

<style>
  time {
    margin-right: 8px;
  }
</style>
