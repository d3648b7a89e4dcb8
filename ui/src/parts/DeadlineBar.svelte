<script lang="ts">
  import { clock } from '../lib/clock.svelte';
  import { span } from '../lib/words';
  import { say } from '../lib/say';

  let { since, until }: { since: string; until: string } = $props();
  const left = $derived(Date.parse(until) - clock.now);
  const share = $derived(
    Math.min(1, Math.max(0, left / Math.max(1, Date.parse(until) - Date.parse(since)))),
  );
</script>

<div
  class="bar h-[5px] bg-line rounded-[2px]"
  class:late={left < 0}
  role="img"
  aria-label={left < 0 ? say.deadlineBar.late : say.deadlineBar.left(span(left))}
>
  <div class="left" style:width="{share * 100}%"></div>
</div>

<style>
  .left {
    height: 100%;
    background: var(--ochre-fill);
    border-radius: 2px;
    transition: width 0.6s ease;
  }
  .late {
    background: var(--madder);
  }
</style>
