import { api, ask, type Schemas } from './api';

type Offer = Schemas['PasskeyOffer'];

/**
 * Can passkeys be used here? They need a browser that knows them and a host name, not a bare
 * address.
 */
export function passkeysWork(): boolean {
  const bare = /^[\d.]+$|^\[/.test(location.hostname);
  return (
    !bare &&
    window.isSecureContext &&
    'parseCreationOptionsFromJSON' in (window.PublicKeyCredential ?? {})
  );
}

/** Has the browser make a passkey and gives it to the desk. */
export async function addPasskey(title: string, password: string) {
  const offer: Offer = await ask(api.POST('/api/passkeys/set-up', { body: {} }));
  const publicKey = PublicKeyCredential.parseCreationOptionsFromJSON(offer.webauthn_setup as never);
  const made = (await navigator.credentials.create({ publicKey })) as PublicKeyCredential;
  const { webauthn_setup_challenge, webauthn_setup_challenge_hmac } = offer;
  const webauthn_setup = made.toJSON() as never;
  return ask(
    api.POST('/api/passkeys/set-up', {
      body: {
        title,
        password,
        webauthn_setup,
        webauthn_setup_challenge,
        webauthn_setup_challenge_hmac,
      },
    }),
  );
}

/** Has the browser prove a passkey, after the password. */
export async function givePasskey() {
  const offer: Offer = await ask(api.POST('/api/second-factor/passkey', { body: {} }));
  const publicKey = PublicKeyCredential.parseRequestOptionsFromJSON(offer.webauthn_auth as never);
  const proof = (await navigator.credentials.get({ publicKey })) as PublicKeyCredential;
  const { webauthn_auth_challenge, webauthn_auth_challenge_hmac } = offer;
  const webauthn_auth = proof.toJSON() as never;
  return ask(
    api.POST('/api/second-factor/passkey', {
      body: { webauthn_auth, webauthn_auth_challenge, webauthn_auth_challenge_hmac },
    }),
  );
}
