<script lang="ts">
  import { p } from '../router';
  import { say } from '../lib/say';
</script>

<main>
  <h1>{say.nowhere.thereIsNothingAtThis}</h1>
  <p>{say.nowhere.theLinkMayBeOld} <a href={p('/')}>{say.nowhere.goToTheDesk}</a></p>
</main>

<style>
  main {
    padding: 2rem;
  }
</style>
