<script lang="ts">
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { p } from '../../router';
  import Correct from './Correct.svelte';
  import Drop from './Drop.svelte';
  import More from '../../parts/More.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  const post = createInfiniteQuery(() => ({
    queryKey: ['post'],
    queryFn: ({ pageParam }) => ask(api.GET('/api/post', { params: { query: { after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  }));
  type Message = Schemas['Message'];
  // What wants an answer comes with the first page, wherever it stands.
  const all = $derived([...new Map(post.data?.pages.flatMap((page) => page.messages).map((m) => [m.uid, m])).values()]);
  const parts = $derived([
    {
      title: say.post.wantsAnAnswer,
      list: all.filter((m) => m.wants_answer).sort((a, b) => (a.deadline ?? '9').localeCompare(b.deadline ?? '9')),
    },
    { title: say.post.theRest, list: all.filter((m) => !m.wants_answer && m.kind !== 'offer') },
  ]);
  const kinds = $derived(post.data?.pages[0]?.kinds ?? []);
  const offers = $derived(all.filter((m) => m.kind === 'offer'));
</script>

<main class="view">
  <h1>{say.post.post}</h1>
  <p>
    <a href={p('/codes')}>{say.post.codeSafe}</a>{say.post.theAuthorizationCodesThatCame}
    <a href={p('/by-hand')}>{say.post.byHand}</a>{say.post.lettersThatWentOut}
  </p>
  <Drop />
  <Trouble error={post.error} />
  {#if post.data}
    {#each parts.filter((p) => p.list.length) as part (part.title)}
      <h2>{part.title}</h2>
      {#each part.list as m (m.uid)}{@render one(m)}{/each}
    {/each}
    {#if offers.length}
      <details>
        <summary>{offers.length === 1 ? say.post.n1OfferToStay : say.post.offersToStay(offers.length)}</summary>
        {#each offers as m (m.uid)}{@render one(m)}{/each}
      </details>
    {/if}
    <More there={post.hasNextPage} busy={post.isFetchingNextPage} more={() => void post.fetchNextPage()} />
    {#if !all.length}
      <p class="empty">
        {say.post.messagesFromRegistrarsWillStand}
      </p>
    {/if}
  {/if}
</main>

{#snippet one(m: Message)}
  <article class="box" class:doubtful={m.doubtful}>
    <header>
      <strong>{kinds.find((k) => k.id === m.kind)?.title ?? m.kind}</strong>
      <span class="subject">{m.subject}</span>
      {#if m.at}<span class="muted num"><When at={m.at} /></span>{/if}
    </header>
    <p class="muted line">
      <span>{say.post.from} <span class="mono">{m.sender}</span></span>
      {#if m.move_id}<a href={p('/moves/:id', { params: { id: String(m.move_id) } })}
          >{say.post.toTheMoveOf(m.names.join(', '))}</a
        >{:else if m.names.length}<span>{say.post.about(m.names.join(', '))}</span>{/if}
      {#if m.corrected_by}<span>{say.post.putRightBy(m.corrected_by)}</span>{/if}
      {#if m.deadline}<span>{say.post.answersCountUntil} <When at={m.deadline} bare /></span>{/if}
    </p>
    {#if m.doubtful}<p class="doubt">{say.post.doubtfulNotReliedOn(m.because.join(' '))}</p>{/if}
    <details>
      <summary>{say.post.textAndWhy}</summary>
      <p class="muted">{m.because.join(' ')}</p>
      {#if m.link}<p>{say.post.itsLink} <span class="mono link">{m.link}</span></p>{/if}
      <pre>{m.text}</pre>
      <Correct message={m} {kinds} />
    </details>
  </article>
{/snippet}

<style>
  article {
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
  pre {
    font-family: var(--text);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    padding: 0.4rem 0;
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  .link {
    overflow-wrap: anywhere;
  }
</style>
