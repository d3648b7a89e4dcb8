<script lang="ts">
  import { p, route } from '../../router';
  import { contents, guide } from '../../lib/guide';
  import { say } from '../../lib/say';

  const id = $derived((route.params as { page?: string }).page ?? guide()[0]!.id);
</script>

<main class="p-4 grid grid-cols-[14rem_minmax(0,46rem)] gap-4 items-start max-[760px]:grid-cols-1">
  <nav class="grid gap-0.5" aria-label={say.help.pages}>
    {#each guide() as page (page.id)}
      <a
        class="py-1 px-2 border-l-[3px] border-l-transparent no-underline text-ink"
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
</style>
