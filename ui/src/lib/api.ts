import { base } from './base';
import { wasSent } from './dirty';
import { say } from './say';

import createClient from 'openapi-fetch';
import type { components, operations, paths } from './schema';

export type Schemas = components['schemas'];
/** What the contract calls what can be done. */
export type Operation = keyof operations;
export type NameRow = Schemas['NameRow'];
export type NameSheet = Schemas['NameSheet'];
export type Card = Schemas['Card'];
export type MoveSheet = Schemas['MoveSheet'];
export type Proposal = Schemas['Proposal'];
export type Step = Schemas['Step'];
export type Block = Schemas['Block'];
export type Event = Schemas['Event'];
export type Gate = Schemas['Gate'];
export type Turn = Schemas['Turn'];
export type Amount = Schemas['Amount'];

/**
 * So long after the last key or touch, what the page asks for is its own doing and keeps nobody
 * signed in.
 */
const ATTENDED = 60_000;
let touched = Date.now();
for (const kind of ['pointerdown', 'keydown'])
  globalThis.addEventListener(kind, () => (touched = Date.now()), true);

let out = () => {};
/** What to do when the desk says that nobody is signed in. */
export const whenOut = (act: () => void) => (out = act);

let token = '';
export const setToken = (csrf: string) => (token = csrf);

/** Milliseconds between two questions whether an answer is there. */
const AGAIN = 400;

/**
 * The answer itself: what asks the outside says where it will be (202 with Location), and is asked
 * there until it is.
 */
export async function arrived(request: Request): Promise<Response> {
  let response = await globalThis.fetch(request);
  let place;
  while (response.status === 202 && (place = response.headers.get('Location'))) {
    await new Promise((r) => setTimeout(r, AGAIN));
    response = await globalThis.fetch(new Request(place, { signal: request.signal }));
  }
  return response;
}

/** What asks for the password once more; answers whether it was given. */
let confirming = async () => false;
/** How a page asks for the password once more. */
export const whenAgain = (act: () => Promise<boolean>) => (confirming = act);

/** Does an answer want the password once more? */
async function wantsPassword(response: Response): Promise<boolean> {
  if (response.status !== 403) return false;
  const said = (await response.clone().json()) as Schemas['Problem'];
  return said.needs === 'password';
}

/** What weighs much is sent again once the password was given. */
export async function sent(request: Request): Promise<Response> {
  const again = request.clone();
  const response = await arrived(request);
  return (await wantsPassword(response)) && (await confirming()) ? arrived(again) : response;
}

export const api = createClient<paths>({ baseUrl: `${base}/`, fetch: sent });

/** Fetches a file, as its server names it, and hands it to the browser to keep. */
export async function download(path: string): Promise<void> {
  const response = await sent(new Request(new URL(path, globalThis.location.href)));
  if (!response.ok) {
    const said = (await response.json().catch(() => ({}))) as { detail?: string };
    throw new Said(response.status, said.detail ?? say.api.badReply(response.status));
  }
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await response.blob());
  link.download =
    /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? '';
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRF-Token', token);
    if (Date.now() - touched > ATTENDED) request.headers.set('X-Unattended', '1');
    return request;
  },
  onResponse({ request, response }) {
    if (response.status === 401) out();
    if (request.method !== 'GET') wasSent(response.ok);
  },
});

/** What the server said went wrong, as one sentence. */
export class Said extends Error {
  constructor(
    readonly status: number,
    sentence: string,
  ) {
    super(sentence);
  }
}

type Answer<T> = { data?: T; error?: unknown; response: Response };
/** What an answer holds once it has arrived. */
type Arrived<T> = Exclude<T, Schemas['Later']>;

/** The data of an answer, or a Said. */
export async function ask<T>(answer: Promise<Answer<T>>): Promise<Arrived<T>> {
  const { data, error, response } = await answer.catch(() => {
    throw new Said(0, say.api.noReply);
  });
  if (response.ok && data !== undefined) return data as Arrived<T>;
  const said = error as { detail?: string; error?: string } | undefined;
  throw new Said(response.status, said?.detail ?? said?.error ?? say.api.badReply(response.status));
}
