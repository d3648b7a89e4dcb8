import { expect, it } from 'vitest';
import { quoted, tie } from '../../ui/src/lib/tied';

const send = () =>
  document.querySelector('form')!.dispatchEvent(new Event('submit', { bubbles: true }));

it('ties what went wrong to the field that is quoted, until it is changed', () => {
  document.body.innerHTML =
    '<form><input id="a" value="tide"><input id="b" value="ferry "><input type="password"></form>';
  const [a, b] = document.querySelectorAll('input') as unknown as [
    HTMLInputElement,
    HTMLInputElement,
  ];
  expect(quoted(document.querySelector('form')!, '“ferry” is no date; “x” neither')).toEqual([b]);
  send();
  const untie = tie('says', 'date: a date is expected, not “ferry”.');
  expect([b.getAttribute('aria-describedby'), b.getAttribute('aria-invalid')]).toEqual([
    'says',
    'true',
  ]);
  expect([a.hasAttribute('aria-describedby'), document.activeElement]).toEqual([false, b]);
  b.dispatchEvent(new Event('input'));
  expect(b.hasAttribute('aria-invalid')).toBe(false);
  untie();
  expect(b.hasAttribute('aria-describedby')).toBe(false);
});

it('ties it to the whole form where no field is quoted, and to nothing where none was sent', () => {
  document.body.innerHTML = '<form><input value="tide"></form>';
  tie('says', 'The desk does not answer.')();
  send();
  tie('says', 'The password is wrong.');
  expect(document.querySelector('form')!.getAttribute('aria-describedby')).toBe('says');
});
