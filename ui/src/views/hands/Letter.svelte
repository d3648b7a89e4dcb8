<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Copy from '../../parts/Copy.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { draft as kept, refresh } from '../../lib/live.svelte';
  import Stale from '../../parts/Stale.svelte';
  import { say } from '../../lib/say';

  /**
   * A letter to one registrar, or a reminder of one; drafted by the desk, changed and sent by a
   * person.
   */
  let {
    account,
    reminds,
    canSend,
    done,
  }: { account?: string; reminds?: number; canSend: boolean; done: () => void } = $props();
  const client = useQueryClient();
  const draft = createQuery(() => ({
    queryKey: ['letter', account, reminds],
    queryFn: () => ask(api.POST('/api/letters/draft', { body: { account, reminds } })),
    ...kept,
  }));
  let changed = $state<string>();
  const text = $derived(changed ?? draft.data?.text ?? '');
  const send = createMutation(() => ({
    mutationFn: (how: 'smtp' | 'hand') =>
      ask(
        api.POST('/api/letters', {
          body: {
            account,
            reminds,
            how,
            text,
            reference: draft.data?.reference,
            message_id: draft.data?.message_id,
          },
        }),
      ),
    onSuccess: () => {
      done();
      void refresh(client, 'desk', 'moves', 'hands', 'post');
    },
  }));

  function save() {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([draft.data!.raw], { type: 'message/rfc822' }));
    link.download = `${draft.data!.reference}.eml`;
    link.click();
    URL.revokeObjectURL(link.href);
  }
</script>

<div class="letter grid gap-2 max-w-[52rem] mt-2">
  <Trouble error={draft.error ?? send.error} />
  {#if draft.data}
    {@const d = draft.data}
    <Stale at={draft.dataUpdatedAt} again={() => void draft.refetch()} />
    <p>
      <span class="muted">{say.letter.to}</span>
      <Copy text={d.to} what={say.letter.addressPart} />
    </p>
    <p>
      <span class="muted">{say.letter.subject}</span>
      <Copy text={d.subject} what={say.letter.subjectPart} />
    </p>
    <Label for="letter-{account ?? reminds}">{say.letter.theLetter}</Label>
    <Textarea
      id="letter-{account ?? reminds}"
      class="w-full"
      rows={14}
      value={text}
      oninput={(e: Event) => (changed = (e.currentTarget as HTMLTextAreaElement).value)}
    />
    <div class="acts">
      {#if canSend}
        <Button disabled={send.isPending} onclick={() => send.mutate('smtp')}
          >{say.letter.sendIt(d.to)}</Button
        >
      {/if}
      <Button color="alternative" disabled={send.isPending} onclick={() => send.mutate('hand')}
        >{say.letter.noteSent}</Button
      >
      <a href={d.mailto}>{say.letter.openInMail}</a>
      <button class="link" type="button" onclick={save}>{say.letter.saveAsFile}</button>
      <button class="link" type="button" onclick={done}>{say.letter.leaveIt}</button>
    </div>
    <p class="muted">
      {say.letter.secretFree(d.reference)}
    </p>
  {/if}
</div>
