<script lang="ts">
  import { say } from '../lib/say';

  /** Links to the sections of a long sheet; each takes the view and the focus to its heading. */
  let { to }: { to: [id: string, title: string][] } = $props();

  function go(e: MouseEvent, id: string) {
    e.preventDefault();
    const heading = document.getElementById(id);
    heading?.scrollIntoView({ block: 'start' });
    heading?.focus({ preventScroll: true });
  }
</script>

<nav class="flex flex-wrap gap-y-1 gap-x-4 mb-2 text-body" aria-label={say.answers.sections}>
  {#each to as [id, title] (id)}<a href="#{id}" onclick={(e) => go(e, id)}>{title}</a>{/each}
</nav>
