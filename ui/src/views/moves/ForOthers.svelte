<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { parts, full } from '../../lib/words';
  import { say } from '../../lib/say';
  import May from '../../parts/May.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  /**
   * How a move or a batch stands in plain words, to be copied, or as a page with a secret address.
   */
  let { kind, ref: number }: { kind: 'move' | 'batch'; ref: number } = $props();
  let open = $state(false);
  const path = $derived({ params: { path: { kind, ref: number } } });
  const text = createQuery(() => ({
    queryKey: ['moves', 'shown', kind, number],
    queryFn: () => ask(api.GET('/api/shown/{kind}/{ref}', path)),
    enabled: open,
  }));
  const make = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/shown/{kind}/{ref}', path)),
    onSuccess: () => text.refetch(),
  }));
  const end = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/shown/{kind}/{ref}/end', path)),
    onSuccess: () => {
      make.reset();
      void text.refetch();
    },
  }));
  const plain = $derived(
    (text.data?.text ?? [])
      .map((s) =>
        parts(s)
          .map((x) => (x.at ? full(x.at) : x.text))
          .join(''),
      )
      .join('\n'),
  );
  let copied = $state(false);
  async function copy() {
    await navigator.clipboard.writeText(plain);
    copied = true;
    setTimeout(() => (copied = false), 4000);
  }
</script>

<details class="fold" bind:open>
  <summary>{say.forOthers.summary}</summary>
  <Trouble error={text.error ?? make.error ?? end.error} />
  {#if text.data}
    {#each text.data.text as s (s)}<p><Sentence text={s} /></p>{/each}
    <p class="acts gap-y-1 my-2 mx-0">
      <button class="link" onclick={copy}
        >{copied ? say.forOthers.copied : say.forOthers.copy}</button
      >
      <May operation="renewStatusPage"
        ><button class="link" onclick={() => make.mutate()}
          >{text.data.made_at ? say.forOthers.renew : say.forOthers.make}</button
        >
        {#if text.data.made_at}
          <button class="link" onclick={() => end.mutate()}>{say.forOthers.end}</button>
          <span class="muted">{say.forOthers.since} <When at={text.data.made_at} bare /></span>
        {/if}</May
      >
    </p>
    {#if make.data?.address}
      <p class="mono">{make.data.address}</p>
      <p class="muted">{say.forOthers.once}</p>
    {/if}
  {/if}
</details>
