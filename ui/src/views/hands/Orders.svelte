<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, Said, type Amount, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import { amountIn, minor } from '../../lib/reading';
  import { money, plainDay } from '../../lib/words';
  import { p } from '../../router';
  import Copy from '../../parts/Copy.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import CodeCopy from './CodeCopy.svelte';
  import Found from './Found.svelte';
  import Refusal from './Refusal.svelte';

  /**
   * Names to be ordered on one registrar’s pages: the list, what must be seen before paying, and
   * that it is done.
   */
  let { account, items }: { account: string; items: Schemas['HandItem'][] } = $props();
  const client = useQueryClient();
  const left = new SvelteSet<number>();
  const chosen = $derived(items.filter((i) => !left.has(i.move)));
  const prices = $derived(chosen.map((i) => i.hand.order?.price).filter((a): a is Amount => !!a));
  const sums = $derived(
    [...new Set(prices.map((a) => a.currency))].map((currency) => ({
      currency,
      minor: prices.filter((a) => a.currency === currency).reduce((n, a) => n + a.minor, 0),
    })),
  );
  const together = $derived(sums.map(money).join(say.orders.and));
  // What all of them share is said once; what differs stands with its name.
  const shared = $derived(
    (chosen[0]?.hand.order?.holds ?? []).filter((h) =>
      chosen.every((i) =>
        i.hand.order?.holds.some((o) => o.what === h.what && o.wanted === h.wanted),
      ),
    ),
  );
  const own = (i: Schemas['HandItem']) =>
    (i.hand.order?.holds ?? []).filter(
      (h) => !shared.some((s) => s.what === h.what && s.wanted === h.wanted),
    );
  const promotions = $derived([
    ...new Map(
      chosen.flatMap((i) =>
        i.hand.order?.promotion ? [[i.hand.order.promotion, i.hand.order.promotion_until]] : [],
      ),
    ),
  ]);
  let number = $state('');
  let charged = $state('');
  let apart = $state<string[]>([]);
  let copied = $state(false);
  let chargedIn = $state('');
  /** What was planned, unless another is typed: a registrar may charge in its own. */
  const currency = $derived(chargedIn || (sums[0]?.currency ?? ''));

  const list = createMutation(() => ({
    mutationFn: async () => {
      const body = { account, moves: chosen.map((i) => i.move) };
      const answer = await ask(api.POST('/api/hands/order-list', { body }));
      if (answer.text) await navigator.clipboard.writeText(answer.text);
      return answer;
    },
    onSuccess: (answer) => {
      apart = answer.apart;
      copied = true;
    },
  }));
  const placed = createMutation(() => ({
    mutationFn: (accept: boolean) => {
      const sum = charged.trim() ? minor(charged, currency) : undefined;
      const order = {
        ...(number.trim() ? { number: number.trim() } : {}),
        ...(sum === undefined ? {} : { charged: { minor: sum, currency } }),
        ...(accept ? { accept_price: true } : {}),
      };
      const steps = chosen.map((i) => ({ move: i.move, step: i.step }));
      return ask(api.POST('/api/hands/said', { body: { steps, order } }));
    },
    onSuccess: () => {
      number = charged = chargedIn = '';
      void refresh(client, 'desk', 'moves', 'hands');
    },
  }));
  const differs = $derived(
    placed.error instanceof Said && placed.error.status === 409 && charged.trim() !== '',
  );
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    placed.mutate(false);
  };
  const coded = $derived(chosen.some((i) => i.hand.order?.coded));
</script>

<section class="orders grid gap-2" aria-label={say.orders.toBeOrdered}>
  <p>
    {say.orders.transferNotRegister}
    {#if together}{say.orders.seeBeforePaying(together)}{:else}{say.orders.noPriceKnown}{/if}
  </p>
  {#if items[0]?.hand.act}
    <Found {account} act={items[0].hand.act} found={items[0].hand.found} />
  {/if}
  {#each promotions as [promotion, until] (promotion)}
    <p>
      {say.orders.promotion}
      <Copy text={promotion} what={say.orders.promotionPart} />
      {#if until}<span class="muted">{say.orders.untilEnd(plainDay(until))}</span>{/if}
    </p>
  {/each}
  {#if shared.length}
    <p>
      {chosen.length > 1 ? say.orders.settingsForAll : say.orders.set}
      {#each shared as h, n (h.what)}{n ? '; ' : ''}{h.what}: <strong>{h.wanted}</strong>{/each}.
    </p>
  {/if}
  {#if may('orderList')}
    <p>
      <Button
        color="alternative"
        disabled={list.isPending || !chosen.length}
        onclick={() => list.mutate()}
        >{copied
          ? say.orders.listCopied(chosen.length - apart.length)
          : coded
            ? say.orders.copyTheList(chosen.length)
            : say.orders.copyNames(chosen.length)}</Button
      >
      <span class="muted">{say.orders.inItsForm}</span>
    </p>
    {#if apart.length}<p class="muted">{say.orders.apart(apart.join(', '))}</p>{/if}
  {/if}
  <ul>
    {#each items as i (i.move)}
      <li
        class="grid grid-cols-[max-content_minmax(0,1fr)] gap-2 py-2 px-0 border-t
          border-t-line items-baseline wrap-anywhere"
      >
        {#if items.length > 1}
          <input
            type="checkbox"
            checked={!left.has(i.move)}
            onchange={() => (left.has(i.move) ? left.delete(i.move) : left.add(i.move))}
            aria-label={say.orders.withThisOrder(i.unicode)}
          />
        {:else}<span></span>{/if}
        <div>
          <div class="flex flex-wrap gap-x-4 items-baseline">
            <a class="mono" href={p('/moves/:id', { params: { id: String(i.move) } })}
              >{i.unicode}</a
            >
            <span class="num"
              >{i.hand.order?.price ? money(i.hand.order.price) : say.orders.noPrice}</span
            >
            <span class="muted">{say.orders.years(i.hand.order?.years ?? 1)}</span>
            {#if i.hand.order?.coded}<CodeCopy name={i.name} />{/if}
            <Refusal move={i.move} name={i.name} />
          </div>
          {#if i.hand.order?.alone}<p class="muted">{say.orders.alone}</p>{/if}
          {#each own(i) as h (h.what)}<p class="muted">
              {h.what}: <strong>{h.wanted}</strong>
            </p>{/each}
          {#if i.phase === 'stuck' && i.says}<p class="border-l-4 border-l-madder pl-2">
              {i.says}
            </p>{/if}
        </div>
      </li>
    {/each}
  </ul>
  {#if may('said')}
    <form class="placed flex flex-wrap gap-2 items-center" onsubmit={submit}>
      <label for="o-number-{account}">{say.orders.orderNumber}</label>
      <input
        id="o-number-{account}"
        class="plain mono w-[9rem]"
        maxlength="60"
        autocomplete="off"
        bind:value={number}
      />
      <label for="o-charged-{account}">{say.orders.charged}</label>
      <input
        id="o-charged-{account}"
        class="plain num w-[9rem]"
        inputmode="decimal"
        {@attach amountIn(() => currency)}
        autocomplete="off"
        bind:value={charged}
      />
      <label for="o-currency-{account}">{say.orders.currency}</label>
      <input
        id="o-currency-{account}"
        class="plain num w-[4rem]"
        pattern={'[A-Za-z]{3}'}
        maxlength="3"
        autocomplete="off"
        required={!!charged.trim()}
        bind:value={() => currency, (v) => (chargedIn = v.toUpperCase())}
      />
      <Button type="submit" disabled={placed.isPending || !chosen.length}
        >{chosen.length === 1
          ? say.orders.thisIsOrdered
          : say.orders.orderedAll(chosen.length)}</Button
      >
    </form>
    {#if differs}
      <p>
        <Button color="alternative" onclick={() => placed.mutate(true)}
          >{say.orders.takeThePrice}</Button
        >
      </p>
    {/if}
  {/if}
  <Trouble error={placed.error ?? list.error} />
</section>
