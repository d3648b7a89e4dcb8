import { api, ask, type Schemas } from './api';
import { session } from './session.svelte';

type Views = Schemas['OwnViews'];
export type Column = NonNullable<NonNullable<Views['names']>['columns']>[number];

/** How whoever is signed in looks at lists, on every machine of theirs. */
export const own = (): Views => session.who?.views ?? {};

/** Keeps a choice for one list; what was chosen for it before stays. */
export function keepOwn<K extends keyof Views>(list: K, choice: Views[K]) {
  const views = { [list]: { ...own()[list], ...choice } } as Views;
  if (session.who) session.who.views = { ...own(), ...views };
  return ask(api.POST('/api/me/views', { body: views }));
}
