<script lang="ts">
  import type { Turn } from '../lib/api';
  import { TURNS } from '../lib/words';

  let { turn, words = false }: { turn: Turn; words?: boolean } = $props();
</script>

<span class="turn {turn} inline-flex items-baseline gap-2" title={TURNS[turn]}>
  <svg
    class="flex-none [transform:translateY(1px)]"
    viewBox="0 0 14 14"
    width="14"
    height="14"
    aria-hidden="true"
  >
    <rect x="1.5" y="1.5" width="11" height="11" class="frame" />
    {#if turn === 'yours'}<rect x="1.5" y="1.5" width="11" height="11" class="fill" />{/if}
    {#if turn === 'desk'}<rect x="4.5" y="4.5" width="5" height="5" class="fill" />{/if}
    {#if turn === 'clock'}<path d="M1.5 12.5v-11l11 11z" class="fill" />{/if}
  </svg>
  <span class:hidden-words={!words}>{TURNS[turn]}</span>
</span>

<style>
  .frame {
    fill: none;
    stroke: currentColor;
    stroke-width: 1.6;
  }
  .fill {
    fill: currentColor;
  }
  .yours {
    color: var(--loden);
  }
  .theirs {
    color: var(--slate);
  }
  .clock {
    color: var(--ochre);
  }
</style>
