<script lang="ts">
  import Download from '../../parts/Download.svelte';
  import { at } from '../../lib/base';
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { inParts } from '../../lib/part.svelte';
  import { money } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import Entries from './Entries.svelte';
  import May from '../../parts/May.svelte';
  import More from '../../parts/More.svelte';
  import MovesNav from '../moves/MovesNav.svelte';
  import MonthReport from './MonthReport.svelte';
  import NoteEntry from './NoteEntry.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** What it costs, cost and saves; what does not fit, until it is settled. */
  const batch = $derived(Number(searchParams.get('batch')) || undefined);
  const book = createQuery(() => ({
    queryKey: ['moves', 'ledger', batch],
    queryFn: () => ask(api.GET('/api/ledger', { params: { query: { batch } } })),
  }));
  const lines = inParts(() => book.data?.lines ?? []);
  const settle = createMutation(() => ({
    mutationFn: (body: Schemas['LedgerSettled']) => ask(api.POST('/api/ledger/settle', { body })),
    onSuccess: () => book.refetch(),
  }));
  let how = $state<Record<string, string>>({});
  const sum = (list: Schemas['Amount'][]) => list.map(money).join(say.batch.and) || '–';
</script>

<main class="p-4">
  <MovesNav />
  <header class="flex justify-between items-baseline">
    <Head
      title={say.views.ledger}
      answer={book.data?.lines.length ? say.ledger.head(book.data.differences.length) : undefined}
    />
    <Download href={at(`/api/ledger.csv${batch ? `?batch=${batch}` : ''}`)}
      >{say.ledger.csv}</Download
    >
  </header>
  <Trouble error={book.error ?? settle.error} />
  {#if book.data && !book.data.lines.length}<p class="box none py-8 px-4 text-muted">
      {say.ledger.none}
    </p>{/if}
  {#if book.data?.lines.length}
    <h2 class="mt-4 mb-1 mx-0">{say.ledger.toSettle}</h2>
    <ul>
      {#each book.data.differences as d (d.key)}
        <li class="flex flex-wrap gap-y-1 gap-x-4 py-1 px-0 border-t border-t-line wrap-anywhere">
          <span>{d.says}</span>
          <span class="mono">{d.moves.map((m) => m.unicode).join(', ')}</span>
          <May operation="settleLedger">
            <form
              class="flex gap-2 ml-auto"
              onsubmit={(e) => {
                e.preventDefault();
                settle.mutate({ key: d.key, reason: how[d.key] ?? '' });
              }}
            >
              <label
                ><span class="hidden-words">{say.ledger.how}</span>
                <input
                  class="plain bg-raised text-ink border border-line py-0.5 px-2 min-w-[14rem]"
                  bind:value={how[d.key]}
                  required
                  maxlength="300"
                  placeholder={say.ledger.how}
                /></label
              >
              <button class="link" type="submit">{say.ledger.settle}</button>
            </form>
          </May>
        </li>
      {:else}<li
          class="flex flex-wrap gap-y-1 gap-x-4 py-1 px-0 border-t border-t-line wrap-anywhere"
        >
          {say.ledger.fits}
        </li>{/each}
    </ul>

    <h2 class="mt-4 mb-1 mx-0">{say.ledger.sums}</h2>
    <div class="overflow-x-auto">
      <table class="figures">
        <thead>
          <tr>
            <th scope="col">{say.ledger.what}</th>
            <th scope="col"></th>
            <th scope="col" class="num">{say.ledger.spent}</th>
            <th scope="col" class="num">{say.ledger.saved}</th>
          </tr>
        </thead>
        <tbody>
          {#each book.data.sums.filter((s) => s.by === 'all' || s.title) as s (`${s.by} ${s.title}`)}
            <tr class:all={s.by === 'all'}>
              <td>{say.ledger.by[s.by]} {s.title ?? ''}</td>
              <td class="muted num"
                >{say.ledger.moves(s.moves)}{#if s.unknown}, {say.ledger.unknown(
                    s.unknown,
                  )}{/if}</td
              >
              <td class="num">{sum(s.spent)}</td>
              <td class="num">{sum(s.saved)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>

    <MonthReport book={book.data} />

    <h2 class="mt-4 mb-1 mx-0">{say.ledger.perMove}</h2>
    <div class="overflow-x-auto">
      <table class="figures">
        <thead>
          <tr>
            <th scope="col">{say.ledger.name}</th>
            <th scope="col">{say.ledger.to}</th>
            <th scope="col" class="num">{say.ledger.quoted}</th>
            <th scope="col" class="num">{say.ledger.spent}</th>
            <th scope="col" class="num">{say.ledger.saved}</th>
            <th scope="col"></th>
          </tr>
        </thead>
        <tbody>
          {#each lines.shown as l (l.id)}
            <tr>
              <td
                ><a class="mono" href={p('/moves/:id', { params: { id: String(l.id) } })}
                  >{l.unicode}</a
                ></td
              >
              <td>{l.to}</td>
              <td class="num">{l.quoted ? money(l.quoted) : '–'}</td>
              <td class="num">{l.spent ? [l.spent, ...l.besides].map(money).join(' + ') : '–'}</td>
              <td class="num">{l.saved ? money(l.saved) : '–'}</td>
              <td class="muted"
                >{l.stage}{#if l.spent && !l.charged}, {say.ledger.asPlanned}{/if}{#if l.lost_days}, {say.ledger.lost(
                    l.lost_days,
                  )}{/if}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <More there={lines.left > 0} busy={false} more={lines.more} />
    <NoteEntry lines={book.data.lines} done={() => void book.refetch()} />
    <Entries entries={book.data.entries} />
  {/if}
</main>

<style>
  .all td {
    font-weight: 600;
  }
</style>
