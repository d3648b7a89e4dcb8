<script lang="ts">
  import { single } from '../lib/keys';
  import { say } from '../lib/say';

  /**
   * What a page asks for, each with its copy button; the key c copies the next one. text: null
   * where it is only fetched when it is copied.
   */
  let {
    of,
  }: {
    of: { label: string; text: string | null; fetch?: () => Promise<string> }[];
  } = $props();
  let copied = $state(-1);
  let problem = $state('');
  // Another task begins with its first value.
  const which = $derived(of.map((v) => `${v.label} ${v.text}`).join());
  $effect(() => {
    void which;
    copied = -1;
    problem = '';
  });

  async function copy(at: number) {
    const value = of[at];
    if (!value) return;
    try {
      await navigator.clipboard.writeText(value.text ?? (await value.fetch!()));
      copied = at;
      problem = '';
    } catch (e) {
      problem = say.values.notCopied((e as Error).message);
    }
  }
  function onkeydown(e: KeyboardEvent) {
    if (!of.length || !single(e, 'c')) return;
    e.preventDefault();
    void copy((copied + 1) % of.length);
  }
</script>

<svelte:window {onkeydown} />
{#if of.length}
  <ul class="box">
    {#each of as value, at (at)}
      <li class="grid grid-cols-[minmax(0,1fr)_1rem_auto] gap-x-2 py-2 px-4 wrap-anywhere">
        <span class="note muted">{value.label}</span>
        <span class="mono value row-start-2">{value.text ?? say.values.hidden}</span>
        <button
          type="button"
          class="copy [grid-area:1_/_3_/_3] self-center border border-line
              rounded-(--radius) py-2 px-4 bg-raised cursor-pointer"
          aria-label={say.copy.copy(value.label)}
          onclick={() => void copy(at)}>{copied === at ? say.copy.copied : say.copy.copy2}</button
        >
        {#if at === (copied + 1) % of.length}<kbd
            class="[grid-area:1_/_2_/_3] self-center text-muted font-mono"
            aria-hidden="true">c</kbd
          >{/if}
      </li>
    {/each}
  </ul>
  <p role="status" class="note">{copied >= 0 ? say.values.copied(of[copied]!.label) : ''}</p>
  {#if problem}<p role="alert">{problem}</p>{/if}
{/if}

<style>
  li + li {
    border-top: 1px solid var(--line);
  }
</style>
