<script lang="ts">
  import { p, route } from '../../router';
  import { contents, guide } from '../../lib/guide';
  import { say } from '../../lib/say';

  const id = $derived((route.params as { page?: string }).page ?? guide()[0]!.id);
</script>

<main>
  <nav aria-label={say.help.pages}>
    {#each guide() as page (page.id)}
      <a
        href={p('/help/:page', { params: { page: page.id } })}
        aria-current={page.id === id ? 'page' : undefined}
        data-row>{page.title}</a
      >
    {/each}
  </nav>
  <article class="panel guide">
    {#await contents() then pages}
      {@const page = pages.find((one) => one.id === id)}
      {#if page}
        <!-- our own pages, made when the front end was built -->
        <!-- eslint-disable-next-line svelte/no-at-html-tags -->
        {@html page.html}
      {:else}
        <h1>{say.help.noSuchPage}</h1>
      {/if}
    {/await}
  </article>
</main>

<style>
  main {
    padding: 16px;
    display: grid;
    grid-template-columns: 14rem minmax(0, 46rem);
    gap: 16px;
    align-items: start;
  }
  nav {
    display: grid;
    gap: 2px;
  }
  nav a {
    padding: 4px 8px;
    border-left: 3px solid transparent;
    text-decoration: none;
    color: var(--ink);
  }
  nav a[aria-current] {
    border-left-color: var(--loden);
    font-weight: 600;
  }
  .guide :global(h2) {
    margin: 16px 0 4px;
  }
  .guide :global(:is(p, ul, ol, table)) {
    margin: 8px 0;
    max-width: 42rem;
  }
  .guide :global(ul) {
    list-style: disc;
    padding-left: 16px;
  }
  .guide :global(ol) {
    list-style: decimal;
    padding-left: 24px;
  }
  .guide :global(li) {
    margin: 4px 0;
  }
  .guide :global(:is(th, td)) {
    text-align: left;
    vertical-align: top;
    padding: 4px 16px 4px 0;
    border-top: 1px solid var(--line);
  }
  .guide :global(code) {
    font-family: var(--mono);
  }
  @media (max-width: 760px) {
    main {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
