import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { server, show, signedIn } from './support/server';
import { at, NOW } from './support/moves';
import { clock } from '../../ui/src/lib/clock.svelte';

const { default: Agreement } = await import('../../ui/src/views/arrive/Agreement.svelte');
const { default: Agreements } = await import('../../ui/src/views/batches/Agreements.svelte');
const { default: MonthReport } = await import('../../ui/src/views/ledger/MonthReport.svelte');

const amount = (minor: number, currency = 'EUR') => ({ minor, currency });
const state = (so = {}) => ({
  client: 'Lanternroom',
  asked_by: 'ada@x.example',
  made_at: at(0),
  changed: false,
  answer: null,
  answered_by: null,
  says: null,
  answered_at: null,
  ...so,
});
const name = (ascii: string, so = {}) => ({
  name: ascii,
  to: 'Orlop',
  at: at(1),
  uptime: 'Site and mail stay up',
  total: amount(902),
  public_until: null,
  ...so,
});
const plan = (so = {}, its = {}) => ({
  title: 'March',
  state: state(its),
  names: [name('a.example', { public_until: at(40) }), name('b.example', { total: null })],
  left_out: ['c.example'],
  total: [amount(902)],
  unpriced: 1,
  range: [at(2), at(3), at(4)],
  public: ['name', 'email'],
  ...so,
});
const said = () => document.body.textContent!.replace(/\s+/g, ' ');

beforeEach(() => {
  signedIn('askClient', 'endAgreement');
  clock.set(new Date(NOW).toISOString(), false);
});

describe('what a client is asked', () => {
  it('says what is planned, and takes a yes with a name or a question', async () => {
    const answers: Record<string, unknown> = { 'POST /api/agreement': plan() };
    const asked = server(answers);
    show(Agreement, { word: 'w' });
    await screen.findByText('Two names are to move. Do you agree?');
    expect(said()).toMatch(/owner’s name and email address: the old registrar’s privacy/);
    expect(said()).toMatch(/b\.example.*no change.*not known.*Total, without one name\s*9\.02 EUR/);
    expect(said()).toMatch(/Not planned yet, and no part of this: c\.example/);
    const [yes, ask] = ['I agree', 'Send the question'].map((b) => screen.getByText(b));
    expect([yes, ask].map((b) => b!.closest('button')!.disabled)).toEqual([true, true]);
    await fireEvent.input(screen.getByLabelText('Your name'), { target: { value: 'Jo' } });
    await fireEvent.input(screen.getByLabelText(/^Your question/), { target: { value: 'Why?' } });
    answers['POST /api/agreement/answer'] = plan({}, { answer: 'question', says: 'Why?' });
    await fireEvent.click(ask!);
    await screen.findByText(/Your question has been passed on/);
    answers['POST /api/agreement/answer'] = plan({}, { answer: 'yes' });
    await waitFor(() => expect(yes!.closest('button')!.disabled).toBe(false));
    await fireEvent.click(yes!);
    await screen.findByText('You have agreed. Nothing more is needed from you.');
    expect(screen.queryByText('I agree')).toBeNull();
    expect(asked.slice(1).map((a) => a.body)).toEqual([
      { word: 'w', answer: 'question', by: 'Jo', says: 'Why?' },
      { word: 'w', answer: 'yes', by: 'Jo', says: '' },
    ]);
  });

  it('offers nothing where the plan was changed, or where there is none', async () => {
    server({ 'POST /api/agreement': plan({}, { changed: true }) });
    show(Agreement, { word: 'w' });
    await screen.findByText(/has changed since this page was made/);
    expect(screen.queryByText('I agree')).toBeNull();
    server({ 'POST /api/agreement': [404, { detail: 'There is nothing to agree to.' }] });
    show(Agreement, { word: 'x' });
    expect((await screen.findByRole('alert')).textContent).toBe('There is nothing to agree to.');
  });
});

describe('the agreements of a batch', () => {
  it('are asked for by client, shown with their answers, and ended', async () => {
    const sheet = {
      batch: { title: 'March' },
      clients: ['Lanternroom', 'Tide'],
      agreements: [
        state({ answer: 'yes', answered_by: 'Jo', answered_at: at(1), changed: true }),
        state({ client: null, answer: 'question', answered_by: 'Bo', says: 'When?' }),
      ],
    };
    const address = 'https://desk.example/agreement#w0rd';
    const asked = server({
      'POST /api/batches/3/agreements': { address, sheet },
      'POST /api/batches/3/agreements/end': sheet,
    });
    let done = 0;
    show(Agreements, { id: 3, sheet, waiting: true, done: () => (done += 1) });
    expect(said()).toMatch(/Lanternroom\s*Jo agreed.*The batch was changed since/);
    expect(said()).toMatch(/All names\s*Bo asks: “When\?”/);
    await fireEvent.change(screen.getByLabelText('For'), { target: { value: 'Tide' } });
    await fireEvent.click(screen.getByText('Make the page'));
    await screen.findByText(address);
    const mail = screen.getByText('Write the email').getAttribute('href')!;
    expect(decodeURIComponent(mail)).toContain(`${address}\n`);
    await fireEvent.click(screen.getByLabelText('End the page of All names'));
    await waitFor(() => expect(done).toBe(2));
    expect(asked.map((a) => a.body)).toEqual([{ client: 'Tide' }, {}]);
  });
});

describe('the report of a month', () => {
  it('is asked for by month and client, and needs no client where there is none', async () => {
    const book = { months: ['2027-03', '2027-02'], clients: ['Tide & Co'] };
    show(MonthReport, { book });
    const to = () => screen.getByText('To print').getAttribute('href');
    expect(to()).toBe('/api/month-report?month=2027-03');
    await fireEvent.change(screen.getByLabelText('Month'), { target: { value: '2027-02' } });
    await fireEvent.change(screen.getByLabelText('Client'), { target: { value: 'Tide & Co' } });
    expect(to()).toBe('/api/month-report?month=2027-02&client=Tide%20%26%20Co');
    document.body.innerHTML = '';
    show(MonthReport, { book: { ...book, clients: [] } });
    expect(screen.queryByLabelText('Client')).toBeNull();
    expect(said()).toContain('March 2027');
  });
});
