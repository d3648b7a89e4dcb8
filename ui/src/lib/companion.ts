/** As wide as a column beside somebody else's page (CSS pixels). */
const WIDE = 376;

/** Opens a link in a narrow window of its own; where the browser does not, the link is followed. */
export function aside(e: MouseEvent) {
  const link = e.currentTarget as HTMLAnchorElement;
  if (e.ctrlKey || e.metaKey || e.shiftKey) return;
  const high = Math.min(screen.availHeight, 860);
  const left = Math.max(0, screen.availWidth - WIDE);
  const how = `popup,width=${WIDE},height=${high},left=${left},top=0`;
  if (window.open(link.href, 'steady-move-companion', how)) e.preventDefault();
}
