/** The path under which the desk is served, e.g. "/desk"; empty where it has a name of its own. */
export const base =
  globalThis.document?.querySelector<HTMLMetaElement>('meta[name="steady-move-path"]')?.content ??
  '';

/** An address of the desk's own, from its path. */
export const at = (path: string) => base + path;
