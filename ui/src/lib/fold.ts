import type { Attachment } from 'svelte/attachments';

/**
 * Opens and closes a fold as what is known changes, and only then: an `open={…}` would be set again
 * whenever something beside it changes, and shut in a person's face what they had opened.
 *
 * Usage: `<details {@attach openWhile(() => late)}>`
 */
export function openWhile(is: () => boolean): Attachment<HTMLDetailsElement> {
  let last: boolean | undefined;
  return (fold) => {
    const now = is();
    if (now !== last) fold.open = last = now;
  };
}
