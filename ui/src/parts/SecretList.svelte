<script lang="ts" generics="Row extends { id: number }">
  import type { Snippet } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import Copy from './Copy.svelte';
  import Trouble from './Trouble.svelte';

  /** Things that let a program in: what is there, and one more, whose secret is shown once. */
  let {
    words,
    rows,
    error,
    secret,
    row,
    fields,
    busy,
    add,
  }: {
    words: { title: string; about: string; once: string; none: string; add: string };
    /** Undefined as long as they aren't known. */
    rows: Row[] | undefined;
    error: Error | null;
    /** Of the newest, as long as it may be shown. */
    secret: string | null | undefined;
    row: Snippet<[Row]>;
    fields: Snippet;
    busy: boolean;
    add: () => void;
  } = $props();
  function submit(e: SubmitEvent) {
    e.preventDefault();
    add();
  }
</script>

<section>
  <h2>{words.title}</h2>
  <p class="muted">{words.about}</p>
  <Trouble {error} />
  {#if secret}<p role="status">{words.once} <Copy text={secret} what={words.title} /></p>{/if}
  {#if rows}
    <ul>
      {#each rows as one (one.id)}<li
          class="flex flex-wrap gap-y-1 gap-x-4 py-1 px-2 wrap-anywhere"
        >
          {@render row(one)}
        </li>
      {:else}<li class="muted flex flex-wrap gap-y-1 gap-x-4 py-1 px-2 wrap-anywhere">
          {words.none}
        </li>{/each}
    </ul>
    <form onsubmit={submit}>
      {@render fields()}
      <Button type="submit" size="sm" color="alternative" disabled={busy}>{words.add}</Button>
    </form>
  {/if}
</section>
