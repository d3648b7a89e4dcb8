<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { say } from '../../lib/say';

  let { done }: { done: () => void } = $props();
  const FATES = {
    new: say.codeList.keeps,
    replaces: say.codeList.replaces,
    refused: say.codeList.notUnderstood,
    kept: say.codeList.kept,
  };
  let text = $state('');
  const preview = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/codes/preview', { body: { text } })),
  }));
  const keep = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/codes', { body: { text } })),
    onSuccess: () => {
      text = '';
      preview.reset();
      done();
    },
  }));
  const lines = $derived(keep.data?.lines ?? preview.data?.lines ?? []);
  const good = $derived(
    (preview.data?.lines ?? []).filter((l) => l.fate === 'new' || l.fate === 'replaces').length,
  );

  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (preview.data) keep.mutate();
    else {
      keep.reset();
      preview.mutate();
    }
  }
</script>

<May operation="keepCodes">
  <section class="panel">
    <h2>{say.codeList.listTitle}</h2>
    <form class="grid gap-2 my-2 mx-0 justify-items-stretch max-w-[48rem]" onsubmit={submit}>
      <Label for="list">{say.codeList.listHint}</Label>
      <Textarea
        id="list"
        rows={5}
        class="w-full font-mono"
        autocomplete="off"
        spellcheck="false"
        bind:value={text}
        oninput={() => preview.reset()}
        required
      />
      <div>
        <Button
          type="submit"
          color="alternative"
          disabled={preview.isPending || keep.isPending || (!!preview.data && !good)}
          >{preview.data
            ? say.codeList.keepOf(good, preview.data.lines.length)
            : say.codeList.lookAtEachLineFirst}</Button
        >
      </div>
    </form>
    <Trouble error={preview.error ?? keep.error} />
    {#if lines.length}
      <table class="lines" aria-label={say.codeList.listOutcome}>
        <tbody>
          {#each lines as line (line.number)}
            <tr class={line.fate}>
              <td class="num">{say.codeList.line(line.number)}</td>
              <td class="mono">{line.name ?? ''}</td>
              <td><strong>{FATES[line.fate]}</strong></td>
              <td>{line.says ?? ''}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </section>
</May>
