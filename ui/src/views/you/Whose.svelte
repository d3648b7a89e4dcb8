<script lang="ts">
  import { session } from '../../lib/session.svelte';
</script>

<!-- Tells a keeper of passwords whose password a form asks for. -->
<input
  class="hidden-words"
  type="email"
  name="email"
  autocomplete="username"
  value={session.who?.email}
  readonly
  tabindex="-1"
  aria-hidden="true"
/>
