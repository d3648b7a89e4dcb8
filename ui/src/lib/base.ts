/** What the desk wrote into the page's head about itself. */
const told = (what: string) =>
  globalThis.document?.querySelector<HTMLMetaElement>(`meta[name="steady-move-${what}"]`)?.content;

/** The path under which the desk is served, e.g. "/desk"; empty where it has a name of its own. */
export const base = told('path') ?? '';

/** The number of the last change before the page: what it asks for knows of that. */
export const seen = told('seen');

/** An address of the desk's own, from its path. */
export const at = (path: string) => base + path;
