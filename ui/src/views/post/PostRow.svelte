<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { p } from '../../router';
  import { stamp } from '../../lib/words';
  import { say } from '../../lib/say';

  /** One message in the list: what it is, about what, when; and whether nobody can rely on it. */
  let {
    message: m,
    kind,
    current,
  }: { message: Schemas['Message']; kind: string; current: boolean } = $props();
  const quiet = $derived(m.kind === 'unrelated' || m.kind === 'offer');
  const about = $derived(m.unicode.length ? m.unicode.join(', ') : m.subject);
</script>

<a
  class="row {m.trust} grid grid-cols-[minmax(0,1fr)_max-content] gap-x-2 py-2 px-4 text-ink
    no-underline border-t border-t-line border-l-4 border-l-transparent hover:bg-raised"
  class:quiet
  class:current
  data-row
  aria-current={current}
  href="{p('/post')}?message={m.id}"
>
  <span class="kind" class:asks={m.wants_answer}>{kind}</span>
  <span class="note muted num">{m.at ? stamp(m.at, clock.now) : ''}</span>
  <span class="about" class:mono={m.unicode.length > 0}>{about}</span>
  {#if m.trust !== 'proven' && !quiet}<span class="note trust">{say.post.trust[m.trust]}</span>{/if}
</a>

<style>
  .doubtful:not(.quiet) {
    border-left-color: var(--madder);
  }
  .unproven:not(.quiet) {
    border-left-color: var(--ochre-fill);
  }
  .current,
  .current:hover {
    background: var(--loden-soft);
  }
  .asks {
    font-weight: 600;
  }
  .about {
    grid-column: 1;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .trust {
    color: var(--muted);
  }
</style>
