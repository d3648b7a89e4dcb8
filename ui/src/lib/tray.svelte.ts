import { searchParams } from 'sv-router';

/** As many names as the tray holds. */
export const TRAY_MOST = 200;
const KEPT = 'tray';

function fromBefore(): string[] {
  return (sessionStorage.getItem(KEPT) ?? '').split(',').filter(Boolean);
}
let held = $state<string[]>(fromBefore());

// A link may bring a tray along; it counts until something is put in or taken out.
const brought = () => {
  const given = searchParams.get('tray');
  return given === null ? undefined : String(given).split(',').filter(Boolean);
};

/** Names in the tray, in the order in which they were picked; they stay until it is emptied. */
export const picked = () => brought() ?? held;

export function hold(names: string[]) {
  held = names.slice(0, TRAY_MOST);
  sessionStorage.setItem(KEPT, held.join(','));
  if (brought()) searchParams.delete('tray', undefined, { replace: true });
}

/** Puts a name in, or takes it out. */
export function pick(name: string) {
  const names = picked();
  hold(names.includes(name) ? names.filter((n) => n !== name) : [...names, name]);
}
