import { beforeEach, describe, expect, it } from 'vitest';
import { clean, dirty, noteSending, noteTyping, wasSent } from '../../ui/src/lib/dirty';
import { placeOf, successor } from '../../ui/src/lib/keepfocus';

const page = (html: string) => (document.body.innerHTML = html);
const on = (selector: string) => document.querySelector<HTMLInputElement>(selector)!;
function type(selector: string, value: string) {
  on(selector).value = value;
  noteTyping({ target: on(selector) } as unknown as Event);
}
beforeEach(() => {
  clean();
  page(
    '<form id="g"><input id="b"></form>' +
      '<form id="f"><input id="a"><input id="c" type="checkbox"></form>' +
      '<form role="search"><input id="q"></form>',
  );
});

describe('what was typed and not saved', () => {
  it('is asked about, and a search or a box is not', () => {
    expect(dirty()).toBe(false);
    type('#q', 'ferry');
    type('#c', 'on');
    expect(dirty()).toBe(false);
    type('#a', 'tide');
    expect(dirty()).toBe(true);
  });

  it('is over when it is emptied, sent, or its form is gone', () => {
    type('#a', 'tide');
    type('#a', '');
    expect(dirty()).toBe(false);
    type('#a', 'tide');
    noteSending({ target: on('#f') } as unknown as Event);
    expect(dirty()).toBe(false);
    wasSent(false);
    expect(dirty()).toBe(true);
    noteSending({ target: on('#f') } as unknown as Event);
    wasSent(true);
    type('#b', 'rope');
    wasSent(true); // something else was sent meanwhile
    expect(dirty()).toBe(true);
    page('');
    expect(dirty()).toBe(false);
  });
});

describe('the focus, when what held it goes away', () => {
  const held = (selector: string) => placeOf(on(selector));

  it('goes to the next item of the list, to the last where there is none, else to the heading', () => {
    const list =
      '<section><h2>Cards</h2><ul><li><button id="b1"></button></li><li><button id="b2"></button></li></ul></section>';
    page(list);
    const first = held('#b1');
    on('#b1').closest('li')!.remove();
    expect(successor(first)!.id).toBe('b2');
    page(list);
    const last = held('#b2');
    on('#b2').closest('li')!.remove();
    expect(successor(last)!.id).toBe('b1');
    page('<section><h2 id="h">Cards</h2><div><button id="only"></button></div></section>');
    const only = held('#only');
    on('#only').remove();
    expect(successor(only)!.id).toBe('h');
  });
});
