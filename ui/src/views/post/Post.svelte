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

<main class="p-4 grid gap-4 grid-cols-1" class:asked={asked !== undefined}>
  <header class="flex flex-wrap gap-y-2 gap-x-4 items-center justify-between">
    <Head title={say.post.post} answer={post.data ? say.post.head(asking.length) : undefined} />
    <div class="acts justify-between">
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
    <div
      class="grid gap-4 grid-cols-[minmax(0,24rem)_minmax(0,1fr)] items-start
        max-[760px]:grid-cols-1"
    >
      <nav
        class="box list max-h-[calc(100vh_-_9.5rem)] overflow-y-auto max-[760px]:max-h-none"
        aria-label={say.post.messages}
      >
        {#each parts.filter((part) => part.list.length) as part (part.title)}
          <h2 class="text-note py-2 px-4 text-muted">{part.title}</h2>
          {#each part.list as m (m.id)}{@render row(m)}{/each}
        {/each}
        {#if offers.length}
          <details>
            <summary class="text-note py-2 px-4 text-muted"
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
      <div class="read min-w-0">
        {#if asked !== undefined}<p class="hidden max-[760px]:block">
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
  @media (max-width: 760px) {
    .asked .list {
      display: none;
    }
  }
</style>
