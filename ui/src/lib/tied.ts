/** The form that was sent last: what comes back may be about one of its fields. */
let sent: HTMLFormElement | null = null;
globalThis.addEventListener(
  'submit',
  (e) => (sent = e.target instanceof HTMLFormElement ? e.target : null),
  true,
);

type Typed = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
const FIELDS =
  'input:not([type=checkbox], [type=radio], [type=hidden], [type=password]), textarea, select';

/** The fields of a form whose own value a sentence quotes, as “value”. */
export function quoted(form: HTMLFormElement, says: string): Typed[] {
  const values = [...says.matchAll(/“([^”]+)”/g)].map((m) => m[1]!);
  return [...form.querySelectorAll<Typed>(FIELDS)].filter((f) => values.includes(f.value.trim()));
}

/**
 * Ties what went wrong to where it can be put right: the field whose value is quoted, else the
 * whole form. A wrong field takes the focus, and counts as wrong until it is changed. Returns what
 * unties it.
 */
export function tie(id: string, says: string): () => void {
  const form = sent;
  if (!form?.isConnected) return () => undefined;
  const wrong = quoted(form, says);
  for (const field of wrong) {
    field.setAttribute('aria-invalid', 'true');
    field.addEventListener('input', () => field.removeAttribute('aria-invalid'), { once: true });
  }
  const tied = wrong.length ? wrong : [form];
  for (const element of tied) element.setAttribute('aria-describedby', id);
  wrong[0]?.focus();
  return () => {
    for (const element of tied) {
      element.removeAttribute('aria-describedby');
      element.removeAttribute('aria-invalid');
    }
  };
}
