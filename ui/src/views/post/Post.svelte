<script lang="ts">
  import {
    createInfiniteQuery,
    createMutation,
    createQuery,
    useQueryClient,
  } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';
  import Drop from './Drop.svelte';
  import Message from './Message.svelte';
  import { refresh } from '../../lib/live.svelte';
  import May from '../../parts/May.svelte';
  import More from '../../parts/More.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  const post = createInfiniteQuery(() => ({
    queryKey: ['post'],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/post', { params: { query: { after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  }));
  // A link from elsewhere leads to one message, wherever in the list it stands.
  const asked = $derived(Number(searchParams.get('message')) || undefined);
  const one = createQuery(() => ({
    queryKey: ['post', 'message', asked],
    queryFn: () => ask(api.GET('/api/post/{id}', { params: { path: { id: asked! } } })),
    enabled: asked !== undefined,
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
  const parts = $derived([
    {
      title: say.post.answerDue,
      list: all
        .filter((m) => m.wants_answer)
        .sort((a, b) => (a.deadline ?? '9').localeCompare(b.deadline ?? '9')),
    },
    { title: say.post.theRest, list: all.filter((m) => !m.wants_answer && m.kind !== 'offer') },
  ]);
  const kinds = $derived(post.data?.pages[0]?.kinds ?? []);
  const offers = $derived(all.filter((m) => m.kind === 'offer'));
</script>

<main class="view">
  <h1>{say.post.post}</h1>
  <p>
    <a href={p('/codes')}>{say.post.codeSafe}</a>{say.post.safeHint}
    <a href={p('/by-hand')}>{say.post.byHand}</a>{say.post.lettersThatWentOut}
  </p>
  <May operation="fetchPost">
    <p>
      <Button
        size="sm"
        color="alternative"
        disabled={fetch.isPending}
        onclick={() => fetch.mutate()}>{say.post.fetchNow}</Button
      >
    </p>
  </May>
  {#if post.data?.pages[0]?.reading}
    {@const reading = post.data.pages[0].reading}
    <p class="muted" role="status">{say.post.reading(reading.done, reading.of)}</p>
  {/if}
  <Drop />
  <Trouble error={post.error ?? fetch.error ?? one.error} />
  {#if asked !== undefined}
    <p><a href={p('/post')}>{say.post.anyMessage}</a></p>
    {#if one.data && post.data}{#key one.data.id}<Message
          message={one.data}
          {kinds}
          unfolded
        />{/key}{/if}
  {:else if post.data}
    {#each parts.filter((p) => p.list.length) as part (part.title)}
      <h2>{part.title}</h2>
      {#each part.list as m (m.id)}<Message message={m} {kinds} />{/each}
    {/each}
    {#if offers.length}
      <details>
        <summary
          >{offers.length === 1 ? say.post.n1OfferToStay : say.post.offers(offers.length)}</summary
        >
        {#each offers as m (m.id)}<Message message={m} {kinds} />{/each}
      </details>
    {/if}
    <More
      there={post.hasNextPage}
      busy={post.isFetchingNextPage}
      more={() => void post.fetchNextPage()}
    />
    {#if !all.length}
      <p class="empty">
        {say.post.emptyPost}
        <a href={p('/accounts')}>{say.post.setUpTheMailbox}</a>{say.post.orDropThem}
      </p>
    {/if}
  {/if}
</main>
