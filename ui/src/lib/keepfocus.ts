/**
 * Keeps the focus where a person expects it when what held it goes away: a button that is done
 * with, a row that is no longer there. It goes to the next item of the same list, else to the
 * nearest heading above.
 */
const CAN =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea, [tabindex="0"]';

type Place = { element: HTMLElement; parents: HTMLElement[]; index: number[] };

/** Where an element stands, so that its neighbours are known when it is gone. */
export function placeOf(element: HTMLElement): Place {
  const parents: HTMLElement[] = [];
  const index: number[] = [];
  let child: HTMLElement = element;
  for (let up = element.parentElement; up; up = up.parentElement) {
    parents.push(up);
    index.push([...up.children].indexOf(child));
    child = up;
  }
  return { element, parents, index };
}

/**
 * The next thing that can take the focus after a place whose element is gone; a heading where there
 * is none.
 */
export function successor(place: Place): HTMLElement | null {
  const level = place.parents.findIndex((up) => up.isConnected);
  if (level < 0) return null;
  const parent = place.parents[level]!;
  const list = /^(UL|OL|TBODY)$/.test(parent.tagName) || parent.matches('.cards, [data-items]');
  if (list) {
    const items = [...parent.children]
      .slice(place.index[level]!)
      .concat([...parent.children].reverse());
    for (const item of items) {
      const found = item.matches(CAN) ? item : item.querySelector(CAN);
      if (found) return found as HTMLElement;
    }
  }
  return headingOf(parent);
}

function headingOf(from: HTMLElement): HTMLElement | null {
  for (let up: HTMLElement | null = from; up; up = up.parentElement) {
    const heading = up.querySelector<HTMLElement>('h1, h2, h3');
    if (heading) return heading;
  }
  return null;
}

/** Watches a view until the returned stop is called. */
export function keepFocus(view: HTMLElement): () => void {
  let last: Place | null = null;
  const hold = (e: FocusEvent) => {
    if (e.target instanceof HTMLElement && e.target !== view) last = placeOf(e.target);
  };
  const watch = new MutationObserver(() => {
    if (!last || (document.activeElement && document.activeElement !== document.body)) return;
    if (last.element.isConnected) {
      // a button that is busy comes back
      if (!(last.element as HTMLButtonElement).disabled)
        last.element.focus({ preventScroll: true });
      return;
    }
    const to = successor(last);
    if (!to) return;
    if (/^H\d$/.test(to.tagName)) to.tabIndex = -1;
    to.focus({ preventScroll: true });
  });
  // Whoever clicks beside everything lets the focus go on purpose.
  const let_go = (e: PointerEvent) => {
    if (e.target instanceof Element && !e.target.closest(CAN)) last = null;
  };
  view.addEventListener('focusin', hold);
  view.addEventListener('pointerdown', let_go);
  watch.observe(view, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ['disabled'],
  });
  return () => {
    watch.disconnect();
    view.removeEventListener('focusin', hold);
    view.removeEventListener('pointerdown', let_go);
  };
}
