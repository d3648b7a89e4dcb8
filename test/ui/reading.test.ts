import { fireEvent, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { inTwo } from '../../ui/src/lib/heldup';
import { marked } from '../../ui/src/lib/marked';
import { search } from '../../ui/src/lib/search';
import { monthsWithin } from '../../ui/src/lib/months';
import { minor, readAmount, readDay } from '../../ui/src/lib/reading';
import DateField from '../../ui/src/parts/DateField.svelte';
import { show, signedIn } from './support/server';

const TODAY = '2027-03-08';

describe('a day that somebody writes', () => {
  it.each([
    ['20 Mar 2027', '2027-03-20'],
    ['20 March 2027', '2027-03-20'],
    ['Sat 20 Mar 2027', '2027-03-20'],
    ['20. mar 2027', '2027-03-20'],
    ['March 20, 2027', '2027-03-20'],
    ['Sept. 3 2027', '2027-09-03'],
    ['2027-3-20', '2027-03-20'],
    ['20.3.2027', '2027-03-20'],
    ['20.03.27', '2027-03-20'],
    ['20/3/2027', '2027-03-20'],
    ['3/20/2027', '2027-03-20'],
    ['4/4/2027', '2027-04-04'],
    ['10 Mar', '2027-03-10'],
    ['7 Mar', '2028-03-07'],
    ['29 Feb 2028', '2028-02-29'],
    ['today', '2027-03-08'],
    ['Tomorrow', '2027-03-09'],
    ['in 10 days', '2027-03-18'],
    ['+30', '2027-04-07'],
  ])('“%s” is %s', (text, day) => expect(readDay(text, TODAY)).toEqual({ value: day }));

  // never guessed: two days are possible, or none
  it.each([
    ['3/4/2027', /is 3 Apr 2027 or 4 Mar 2027; write the month in letters/],
    ['30 Feb 2027', /is no day here; write one like 18 Mar 2027/],
    ['29 Feb 2027', /is no day here/],
    ['20 Marx 2027', /is no day here/],
    ['10', /is no day here/],
    ['soon', /“soon” is no day here/],
    ['32.1.2027', /is no day here/],
    ['13/13/2027', /is no day here/],
  ])('“%s” is refused', (text, says) => {
    const read = readDay(text, TODAY);
    expect('wrong' in read && read.wrong).toMatch(says);
  });
});

describe('an amount that somebody writes', () => {
  it.each([
    ['9.02', 'EUR', 902],
    ['9,02', 'EUR', 902],
    ['15', 'EUR', 1500],
    ['0.1', 'EUR', 10],
    ['1,000', 'EUR', 100_000],
    ['1.000', 'EUR', 100_000],
    ['2.000,00', 'EUR', 200_000],
    ['2,000.00', 'EUR', 200_000],
    ['1 234 567,8', 'EUR', 123_456_780],
    ["1'000.50", 'EUR', 100_050],
    ['1,234,567', 'EUR', 123_456_700],
    ['9.02 EUR', 'EUR', 902],
    ['eur 9.02', 'EUR', 902],
    ['900', 'JPY', 900],
    ['1,000', 'JPY', 1000],
    ['1.250', 'KWD', 1250],
    ['1,250.5', 'KWD', 1_250_500],
  ])('“%s” in %s is %i', (text, currency, value) =>
    expect(readAmount(text, currency)).toEqual({ value }),
  );

  it.each([
    ['1,250', 'KWD', /could be read two ways/],
    ['9.023', 'JPY', undefined], // thousands
    ['9.0234', 'EUR', /is no amount here; write one like 1,234.50 EUR/],
    ['12,34,567', 'EUR', /is no amount here/],
    ['1.2.3', 'EUR', /is no amount here/],
    ['-5', 'EUR', /is no amount here/],
    ['five', 'EUR', /“five” is no amount/],
    ['9.5', 'JPY', /is no amount here/],
  ])('“%s” in %s', (text, currency, says) => {
    const read = readAmount(text, currency);
    if (says) expect('wrong' in read && read.wrong).toMatch(says);
    else expect('value' in read).toBe(true);
  });

  it.each([
    ['', undefined],
    ['  ', undefined],
    ['x', undefined],
    ['9,02', 902],
  ])('the field “%s” holds %s', (text, value) => expect(minor(text, 'EUR')).toBe(value));
});

describe('a field for a day', () => {
  const type = async (text: string) => {
    await fireEvent.change(screen.getByLabelText('Until'), { target: { value: text } });
  };
  const field = () => screen.getByLabelText<HTMLInputElement>('Until');

  it('shows what it read as days are shown, and refuses the rest beside it', async () => {
    show(DateField, { label: 'Until', value: '2027-03-20', min: '2027-03-01' });
    expect(field().value).toBe('20 Mar 2027');
    await type('2027-04-02');
    expect(field().value).toBe('2 Apr 2027');
    await type('31 June 2027');
    expect(screen.getByRole('alert').textContent).toMatch(/is no day here/);
    expect(field().validationMessage).toMatch(/is no day here/);
    expect(field().value).toBe('31 June 2027');
    await type('28 Feb 2027');
    expect(screen.getByRole('alert').textContent).toMatch(/from 1 Mar 2027 on/);
    await type('5 April 2027');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(field().value).toBe('5 Apr 2027');
  });
});

describe('a message with its places', () => {
  it.each([
    ['The code is ••••••••.', ['code:••••••••']],
    ['Answer by 13 March 2027, 06:40.', ['deadline:13 March 2027']],
    ['by 2027-03-13 06:40:00 UTC it goes', ['deadline:2027-03-13 06:40:00 UTC']],
    ['on 13.3.2027; not 14.3.2027', ['deadline:13.3.2027']],
    ['Go to https://q.example/ok now', ['link:https://q.example/ok']],
    ['tide.example, not low-tide.example or tide.example2', ['name:tide.example']],
    ['nothing in it', []],
  ])('%s', (text, places) => {
    const pieces = marked(text, {
      links: ['https://q.example/ok', ''],
      names: ['tide.example'],
      deadline: '2027-03-13T06:40:00Z',
    });
    expect(pieces.map((p) => p.text).join('')).toBe(text);
    expect(pieces.filter((p) => p.is).map((p) => `${p.is}:${p.text}`)).toEqual(places);
  });
});

describe('what is held up', () => {
  it.each([
    ['It failed. Is the order paid?', 'It failed.', 'Is the order paid?'],
    ['One of e.g. two. Then three. Ask them.', 'One of e.g. two. Then three.', 'Ask them.'],
    ['It refuses this', 'It refuses this', undefined],
  ])('%s', (says, why, act) => expect(inTwo(says)).toEqual({ why, act }));
});

describe('months along a strip of time', () => {
  it('begin where they begin, the first of a year with it', () => {
    const months = monthsWithin('2027-11-16T00:00:00Z', 60);
    expect(months.map((m) => m.label)).toEqual(['Dec', '2028']);
    expect(months[0]!.share).toBeCloseTo(15 / 60);
  });
});

describe('search', () => {
  const moves = [{ title: 'tide.example', note: 'move to Orlop', path: '/moves/1', also: '' }];
  const names = Array.from({ length: 8 }, (_, i) => ({
    title: `n${i}.example`,
    note: 'Orlop',
    path: `/names/n${i}.example`,
  }));
  const titles = (text: string) =>
    search(text, { moves, names: [] }, new Set()).flatMap((g) => g.hits.map((h) => h.title));

  it.each([
    ['invite', 'Invite somebody, and people’s roles'],
    ['calendar', 'Your calendar'],
    ['approve', 'Approvals'],
    ['imap', 'Mailbox and outgoing mail'],
    ['second factor', 'Your password and second factors'],
    ['https://www.tide.example:443/a?b', 'tide.example'],
  ])('“%s” leads to %s', (text, title) => {
    signedIn('invite', 'settings');
    expect(titles(text)).toContain(title);
  });

  it('shows nobody an act that the server would refuse', () => {
    signedIn();
    expect(titles('invite')).toEqual([]);
  });

  it('shows five of a group, and the rest on demand', () => {
    const of = (whole: string[]) => search('', { moves: [], names }, new Set(whole))[0]!;
    expect([of([]).hits.length, of([]).left]).toEqual([5, 3]);
    expect([of(['Names']).hits.length, of(['Names']).left]).toEqual([8, 0]);
  });
});
