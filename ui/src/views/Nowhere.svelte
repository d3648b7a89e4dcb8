<script lang="ts">
  import { p } from '../router';
  import { say } from '../lib/say';
</script>

<main class="p-8">
  <h1>{say.nowhere.notFound}</h1>
  <p>{say.nowhere.notFoundWhy} <a href={p('/')}>{say.nowhere.toDesk}</a></p>
</main>
