import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'svelte/compiler';
import { describe, expect, it } from 'vitest';
import * as en from '../../ui/src/lib/en';
import { ALWAYS, DRAFTS, FOLLOWS } from '../../ui/src/lib/live.svelte';

const SRC = join(process.cwd(), process.cwd().endsWith('ui') ? 'src' : 'ui/src');
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : path.endsWith('.svelte') ? [path] : [];
  });
const SPOKEN = new Set(['title', 'aria-label', 'placeholder', 'alt', 'label']);
// Words in a row, of which the first begins like a sentence, or three of them.
const SENTENCE = /^[A-Z][a-z]+ |[A-Za-z]{2,} [a-z]{2,} [a-z]{2,}/;

/** Texts that stand in a part's markup or script instead of the catalogue. */
function escaped(source: string): string[] {
  const found: string[] = [];
  const told = (node: unknown): void => {
    if (node === null || typeof node !== 'object') return;
    const { type, value } = node as { type?: string; value?: unknown };
    const text =
      type === 'TemplateElement'
        ? (value as { cooked: string }).cooked
        : type === 'Literal'
          ? value
          : '';
    if (typeof text === 'string' && SENTENCE.test(text)) found.push(text.trim());
    Object.entries(node).forEach(([key, child]) => key !== 'metadata' && told(child));
  };
  const walk = (node: Record<string, unknown> | unknown[]) => {
    if (Array.isArray(node))
      return node.forEach((n) => n && typeof n === 'object' && walk(n as never));
    const { type, name, value, data } = node as {
      type?: string;
      name?: string;
      value?: unknown;
      data?: string;
    };
    if (type === 'Text' && /[A-Za-z]{2}/.test(data ?? '')) found.push(data!.trim());
    if (type === 'StyleDirective') return;
    if (type === 'Attribute') {
      const texts = Array.isArray(value)
        ? value.filter((v) => (v as { type: string }).type === 'Text')
        : [];
      if (SPOKEN.has(name!)) told(value);
      if (SPOKEN.has(name!) && texts.some((t) => /[A-Za-z]{2} /.test((t as { data: string }).data)))
        found.push(name!);
      return;
    }
    for (const [key, child] of Object.entries(node))
      if (key !== 'css' && child && typeof child === 'object') walk(child as never);
  };
  const ast = parse(source, { modern: true });
  walk(ast.fragment as never);
  told(ast.instance?.content);
  return found;
}

describe('the words of the pages', () => {
  it('stand in one place; none escaped into a page', () => {
    expect(escaped('<p title="Say it">One {x} word</p>')).toEqual(['title', 'One', 'word']);
    expect(
      escaped('<script>const a = `Next ${1} days`;</script><p title={a ? "Not now" : b}>{a}</p>'),
    ).toEqual(['Not now', 'Next']);
    const all = files(SRC);
    expect(all.length).toBeGreaterThan(60);
    expect(
      all.flatMap((f) =>
        escaped(readFileSync(f, 'utf8')).map((t) => `${f.slice(SRC.length)}: ${t}`),
      ),
    ).toEqual([]);
  });

  // The compiler takes the space at the beginning of an element away: "asked for· late".
  it('keep their distance: no part of a line begins with a space', () => {
    const eaten = /<(span|strong|b|em|a|time)\b[^<>]*(?<!=)>\s+[^\w\s<{]/;
    expect('asked{#if until}<span class="muted"> · {until}</span>{/if}').toMatch(eaten);
    const held = files(SRC).filter((f) => eaten.test(readFileSync(f, 'utf8')));
    expect(held).toEqual([]);
  });

  it('are all used', () => {
    const source = (
      files(SRC)
        .map((f) => readFileSync(f, 'utf8'))
        .join() +
      ['words', 'keys', 'api', 'arrive', 'list', 'gathered', 'facts', 'views', 'reading', 'search']
        .map((n) => readFileSync(join(SRC, 'lib', `${n}.ts`), 'utf8'))
        .join() +
      readFileSync(join(SRC, 'views/accounts/fields.ts'), 'utf8')
    ).replace(/\s+\./g, '.');
    const unused = Object.entries(en).flatMap(([part, words]) =>
      Object.keys(words)
        .filter((key) => !source.includes(`say.${part}.${key}`))
        .map((key) => `${part}.${key}`),
    );
    expect(unused).toEqual([]);
  });
});

// Never changed by anybody else while it is shown: kinds of notes, an account under one's hands.
const STILL = ['note-kinds', 'account'];

describe('what is shown of the server', () => {
  it('is asked for again when it changes', () => {
    const keys = files(SRC).flatMap((f) => [
      ...readFileSync(f, 'utf8').matchAll(/queryKey: \['([a-z-]+)'/g),
    ]);
    const roots = new Set(keys.map((m) => m[1]!));
    const told = new Set([...Object.values(FOLLOWS).flat(), ...ALWAYS, ...DRAFTS, ...STILL]);
    expect(roots.size).toBeGreaterThan(15);
    expect([...roots].filter((root) => !told.has(root))).toEqual([]);
    expect([...told].filter((root) => !roots.has(root))).toEqual([]);
  });
});
