<script lang="ts">
  import { clock } from '../lib/clock.svelte';
  import { full, stamp, when } from '../lib/words';

  let { at, bare = false }: { at: string; bare?: boolean } = $props();
</script>

<time class="num" datetime={at} title={full(at)}
  >{bare ? stamp(at, clock.now) : when(at, clock.now)}</time
>
