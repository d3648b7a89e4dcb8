/** What was typed and not saved yet, by the form or field that it stands in. */
const typed = new Map<Element, number>();

const place = (target: EventTarget | null) => {
  if (!(target instanceof HTMLElement) || target.closest('[role=search], [data-at-once]'))
    return null;
  const field = /^(INPUT|TEXTAREA)$/.test(target.tagName) ? (target as HTMLInputElement) : null;
  if (!field || /^(checkbox|radio|range|search|date)$/.test(field.type)) return null;
  return field.closest('form') ?? (field.tagName === 'TEXTAREA' ? field : null);
};

/** Something was typed. */
export function noteTyping(e: Event) {
  const where = place(e.target);
  if (where) typed.set(where, Date.now());
}

let sent: Element | null = null;
/** A form is being sent: what stands in it is on its way. */
export function noteSending(e: Event) {
  sent = e.target instanceof Element ? e.target : null;
  if (sent) typed.delete(sent);
}
/** What was being sent arrived, or did not: then it still stands there alone. */
export function wasSent(arrived: boolean) {
  if (!arrived && sent) typed.set(sent, Date.now());
  sent = null;
}

/** All of it is given up. */
export const clean = () => typed.clear();

/** Would something that was typed be lost? */
export function dirty(): boolean {
  for (const where of typed.keys()) if (!where.isConnected || empty(where)) typed.delete(where);
  return typed.size > 0;
}

const empty = (where: Element) => {
  const fields =
    where instanceof HTMLTextAreaElement ? [where] : [...where.querySelectorAll('input, textarea')];
  return fields.every((f) => {
    const field = f as HTMLInputElement;
    return (
      /^(checkbox|radio|hidden)$/.test(field.type) ||
      field.value === field.defaultValue ||
      field.value === ''
    );
  });
};
