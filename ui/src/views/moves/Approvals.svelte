<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { inParts } from '../../lib/part.svelte';
  import { span } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import ForGood from '../../parts/ForGood.svelte';
  import May from '../../parts/May.svelte';
  import More from '../../parts/More.svelte';
  import MovesNav from './MovesNav.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  /** Every approval that is due, gathered by place, and those to come. */
  const client = useQueryClient();
  const page = createQuery(() => ({
    queryKey: ['moves', 'approvals'],
    queryFn: () => ask(api.GET('/api/approvals')),
  }));
  const approve = createMutation(() => ({
    mutationFn: (moves: number[]) => ask(api.POST('/api/approvals', { body: { moves } })),
    onSuccess: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  const coming = inParts(() => page.data?.coming ?? []);
  const due = $derived((page.data?.places ?? []).reduce((n, x) => n + x.items.length, 0));
  const COLUMNS =
    '[--cols:minmax(10rem,16rem)_minmax(8rem,14rem)_minmax(8rem,16rem)_minmax(0,1fr)_auto]' +
    ' [--pad:8px_16px]';
</script>

<main class="p-4">
  <MovesNav />
  <Head
    title={say.views.approvals}
    answer={page.data ? (due ? say.approvals.due(due) : say.approvals.none) : undefined}
  />
  <Trouble error={page.error ?? approve.error} />
  {#each approve.data?.problems ?? [] as x (x.move_id)}<p class="text-madder" role="alert">
      {x.says}
    </p>{/each}
  {#if page.data}
    {#each page.data.places as place (place.id)}
      {@const able = place.items.filter((i) => i.able)}
      <section class="box raised my-4 mx-0" aria-label={place.title}>
        <header class="flex flex-wrap gap-y-2 gap-x-4 items-center py-2 px-4">
          <h2 class="my-2 mx-0">{place.title}</h2>
          {#if able.length > 1}
            <May operation="approveSeveral">
              <ForGood
                label={say.approvals.all(able.length, place.title)}
                yes={say.forGood.releaseOf(say.gathered.names(able.length))}
                busy={approve.isPending}
                act={() => approve.mutate(able.map((i) => i.move_id))}
              />
            </May>
          {/if}
          {#if place.items.length > able.length}<a href={p('/by-hand')}>{say.approvals.oneVisit}</a
            >{/if}
        </header>
        <ul class="columned {COLUMNS}">
          {#each place.items as i (`${i.move_id} ${i.step}`)}
            <li>
              <a class="mono" href={p('/moves/:id', { params: { id: String(i.move_id) } })}
                >{i.unicode}</a
              >
              <span>{say.approvals.how[i.how] ?? say.approvals.how.page}</span>
              <span
                >{#if i.ends}<When at={i.ends} />{#if i.assumed}
                    <span class="muted">({say.approvals.assumed})</span>{/if}{:else}<span
                    class="muted">{say.approvals.unknownEnd}</span
                  >{/if}</span
              >
              <span
                >{say.approvals.silence[i.silence]}
                {#if i.saves}{say.approvals.saves(span(i.saves * 1000))}{/if}</span
              >
              {#if i.approved}<span class="muted">{say.approvals.approved}</span>
              {:else if i.able}
                <May operation="approveSeveral"
                  ><ForGood
                    size="sm"
                    label={say.approvals.approve}
                    yes={say.forGood.releaseOf(i.unicode)}
                    busy={approve.isPending}
                    act={() => approve.mutate([i.move_id])}
                  /></May
                >
              {:else}<span></span>{/if}
            </li>
          {/each}
        </ul>
      </section>
    {/each}
    {#if page.data.coming.length}
      <h2 class="my-2 mx-0">{say.approvals.coming}</h2>
      <ul class="box columned {COLUMNS}">
        {#each coming.shown as c (c.move_id)}
          <li>
            <a class="mono" href={p('/moves/:id', { params: { id: String(c.move_id) } })}
              >{c.unicode}</a
            >
            <span>{c.from}</span>
            <span>{say.approvals.expected} <When at={c.expected} /></span>
            {#if c.wished}<span class="muted">{say.approvals.wished}</span><span></span>
            {:else}
              <span></span>
              <May operation="approveSeveral"
                ><button
                  class="link"
                  disabled={approve.isPending}
                  onclick={() => approve.mutate([c.move_id])}>{say.approvals.wish}</button
                ></May
              >
            {/if}
          </li>
        {/each}
      </ul>
      <More there={coming.left > 0} busy={false} more={coming.more} />
    {/if}
  {/if}
</main>
