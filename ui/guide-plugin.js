import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { marked } from 'marked';

const FOLDER = fileURLToPath(new URL('../docs/guide/', import.meta.url));
/** The order in which a newcomer reads; what is not named here comes last. */
const ORDER = [
  'first-move', 'by-hand', 'codes', 'privacy', 'dns', 'when-things-go-wrong',
  'roles', 'real-network', 'running', 'practice', 'glossary',
];

function pages() {
  const ids = readdirSync(FOLDER).map((file) => file.replace(/\.md$/, ''));
  const place = (id) => (ORDER.indexOf(id) + 1 || ORDER.length + 1);
  return ids.sort((a, b) => place(a) - place(b)).map((id) => {
    const text = readFileSync(`${FOLDER}${id}.md`, 'utf8');
    const [, title] = text.match(/^# (.+)$/m);
    const words = [...text.matchAll(/^##+ (.+)$/gm)].map((m) => m[1]).join(' ');
    return { id, title, words, html: marked.parse(text) };
  });
}

/** docs/guide/ as modules: `virtual:guide` is its contents, `virtual:guide-index` what search needs. */
export const guide = () => ({
  name: 'guide',
  resolveId: (id) => (id.startsWith('virtual:guide') ? `\0${id}` : null),
  load(id) {
    if (!id.startsWith('\0virtual:guide')) return null;
    const index = id.endsWith('-index');
    return `export default ${JSON.stringify(pages().map(({ html, ...page }) => (index ? page : { ...page, html })))}`;
  },
});
