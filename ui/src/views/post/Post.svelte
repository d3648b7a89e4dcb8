<script lang="ts">
  import {
    createInfiniteQuery,
    createMutation,
    createQuery,
    useQueryClient,
  } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { narrow } from '../../lib/narrow';
  import { p } from '../../router';
  import Drop from './Drop.svelte';
  import Message from './Message.svelte';
  import PostRow from './PostRow.svelte';
  import { refresh } from '../../lib/live.svelte';
  import May from '../../parts/May.svelte';
  import More from '../../parts/More.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** The list of messages on the left, the one that is read on the right. */
  const post = createInfiniteQuery(() => ({
    queryKey: ['post'],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/post', { params: { query: { after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  }));
  const client = useQueryClient();
  const fetch = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/post/fetch')),
    onSuccess: () => refresh(client, 'post', 'moves', 'names', 'codes'),
  }));
  // What wants an answer comes with the first page, wherever it stands.
  const all = $derived([
    ...new Map(post.data?.pages.flatMap((page) => page.messages).map((m) => [m.id, m])).values(),
  ]);
  const asking = $derived(
    all
      .filter((m) => m.wants_answer)
      .sort((a, b) => (a.deadline ?? '9').localeCompare(b.deadline ?? '9')),
  );
  const parts = $derived([
    { title: say.post.answerDue, list: asking },
    { title: say.post.theRest, list: all.filter((m) => !m.wants_answer && m.kind !== 'offer') },
  ]);
  const kinds = $derived(post.data?.pages[0]?.kinds ?? []);
  const kindOf = (m: Schemas['Message']) => kinds.find((k) => k.id === m.kind)?.title ?? m.kind;
  const offers = $derived(all.filter((m) => m.kind === 'offer'));
  // A link from elsewhere leads to one message, wherever in the list it stands; else, where there
  // is room for both, the first one is open.
  const asked = $derived(Number(searchParams.get('message')) || undefined);
  const first = $derived(parts.flatMap((part) => part.list)[0]);
  const here = $derived(asked ?? (narrow.current ? undefined : first?.id));
  const one = createQuery(() => ({
    queryKey: ['post', 'message', here],
    queryFn: () => ask(api.GET('/api/post/{id}', { params: { path: { id: here! } } })),
    enabled: here !== undefined,
  }));
  const shown = $derived(one.data ?? all.find((m) => m.id === here));
</script>

{#snippet row(m: Schemas['Message'])}
  <PostRow message={m} kind={kindOf(m)} current={m.id === here} />
{/snippet}

<main class:asked={asked !== undefined}>
  <header>
    <Head title={say.post.post} answer={post.data ? say.post.head(asking.length) : undefined} />
    <div class="acts">
      <May operation="fetchPost"
        ><Button
          size="sm"
          color="alternative"
          disabled={fetch.isPending}
          onclick={() => fetch.mutate()}>{say.post.fetchNow}</Button
        ></May
      >
      <Drop />
      <a href={p('/codes')}>{say.post.codeSafe}</a>
      <a href={p('/by-hand')}>{say.post.lettersThatWentOut}</a>
    </div>
  </header>
  {#if post.data?.pages[0]?.reading}
    {@const reading = post.data.pages[0].reading}
    <p class="muted" role="status">{say.post.reading(reading.done, reading.of)}</p>
  {/if}
  <Trouble error={post.error ?? fetch.error ?? one.error} />
  {#if post.data && !all.length && !shown}
    <p class="empty">
      {say.post.emptyPost}
      <a href={p('/accounts/settings')}>{say.post.setUpTheMailbox}</a>{say.post.orDropThem}
    </p>
  {:else if post.data}
    <div class="panes">
      <nav class="box list" aria-label={say.post.messages}>
        {#each parts.filter((part) => part.list.length) as part (part.title)}
          <h2>{part.title}</h2>
          {#each part.list as m (m.id)}{@render row(m)}{/each}
        {/each}
        {#if offers.length}
          <details>
            <summary
              >{offers.length === 1
                ? say.post.n1OfferToStay
                : say.post.offers(offers.length)}</summary
            >
            {#each offers as m (m.id)}{@render row(m)}{/each}
          </details>
        {/if}
        <More
          there={post.hasNextPage}
          busy={post.isFetchingNextPage}
          more={() => void post.fetchNextPage()}
        />
      </nav>
      <div class="read">
        {#if asked !== undefined}<p class="back">
            <a href={p('/post')}>{say.post.anyMessage}</a>
          </p>{/if}
        {#if shown}{#key shown.id}<Message
              message={shown}
              kind={kindOf(shown)}
              {kinds}
            />{/key}{/if}
      </div>
    </div>
  {/if}
</main>

<style>
  main {
    padding: 16px;
    display: grid;
    gap: 16px;
    grid-template-columns: minmax(0, 1fr);
  }
  header,
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
    justify-content: space-between;
  }
  .panes {
    display: grid;
    gap: 16px;
    grid-template-columns: minmax(0, 24rem) minmax(0, 1fr);
    align-items: start;
  }
  .list {
    max-height: calc(100vh - 9.5rem);
    overflow-y: auto;
  }
  .list h2,
  .list summary {
    font-size: var(--note);
    padding: 8px 16px;
    color: var(--muted);
  }
  .read {
    min-width: 0;
  }
  .back {
    display: none;
  }
  @media (max-width: 760px) {
    .panes {
      grid-template-columns: minmax(0, 1fr);
    }
    .list {
      max-height: none;
    }
    .asked .list {
      display: none;
    }
    .back {
      display: block;
    }
  }
</style>
