<script lang="ts">
  import { isActiveLink } from 'sv-router';
  import { p } from '../../router';
  import { say } from '../../lib/say';
</script>

<nav class="flex flex-wrap gap-y-1 gap-x-4 mb-2" aria-label={say.movesNav.label}>
  <a href={p('/moves')} {@attach isActiveLink({ className: 'here', startsWith: true })}
    >{say.movesNav.moves}</a
  >
  <a href={p('/approvals')} {@attach isActiveLink({ className: 'here' })}
    >{say.movesNav.approvals}</a
  >
  <a href={p('/batches')} {@attach isActiveLink({ className: 'here', startsWith: true })}
    >{say.movesNav.batches}</a
  >
  <a href={p('/ledger')} {@attach isActiveLink({ className: 'here' })}>{say.movesNav.ledger}</a>
</nav>

<style>
  nav :global(a.here) {
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
  }
</style>
