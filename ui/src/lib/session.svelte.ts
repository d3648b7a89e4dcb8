import { api, ask, Said, setToken, type Operation, type Schemas } from './api';
import { clock } from './clock.svelte';
import { givePasskey } from './passkeys';

class Session {
  who = $state<Schemas['Session'] | null>(null);
  /** Whose session ended under the page: the page stays, and signing in stands over it. */
  ended = $state<string | null>(null);
  #left = false;

  async load() {
    const was = this.who;
    const who = await ask(api.GET('/api/session'));
    if (was?.signed_in && !who.signed_in && !this.#left) this.ended = was.email ?? '';
    if (who.signed_in && this.ended !== null) {
      // another person's page is not this person's
      if (who.email !== this.ended) globalThis.location.reload();
      this.ended = null;
    }
    this.who = who;
    setToken(this.who.csrf);
    clock.set(this.who.now, !this.who.practice);
  }

  async signIn(email: string, password: string) {
    try {
      await ask(api.POST('/api/sign-in', { body: { email, password } }));
    } catch (e) {
      if (!(e instanceof Said && e.status === 403)) throw e;
      await this.load();
      await ask(api.POST('/api/sign-in', { body: { email, password } }));
    }
    await this.load();
  }

  async giveCode(otp: string) {
    await ask(api.POST('/api/second-factor', { body: { otp } }));
    await this.load();
  }

  async giveRecoveryCode(code: string) {
    await ask(api.POST('/api/second-factor/recovery', { body: { 'recovery-code': code } }));
    await this.load();
  }

  async givePasskey() {
    await givePasskey();
    await this.load();
  }

  async signOut() {
    this.#left = true;
    await ask(api.POST('/api/sign-out', { body: {} }));
    await this.load();
    this.#left = false;
  }
}

export const session = new Session();

/**
 * May whoever is signed in do an operation of the contract? Nobody sees a button that the server
 * refuses.
 */
export const may = (operation: Operation) => session.who?.may.includes(operation) ?? false;
