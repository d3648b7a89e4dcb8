<script lang="ts">
  import { Button, Input, Label, Textarea } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { at } from '../../lib/base';
  import { money } from '../../lib/words';
  import { say } from '../../lib/say';
  import When from '../../parts/When.svelte';

  /** What a client is asked to agree to, for whoever has its secret address. */
  let { word }: { word: string } = $props();
  let plan = $state<Schemas['Agreement']>();
  let said = $state('');
  let by = $state('');
  let question = $state('');
  let busy = $state(false);

  async function show(asked: ReturnType<typeof read>) {
    busy = true;
    said = '';
    await asked.then(
      (answer) => (plan = answer),
      (e: Error) => (said = e.message),
    );
    busy = false;
  }
  const read = () => ask(api.POST('/api/agreement', { body: { word } }));
  const answer = (what: 'yes' | 'question') =>
    show(
      ask(
        api.POST('/api/agreement/answer', {
          body: { word, answer: what, by, says: what === 'yes' ? '' : question },
        }),
      ),
    );
  void show(read());
  const open = $derived(plan && plan.state.answer !== 'yes' && !plan.state.changed);
  const listed = (words: string[]) =>
    new Intl.ListFormat('en', { style: 'long', type: 'conjunction' }).format(words);
  const seen = $derived(plan?.names.some((n) => n.public_until) ?? false);
</script>

{#snippet label(text: string)}
  <span class="hidden muted mr-1 max-[700px]:inline">{text}:</span>
{/snippet}

<main class="max-w-[60rem] mx-auto py-8 px-4 grid gap-4">
  <p class="flex items-center gap-2">
    <img src={at('/mark.svg')} alt="" width="24" height="24" />{say.welcome.steadyMove}
  </p>
  {#if said}<p class="text-madder" role="alert">{said}</p>{/if}
  {#if plan}
    <header>
      <p class="note muted wrap-anywhere">{plan.title}</p>
      <h1 class="answer">
        {plan.state.changed
          ? say.agreeing.changed
          : plan.state.answer === 'yes'
            ? say.agreeing.agreed
            : say.agreeing.head(plan.names.length)}
      </h1>
    </header>
    {#if plan.state.answer === 'question'}<p role="status">{say.agreeing.asked}</p>{/if}
    <p class="max-w-[72ch]">
      {say.agreeing.from(plan.state.asked_by)}
      {#if plan.range.length}
        {say.agreeing.between}
        <When at={plan.range[0]!} bare />
        {say.agreeing.and}
        <When at={plan.range[2]!} bare />
        {say.agreeing.inTen}
      {/if}
    </p>
    {#if seen}<p class="max-w-[72ch] border-l-4 border-l-ochre pl-2">
        {say.agreeing.becomesPublic(
          listed(plan.public.map((what) => say.agreeing.contact[what] ?? what)),
        )}
      </p>{/if}
    <table class="figures max-[700px]:block" aria-label={say.agreeing.names}>
      <thead class="max-[700px]:hidden">
        <tr>
          <th scope="col">{say.agreeing.name}</th>
          <th scope="col">{say.agreeing.to}</th>
          <th scope="col">{say.agreeing.begins}</th>
          <th scope="col">{say.agreeing.uptime}</th>
          {#if seen}<th scope="col">{say.agreeing.seen}</th>{/if}
          <th scope="col" class="num">{say.agreeing.cost}</th>
        </tr>
      </thead>
      <tbody class="max-[700px]:block">
        {#each plan.names as n (n.name)}
          <tr>
            <td class="mono wrap-anywhere">{n.unicode}</td>
            <td>{@render label(say.agreeing.to)}{n.to}</td>
            <td
              >{@render label(say.agreeing.begins)}{#if n.at}<When at={n.at} bare />{:else}{say
                  .agreeing.notSet}{/if}</td
            >
            <td>{@render label(say.agreeing.uptime)}{n.uptime}</td>
            {#if seen}<td
                >{@render label(say.agreeing.seen)}{#if n.public_until}<When
                    at={n.public_until}
                    bare
                  />{:else}{say.agreeing.stays}{/if}</td
              >{/if}
            <td class="num"
              >{@render label(say.agreeing.cost)}{n.total
                ? money(n.total)
                : say.agreeing.notKnown}</td
            >
          </tr>
        {/each}
        <tr class="font-semibold">
          <td colspan={seen ? 5 : 4}
            >{say.agreeing.total}{#if plan.unpriced}, {say.agreeing.unpriced(
                plan.unpriced,
              )}{/if}</td
          >
          <td class="num">{plan.total.map(money).join(' + ') || say.agreeing.notKnown}</td>
        </tr>
      </tbody>
    </table>
    {#if plan.left_out.length}<p class="muted max-w-[72ch] wrap-anywhere">
        {say.agreeing.leftOut(plan.left_out.join(', '))}
      </p>{/if}
    {#if open}
      <form
        class="grid gap-4 max-w-[26rem]"
        onsubmit={(e) => {
          e.preventDefault();
          void answer('yes');
        }}
      >
        <div>
          <Label for="agree-by">{say.agreeing.by}</Label>
          <Input id="agree-by" required maxlength={120} autocomplete="name" bind:value={by} />
        </div>
        <Button type="submit" disabled={busy || !by.trim()}>{say.agreeing.yes}</Button>
        <div>
          <Label for="agree-says">{say.agreeing.says}</Label>
          <Textarea
            id="agree-says"
            class="w-full"
            rows={3}
            maxlength={2000}
            bind:value={question}
          />
        </div>
        <Button
          type="button"
          color="alternative"
          disabled={busy || !by.trim() || !question.trim()}
          onclick={() => void answer('question')}>{say.agreeing.ask}</Button
        >
      </form>
    {/if}
  {/if}
</main>

<style>
  /* In a narrow window each name is a block of lines. */
  @media (max-width: 700px) {
    tr,
    td {
      display: block;
    }
    tr {
      padding: 8px 0;
    }
    td,
    td.num {
      border: 0;
      padding: 0;
      text-align: left;
    }
  }
</style>
