<script lang="ts">
  import { p } from '../router';
  import { say } from '../lib/say';
</script>

<section>
  <h1>{say.nowhere.thereIsNothingAtThis}</h1>
  <p>{say.nowhere.theLinkMayBeOld} <a href={p('/')}>{say.nowhere.goToTheDesk}</a></p>
</section>

<style>
  section {
    padding: 2rem;
  }
</style>
