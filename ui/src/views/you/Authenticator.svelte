<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import Whose from './Whose.svelte';
  import { say } from '../../lib/say';

  /** Is one set up; is any second factor asked for at sign-in? */
  let { set, asked }: { set: boolean; asked: boolean } = $props();
  const client = useQueryClient();
  let offered = $state<Schemas['NewFactor']>();
  let password = $state('');
  let otp = $state('');

  function done() {
    offered = undefined;
    password = otp = '';
    void client.invalidateQueries({ queryKey: ['me'] });
  }
  const begin = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/second-factor/set-up', { body: {} })),
    onSuccess: (data) => (offered = data),
  }));
  const finish = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/second-factor/set-up', {
          body: {
            otp_secret: offered?.otp_secret,
            otp_raw_secret: offered?.otp_raw_secret,
            password,
            otp: otp.trim(),
          },
        }),
      ),
    onSuccess: done,
  }));
  const remove = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/second-factor/remove', { body: { password } })),
    onSuccess: done,
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (set) remove.mutate();
    else finish.mutate();
  }
</script>

<section>
  <h2>{say.secondFactor.yourSecondFactor}</h2>
  <Trouble error={begin.error ?? finish.error ?? remove.error} />
  {#if set}
    <p>{say.secondFactor.factorOn}</p>
    <form onsubmit={submit}>
      <Whose />
      <div>
        <Label for="f-pw">{say.secondFactor.password}</Label>
        <Input
          id="f-pw"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        />
      </div>
      <div>
        <Button type="submit" color="alternative" disabled={remove.isPending}
          >{say.secondFactor.removeIt}</Button
        >
      </div>
    </form>
  {:else if offered}
    <p>{say.secondFactor.takeThisUpInAn}</p>
    <img
      class="bg-white p-2 my-2 mx-0"
      src={offered.picture}
      alt={say.secondFactor.scanCaption}
      width="180"
      height="180"
    />
    <p class="mono secret wrap-anywhere">{offered.otp_secret}</p>
    <form onsubmit={submit}>
      <Whose />
      <div>
        <Label for="f-code">{say.secondFactor.code}</Label>
        <Input
          id="f-code"
          class="font-mono"
          inputmode="numeric"
          autocomplete="one-time-code"
          required
          bind:value={otp}
        />
      </div>
      <div>
        <Label for="f-pw">{say.secondFactor.password}</Label>
        <Input
          id="f-pw"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        />
      </div>
      <div>
        <Button color="alternative" type="submit" disabled={finish.isPending}
          >{say.secondFactor.keepIt}</Button
        >
      </div>
    </form>
  {:else}
    <p class="muted">
      {asked ? say.secondFactor.notSetUp : say.secondFactor.factorOff}
    </p>
    <Button color="alternative" disabled={begin.isPending} onclick={() => begin.mutate()}
      >{say.secondFactor.setUpASecondFactor}</Button
    >
  {/if}
</section>
