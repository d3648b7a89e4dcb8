<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  const post = createQuery(() => ({ queryKey: ['post'], queryFn: () => ask(api.GET('/api/post')) }));
  const KINDS: Record<string, string> = {
    'approval-request': 'Approval asked',
    landed: 'Landed',
    'lock-notice': 'Lock notice',
    code: 'Code',
    unrelated: 'Unrelated',
  };
</script>

<main>
  <h1>Post</h1>
  <Trouble error={post.error} />
  {#if post.data}
    {#each post.data.messages as m (m.uid)}
      <article class:doubtful={m.doubtful}>
        <header>
          <strong>{KINDS[m.kind] ?? m.kind}</strong>
          <span class="subject">{m.subject}</span>
          {#if m.at}<span class="muted num"><When at={m.at} /></span>{/if}
        </header>
        <p class="muted">
          from <span class="mono">{m.sender}</span>
          {#if m.move_id}<a href={p('/moves/:id', { params: { id: String(m.move_id) } })}
              >to the move of {m.names.join(', ')}</a
            >{/if}
          {#if m.deadline}; answers count until <When at={m.deadline} bare />{/if}
        </p>
        {#if m.doubtful}<p class="doubt">Doubtful, not relied on. {m.because.join(' ')}</p>{/if}
        <details>
          <summary>Text and why</summary>
          <p class="muted">{m.because.join(' ')}</p>
          <pre>{m.text}</pre>
        </details>
      </article>
    {:else}
      <p class="empty">
        Messages from registrars will stand here, each with the move it belongs to and what it asks for.
      </p>
    {/each}
  {/if}
</main>

<style>
  main {
    padding: 1rem;
    display: grid;
    gap: 0.6rem;
    max-width: 70rem;
  }
  article {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 0.6rem 0.9rem;
  }
  .doubtful {
    border-left: 4px solid var(--madder);
  }
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
    align-items: baseline;
  }
  .subject {
    flex: 1 1 20rem;
    overflow-wrap: anywhere;
  }
  summary {
    cursor: pointer;
    color: var(--loden);
  }
  pre {
    font-family: var(--text);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    padding: 0.4rem 0;
  }
  .empty {
    color: var(--muted);
    border: 1px dashed var(--line);
    border-radius: var(--radius);
    padding: 0.9rem;
  }
</style>
