<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';

  const client = useQueryClient();
  const factor = createQuery(() => ({ queryKey: ['factor'], queryFn: () => ask(api.GET('/api/me')) }));
  let offered = $state<Schemas['NewFactor']>();
  let password = $state('');
  let otp = $state('');

  function done() {
    offered = undefined;
    password = otp = '';
    void client.invalidateQueries();
  }
  const begin = createMutation(() => ({
    mutationFn: async () => {
      const { error } = await api.POST('/api/second-factor/set-up', { body: {} });
      return error as Schemas['NewFactor'];
    },
    onSuccess: (data) => (offered = data),
  }));
  const finish = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/second-factor/set-up', {
          body: { otp_secret: offered?.otp_secret, otp_raw_secret: offered?.otp_raw_secret, password, otp: otp.trim() },
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
    if (factor.data?.second_factor) remove.mutate();
    else finish.mutate();
  }
</script>

<section>
  <h2>Your second factor</h2>
  <Trouble error={factor.error ?? begin.error ?? finish.error ?? remove.error} />
  {#if factor.data?.second_factor}
    <p>A code is asked for at every sign-in.</p>
    <form onsubmit={submit}>
      <div>
        <Label for="f-pw">Password</Label>
        <Input id="f-pw" type="password" autocomplete="current-password" required bind:value={password} />
      </div>
      <div><Button type="submit" color="alternative" disabled={remove.isPending}>Remove it</Button></div>
    </form>
  {:else if offered}
    <p>Take this up in an application that makes one-time codes (TOTP), then give a first code.</p>
    <img src={offered.picture} alt="To scan: the secret below" width="180" height="180" />
    <p class="mono secret">{offered.otp_secret}</p>
    <form onsubmit={submit}>
      <div>
        <Label for="f-code">Code</Label>
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
        <Label for="f-pw">Password</Label>
        <Input id="f-pw" type="password" autocomplete="current-password" required bind:value={password} />
      </div>
      <div><Button type="submit" disabled={finish.isPending}>Keep it</Button></div>
    </form>
  {:else}
    <p class="muted">Only the password is asked for at sign-in.</p>
    <Button color="alternative" disabled={begin.isPending} onclick={() => begin.mutate()}>Set up a second factor</Button
    >
  {/if}
</section>

<style>
  img {
    background: #ffffff;
    padding: 8px;
    margin: 0.5rem 0;
  }
  .secret {
    overflow-wrap: anywhere;
  }
</style>
