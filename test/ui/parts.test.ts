import { fireEvent, screen, waitFor, within } from '@testing-library/svelte';
import { createRawSnippet } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { server, show, signedIn } from './support/server';
import { at, NOW } from './support/moves';
import { clock } from '../../ui/src/lib/clock.svelte';

const { default: AnswerStrip } = await import('../../ui/src/parts/AnswerStrip.svelte');
const { default: DeadlineBar } = await import('../../ui/src/parts/DeadlineBar.svelte');
const { default: Menu } = await import('../../ui/src/parts/Menu.svelte');
const { default: Palette } = await import('../../ui/src/parts/Palette.svelte');
const { default: Stray } = await import('../../ui/src/parts/Stray.svelte');
const { default: TwoCodes } = await import('../../ui/src/parts/TwoCodes.svelte');
const { default: CarryRow } = await import('../../ui/src/views/records/CarryRow.svelte');
const { default: ServerAnswers } = await import('../../ui/src/views/records/ServerAnswers.svelte');
const { default: CodeList } = await import('../../ui/src/views/codes/CodeList.svelte');
const { default: HostForm } = await import('../../ui/src/views/accounts/HostForm.svelte');
const { default: Overrule } = await import('../../ui/src/views/rulebook/Overrule.svelte');
const { default: Message } = await import('../../ui/src/views/post/Message.svelte');
const { default: Acts } = await import('../../ui/src/views/hands/Acts.svelte');

const NAME = 'tidal-log.example';
const said = () => document.body.textContent!.replace(/\s+/g, ' ');
const press = async (name: string | RegExp) => {
  const button = (await screen.findByRole('button', { name })) as HTMLButtonElement;
  await waitFor(() => expect(button.disabled).toBe(false), { timeout: 5000 }); // awake
  await fireEvent.click(button);
};
const type = (label: string | RegExp, value: string) =>
  fireEvent.input(screen.getByLabelText(label), { target: { value } });
const words = (html: string) => createRawSnippet(() => ({ render: () => `<span>${html}</span>` }));
const posted = (asked: ReturnType<typeof server>) => asked.filter((a) => a.method === 'POST');

beforeEach(() => {
  signedIn();
  clock.set(new Date(NOW).toISOString(), false);
});

describe('a transfer that nobody here ordered', () => {
  const stray = (more = {}) => ({
    name: NAME,
    unicode: NAME,
    state: 'open',
    because: 'Its registrar wrote of it.',
    at: 'Quern Names',
    seen_at: at(-3600),
    deadline: at(86_400),
    assumed: false,
    shown: true,
    refusable: true,
    left: [],
    ...more,
  });
  const open = (more = {}, answers = {}) => {
    signedIn('refuseStray');
    const asked = server(answers);
    show(Stray, { stray: stray(more) });
    return asked;
  };

  // what is known => what stands there, and what does not
  it.each([
    [{}, /Unless it is refused, it goes ahead/, /reckoned/],
    [{ assumed: true, shown: false }, /never do.*reckoned: nobody told/, /x{3}/],
    [{ deadline: null }, /Refuse the transfer/, /goes ahead/],
    [{ refusable: false, site: 'https://q.example' }, /on its pages.*https:\/\/q/, /desk can/],
    [{ said_refused: at(-60) }, /Said to be refused/, /The desk can refuse/],
    [
      { state: 'expected', ordered_by: 'Bo', expected_by: 'ada' },
      /Bo ordered it, says ada/,
      /else/,
    ],
    [
      { state: 'unsafe', how: 'refused', left: ['lock'] },
      /was refused.*Not safe until the transfer lock is seen to be on at Quern Names/,
      /code is set/,
    ],
    [
      { state: 'unsafe', how: 'ended', left: ['lock', 'code'], refusable: false },
      /has ended.*seen to be on and another code is set at Quern Names/,
      /Lock it/,
    ],
  ])('%o', (more, stands, absent) => {
    open(more);
    expect(said()).toMatch(stands);
    expect(said()).not.toMatch(absent);
  });

  it('is refused only after a second word', async () => {
    const asked = open({}, { [`POST /api/strays/${NAME}/refuse`]: {} });
    await press('Refuse the transfer');
    expect(posted(asked)).toEqual([]);
    await press(`Yes, ${NAME} stays here`);
    await waitFor(() => expect(posted(asked)[0]?.path).toBe(`/api/strays/${NAME}/refuse`));
  });

  it('is expected only with a name', async () => {
    const asked = open({}, { [`POST /api/strays/${NAME}/expected`]: {} });
    await press('It is expected');
    await screen.findByLabelText('Who ordered it');
    await type('Who ordered it', 'Bo of the office');
    await press('Yes, this transfer is expected');
    await waitFor(() => expect(posted(asked)[0]?.body).toEqual({ ordered_by: 'Bo of the office' }));
  });

  it('shows no act to whoever may not', () => {
    server({});
    show(Stray, { stray: stray() });
    expect(screen.queryByRole('button', { name: 'Refuse the transfer' })).toBeNull();
  });
});

describe('two codes for one name', () => {
  const choices = [
    { name: NAME, unicode: NAME, held_at: at(-86_400), received_at: at(-60), sent_by: 'q.example' },
  ];
  it.each([
    [`Take the later code of ${NAME}`, /^Take it, and wipe/, true],
    [`Keep the code of ${NAME} that is held`, /^Keep it, and wipe/, false],
  ])('%s', async (label, sure, later) => {
    signedIn('chooseOfTwo');
    const asked = server({ [`POST /api/codes/${NAME}/choose`]: {} });
    show(TwoCodes, { choices });
    expect(said()).toMatch(/q\.example/);
    await press(label);
    expect(posted(asked)).toEqual([]);
    await press(sure);
    await waitFor(() => expect(posted(asked)[0]?.body).toEqual({ later }));
  });
});

describe('a record set that is carried', () => {
  const row = (more = {}) => ({
    set: `${NAME} MX`,
    owner: `www.${NAME}`,
    type: 'MX',
    kind: 'missing',
    needs: true,
    there: false,
    breaks: 'Mail is lost.',
    says: [],
    fields: [],
    old: { data: ['10 mx.old.example.'], ttl: 3600 },
    new: null,
    wanted: null,
    decision: null,
    ...more,
  });
  const open = (more = {}) => {
    signedIn('decideRecords');
    const asked = server({ [`POST /api/records/${NAME}/decide`]: {} });
    show(CarryRow, { row: row(more), name: NAME, compared: true, done: () => {} });
    return asked;
  };

  // what is chosen, what is typed => what is sent
  it.each([
    ['Carry it as it is', {}, { choice: 'carry', reason: null }],
    [
      'Change it',
      { 'Data, one record a line': '5 mx.new.example.', 'TTL in seconds': '600' },
      { choice: 'edit', text: '5 mx.new.example.', ttl: 600, reason: null },
    ],
    ['Leave it out', { Why: 'nobody mails' }, { choice: 'leave', reason: 'nobody mails' }],
  ])('%s', async (choice, typed, sent) => {
    const asked = open();
    await press(/^Decide/);
    await fireEvent.click(screen.getByLabelText(choice));
    for (const [label, value] of Object.entries(typed)) await type(label, value);
    await press('Save this decision');
    await waitFor(() => expect(posted(asked)[0]?.body).toEqual({ ...sent, sets: [`${NAME} MX`] }));
  });

  it.each([
    [{}, /Mail is lost/, /left out/],
    [{ there: true }, /www MX/, /Mail is lost/],
    [{ kind: 'unknown' }, /www/, /Mail is lost/],
    [{ decision: { choice: 'leave', by: 'ada', reason: 'old' } }, /left out: old \(ada\)/, /x{3}/],
    [{ old: null }, /www/, /3600/],
  ])('%o', (more, stands, absent) => {
    open(more);
    expect(said()).toMatch(stands);
    expect(said()).not.toMatch(absent);
  });

  it('offers to keep only what the new host has', async () => {
    open();
    await press(/^Decide/);
    expect(screen.queryByLabelText('Keep what the new host has')).toBeNull();
  });
});

it('a server’s answers are one line a server, with each change in the picture', () => {
  const one = (server: string, more = {}) => ({
    role: 'old',
    server,
    state: 'same',
    since: at(-7200),
    seen_at: at(-60),
    serial: 7,
    why: null,
    count: 0,
    differs: [],
    name_servers: [],
    ds: [],
    glue: [],
    ...more,
  });
  show(ServerAnswers, {
    answers: [
      one('ns1.example'),
      one('ns1.example', { since: at(-600), state: 'different', count: 2, differs: ['MX', 'TXT'] }),
      one('ns2.example', { state: 'silent', serial: null, why: 'No answer within 5 s.' }),
    ],
  });
  const lines = screen.getAllByRole('row').slice(1);
  expect(lines).toHaveLength(2);
  expect(lines[0]!.querySelectorAll('rect')).toHaveLength(2);
  expect(lines[0]!.textContent).toMatch(/MX.*TXT/s);
  expect(lines[1]!.textContent).toMatch(/No answer within 5 s/);
  expect(lines[1]!.textContent).not.toMatch(/serial/i);
});

describe('a pasted list of codes', () => {
  const line = (number: number, fate: string, says: string | null = null) => ({
    number,
    fate,
    name: NAME,
    says,
  });
  const open = (lines: object[]) => {
    signedIn('keepCodes');
    const asked = server({ 'POST /api/codes/preview': { lines }, 'POST /api/codes': { lines } });
    show(CodeList, { done: () => {} });
    return asked;
  };
  const button = () => document.querySelector<HTMLButtonElement>('button[type=submit]')!;
  const send = async (text: string) => {
    await fireEvent.input(document.querySelector('textarea')!, { target: { value: text } });
    await fireEvent.submit(document.querySelector('form')!);
  };

  it('is looked at first, then kept; what is typed after is looked at again', async () => {
    const asked = open([line(1, 'new'), line(2, 'refused', 'No name stands in it.')]);
    await send(`${NAME} a-code`);
    await waitFor(() => expect(said()).toMatch(/No name stands in it/));
    expect(posted(asked).map((a) => a.path)).toEqual(['/api/codes/preview']);
    await fireEvent.input(document.querySelector('textarea')!, { target: { value: 'b c' } });
    await waitFor(() => expect(button().textContent).toMatch(/first/));
    await send('b c');
    await waitFor(() => expect(posted(asked)).toHaveLength(2));
    expect(posted(asked)[1]!.path).toBe('/api/codes/preview');
    await waitFor(() => expect(button().textContent).toMatch(/1/));
    await fireEvent.submit(document.querySelector('form')!);
    await waitFor(() => expect(posted(asked)[2]?.path).toBe('/api/codes'));
  });

  it('keeps nothing where nothing is understood', async () => {
    open([line(1, 'refused', 'No name stands in it.')]);
    await send('nothing');
    await waitFor(() => expect(said()).toMatch(/No name stands/));
    expect(button().disabled).toBe(true);
  });
});

describe('a DNS host', () => {
  const held = {
    id: 'h1',
    title: 'Slipway DNS',
    name_servers: ['ns1.slipway.example'],
    key_name: null,
    has_key: false,
    ends_with: null,
    habits: { ttl_floor: 300, wildcard: true },
  };
  // field, what is typed => what is sent
  it.each([
    ['h-title', 'Slip', { title: 'Slip' }],
    ['h-ns', 'a.example, b.example', { name_servers: ['a.example', 'b.example'] }],
    ['h-floor', '', { habits: { ttl_floor: null } }],
    ['h-types', 'a mx', { habits: { types: ['A', 'MX'] } }],
  ])('sends only %s', async (id, value, sent) => {
    const asked = server({ 'POST /api/hosts/h1': { id: 'h1' } });
    show(HostForm, { accounts: [], held, done: () => {} });
    await fireEvent.input(document.getElementById(id)!, { target: { value } });
    await fireEvent.submit(document.querySelector('form')!);
    await waitFor(() => expect(posted(asked)[0]?.body).toEqual(sent));
  });

  it('sends nothing where nothing differs', async () => {
    const done = vi.fn();
    const asked = server({});
    show(HostForm, { accounts: [], held, done });
    await fireEvent.submit(document.querySelector('form')!);
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(posted(asked)).toEqual([]);
  });
});

describe('a value that is overruled', () => {
  const book = {
    keys: ['silence_days'],
    titles: { silence_days: 'Days of silence', 'new-name': 'New name', family: 'Family' },
    families: [
      {
        id: 'g',
        title: 'Generic',
        suffixes: ['example'],
        rules: [{ id: 'new-name' }],
        without: [],
      },
    ],
  };
  it('is shown with what it changes before it can be kept, each value anew', async () => {
    const names = [{ name: NAME, was: { gate: 'ready' }, is: { gate: 'ready' } }];
    const asked = server({
      'POST /api/rulebook/preview': { count: 0, looked_at: 4, names: [] },
      'POST /api/rulebook/overrides': names,
    });
    show(Overrule, { book, suffix: 'example' });
    const [value] = document.querySelectorAll<HTMLInputElement>('input:not(.mono)');
    await fireEvent.input(value!, { target: { value: '7' } });
    expect(screen.queryByRole('button', { name: 'Keep it' })).toBeNull();
    await fireEvent.submit(document.querySelector('form')!);
    await screen.findByRole('status');
    expect(posted(asked)[0]!.body).toEqual({ suffix: 'example', key: 'new-name', value: '7' });
    await fireEvent.input(value!, { target: { value: '8' } });
    await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
  });
});

describe('a message', () => {
  const message = (more = {}) => ({
    id: 7,
    kind: 'code',
    subject: 'Your code',
    at: at(-60),
    sender: 'help@quern.example',
    trust: 'proven',
    because: ['DKIM passed.'],
    move_id: null,
    names: [NAME],
    unicode: [NAME],
    links: [],
    codes: [],
    stray: null,
    deadline: null,
    corrected_by: null,
    longer: false,
    bodiless: false,
    text: 'Hello',
    ...more,
  });
  const link = (role: string) => ({
    role,
    url: `https://q.example/${role}`,
    words: 'x',
    host: 'q',
  });
  it.each([
    [{}, /Your code/, /Doubtful|Nothing proves/],
    [{ trust: 'doubtful' }, /Doubtful\.\s+Not relied on\.\s+DKIM passed/, /Nothing proves/],
    [{ trust: 'doubtful', kind: 'offer' }, /Your code/, /Not relied/],
    [{ trust: 'unproven' }, /Nothing proves its sender/, /Doubtful/],
    [{ links: [link('approve'), link('other')] }, /To approve:.*leads to q/, /A link:/],
    [{ corrected_by: 'bo' }, /put right by bo/, /Doubtful/],
  ])('%o', (more, stands, absent) => {
    signedIn('countMessage');
    server({});
    show(Message, { message: message(more), kind: 'Code', kinds: [{ id: 'code', title: 'Code' }] });
    expect(said()).toMatch(stands);
    expect(said()).not.toMatch(absent);
  });
});

describe('what is done at one place', () => {
  const item = (move: number, more = {}, hand = {}) => ({
    move,
    step: 'unlock',
    name: `n${move}.example`,
    unicode: `n${move}.example`,
    title: 'Unlock',
    phase: 'due',
    says: null,
    said_at: null,
    letter: null,
    hand: { does: `Take the lock off n${move}.example`, typed: [], way: 'page', ...hand },
    ...more,
  });
  it('nothing is ticked by itself; what is said or written can’t be', async () => {
    signedIn('said');
    const asked = server({ 'POST /api/hands/said': {} });
    const items = [item(1), item(2), item(3, { said_at: at(-60) }), item(4, { letter: 9 })];
    show(Acts, {
      place: { id: 'q', title: 'Quern Names', items, letter_for: [] },
      canSend: true,
    });
    const boxes = screen.getAllByRole('checkbox') as HTMLInputElement[];
    expect(boxes.map((b) => b.checked)).toEqual([false, false, false]); // two, and all of them
    await fireEvent.click(boxes[1]!);
    const list = document.querySelector('section')!;
    const done = within(list)
      .getAllByRole('button')
      .filter((b) => /done/i.test(b.textContent!));
    await fireEvent.click(done.at(-1)!);
    await waitFor(() =>
      expect(posted(asked)[0]?.body).toEqual({ steps: [{ move: 2, step: 'unlock' }] }),
    );
  });
});

describe('parts of every view', () => {
  it.each([
    [at(-86_400), at(86_400), '50%', /left|more|in/i],
    [at(-86_400), at(-60), '0%', /late|over|past/i],
    [at(60), at(60), '100%', /./],
  ])('a deadline from %s to %s', (since, until, width, label) => {
    show(DeadlineBar, { since, until });
    const bar = screen.getByRole('img');
    expect((bar.firstElementChild as HTMLElement).style.width).toBe(width);
    expect(bar.getAttribute('aria-label')).toMatch(label);
  });

  // an absent answer is said to be absent, and no forecast is made up
  it.each([
    [{}, /Done by not known/, /8 in 10/],
    [
      { uptime: { stays: 'yes', word: 'stay up', says: 'x', because: 'copied first' } },
      /stay up copied first/,
      /go down/,
    ],
    [
      { uptime: { stays: 'unknown', word: 'not known', says: '', because: 'nobody has said' } },
      /Site and mail not known nobody has said/,
      /stay up/,
    ],
    [{ finish: [at(3600), at(86_400), at(2 * 86_400)] }, /8 in 10/i, /if nobody/],
    [{ ahead: false }, /14.50 EUR/, /Done by|Site and mail/],
  ])('answers %o', (more, stands, absent) => {
    const fixed = { cost: words('14.50 EUR'), result: words('9 Mar 2028') };
    show(AnswerStrip, { ...fixed, uptime: undefined, ...more });
    expect(said()).toMatch(stands);
    expect(said()).not.toMatch(absent);
  });

  it('a menu closes by Esc with the focus back, by a choice and by a click elsewhere', async () => {
    show(Menu, { label: 'More', children: words('One') });
    const opener = screen.getByRole('button', { name: /More/ });
    const closings = [
      () => fireEvent.keyDown(opener, { key: 'Escape' }),
      () => fireEvent.click(screen.getByText('One')),
      () => fireEvent.click(document.body),
    ];
    for (const close of closings) {
      await fireEvent.click(opener);
      expect(opener.getAttribute('aria-expanded')).toBe('true');
      await close();
      expect(opener.getAttribute('aria-expanded')).toBe('false');
    }
    expect(document.activeElement).toBe(opener);
  });

  it('search finds views, moves and names; arrows choose within what is found', async () => {
    HTMLDialogElement.prototype.showModal ??= () => {};
    HTMLDialogElement.prototype.close ??= () => {};
    server({
      'GET /api/moves': {
        moves: [{ id: 3, name: NAME, unicode: NAME, to: 'Orlop', stage: 'Release' }],
      },
      'GET /api/names': { names: [], tally: {}, suffixes: [], total: 0 },
    });
    show(Palette, { open: true });
    const found = expect.stringMatching(new RegExp(`${NAME}.*Orlop`));
    const field = document.querySelector('input')!;
    const options = () => [...document.querySelectorAll('[role=option]')];
    await fireEvent.keyDown(field, { key: 'ArrowUp' });
    expect(options()[0]!.getAttribute('aria-selected')).toBe('true');
    await fireEvent.keyDown(field, { key: 'ArrowDown' });
    expect(options()[1]!.getAttribute('aria-selected')).toBe('true');
    await fireEvent.input(field, { target: { value: 'tidal' } });
    await waitFor(() => expect(options().map((o) => o.textContent)).toEqual([found]));
    await fireEvent.input(field, { target: { value: 'zzz' } });
    expect(options()).toHaveLength(0);
    expect(said()).toContain('zzz');
  });
});
