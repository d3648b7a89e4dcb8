import { say } from './say';

/**
 * After a view has changed: the page's title says which it is, and the focus stands on its heading,
 * so that a screen reader begins there. What is asked for may come later: it is followed until the
 * returned stop is called.
 */
export function arrive(view: HTMLElement, focus: boolean): () => void {
  let wanted = focus;
  function look() {
    // A sheet beside its list has the last word.
    const heading = [...view.querySelectorAll('h1')].at(-1);
    const text = heading?.textContent?.trim();
    if (!heading || !text) return;
    const title = say.arrive.title(text);
    if (document.title !== title) document.title = title;
    if (!wanted) return;
    wanted = false;
    heading.tabIndex = -1;
    heading.focus({ preventScroll: true });
  }
  look();
  const watch = new MutationObserver(look);
  watch.observe(view, { childList: true, subtree: true, characterData: true });
  return () => watch.disconnect();
}
