<script lang="ts">
  import { p } from '../router';
</script>

<section>
  <h1>There is nothing at this address</h1>
  <p>The link may be old. <a href={p('/')}>Go to the Desk</a></p>
</section>

<style>
  section {
    padding: 2rem;
  }
</style>
