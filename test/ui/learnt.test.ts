import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { server, show, signedIn } from './support/server';

const { default: Sender } = await import('../../ui/src/views/post/Sender.svelte');
const { default: Revision } = await import('../../ui/src/views/moves/Revision.svelte');
const { default: CodeCopy } = await import('../../ui/src/views/hands/CodeCopy.svelte');

describe('an unknown sender', () => {
  const gannet = { id: 'gannet', title: 'Gannet' };
  const asked = { domain: 'gannetpost.example', proven: true, accounts: [gannet] };

  it.each([
    ['Yes, keep that', 'gannet'],
    ['No, it does not', null],
  ])('is asked about once: %s', async (label, account) => {
    signedIn('answerSender');
    const calls = server({ 'POST /api/post/7/sender': { messages: [] } });
    show(Sender, { message: 7, asked });
    expect(screen.getByText('Does Gannet write from gannetpost.example?')).toBeTruthy();
    await fireEvent.click(screen.getByText(label));
    await waitFor(() => expect(calls.at(-1)?.body).toEqual({ account }));
  });

  it('may write for either side of a move; what proves nothing is said', () => {
    signedIn('answerSender');
    const accounts = [gannet, { id: 'orlop', title: 'Orlop' }];
    show(Sender, { message: 7, asked: { ...asked, proven: false, accounts } });
    expect(screen.getByText('Which of them writes from gannetpost.example?')).toBeTruthy();
    expect(screen.getByText('Nothing proves that this domain sent it.')).toBeTruthy();
    expect(screen.getAllByRole('button').map((b) => b.textContent?.trim())).toEqual([
      'Gannet',
      'Orlop',
      'None of them',
    ]);
  });
});

describe('a plan', () => {
  it('follows what was learnt, by just the changes that are shown', async () => {
    signedIn('revisePlan');
    const told = ['released: by the link in its email, not on its pages.'];
    const calls = server({ 'POST /api/moves/4/revise': {} });
    show(Revision, { move: 4, told });
    expect(screen.getByText(told[0]!)).toBeTruthy();
    await fireEvent.click(screen.getByText('Let the plan follow it'));
    await waitFor(() => expect(calls.at(-1)?.body).toEqual({ told }));
  });
});

describe('a code that is typed again', () => {
  it('goes to the clipboard and is never shown', async () => {
    signedIn('revealCode');
    const writeText = vi.fn(() => Promise.resolve());
    Object.assign(navigator, { clipboard: { writeText } });
    server({ 'POST /api/codes/tide.example/reveal': { code: 'Xq7-secret' } });
    show(CodeCopy, { name: 'tide.example' });
    await fireEvent.click(screen.getByRole('button'));
    await waitFor(() => expect(writeText).toHaveBeenCalledWith('Xq7-secret'));
    expect(document.body.textContent).not.toContain('Xq7-secret');
  });
});

describe('a pasted list', () => {
  it('goes into the tray; what is not held is told', async () => {
    const { default: PickList } = await import('../../ui/src/views/names/PickList.svelte');
    const { picked } = await import('../../ui/src/lib/tray.svelte');
    signedIn();
    const names = ['tide.example', 'isle.example'];
    const calls = server({ 'POST /api/names/pick': { names, unknown: ['nobody.example'] } });
    show(PickList);
    await fireEvent.click(screen.getByText('Paste a list'));
    const field = await screen.findByLabelText('Names that you hold, with anything between them');
    const text = 'tide.example, isle.example; nobody.example';
    await fireEvent.input(field, { target: { value: text } });
    await fireEvent.click(screen.getByText('Put them in the tray'));
    await screen.findByText(/2 names are in the tray/);
    expect(calls.at(-1)?.body).toEqual({ text });
    expect(picked()).toEqual(names);
    expect(document.body.textContent).toMatch(/Not held:\s+nobody.example/);
  });
});

describe('filters that are kept by name', () => {
  it('are kept for oneself or the team, shown, and forgotten', async () => {
    const { default: SavedFilters } = await import('../../ui/src/views/names/SavedFilters.svelte');
    const { searchParams } = await import('./support/router');
    signedIn('keepTeamFilter');
    const late = { title: 'late', filters: 'gate=wait&sort=expiry', by: 'ada@x.example' };
    const calls = server({
      'GET /api/filters': { own: [late], team: [] },
      'POST /api/filters': { own: [], team: [] },
      'POST /api/filters/team': { own: [], team: [{ ...late, title: 'all late' }] },
      'POST /api/me/views': {},
    });
    history.replaceState(null, '', '?gate=ready&client=Tide');
    show(SavedFilters);
    await fireEvent.click(await screen.findByText('late'));
    expect(searchParams.set.mock.calls.map((c) => c.slice(0, 2))).toEqual([
      ['gate', 'wait'],
      ['sort', 'expiry'],
    ]);
    expect(searchParams.delete.mock.calls.map((c) => c[0])).toContain('client');
    await fireEvent.input(screen.getByLabelText('Keep this filter as'), {
      target: { value: 'all late' },
    });
    await fireEvent.click(screen.getByLabelText('For the whole team'));
    await fireEvent.click(screen.getByText('Keep it'));
    await screen.findByText('Kept for the team');
    history.replaceState(null, '', '/');
    await fireEvent.click(screen.getByLabelText('Forget the filter all late'));
    const sent = () => calls.filter((c) => c.path.startsWith('/api/filters') && c.body);
    await waitFor(() =>
      expect(sent().map((c) => [c.path, c.body])).toEqual([
        ['/api/filters/team', { title: 'all late', filters: 'gate=ready&client=Tide' }],
        ['/api/filters/team', { title: 'all late', filters: null }],
      ]),
    );
  });
});

describe('a comment', () => {
  it('is told of one name, or of all in the tray', async () => {
    const { default: Comment } = await import('../../ui/src/parts/Comment.svelte');
    const { default: TrayActs } = await import('../../ui/src/views/names/TrayActs.svelte');
    signedIn('comment');
    const names = ['tide.example', 'isle.example'];
    const calls = server({
      'POST /api/names/tide.example/comment': {},
      'POST /api/names/isle.example/comment': [422, { detail: 'Not held.' }],
      'GET /api/moves': { moves: [] },
    });
    show(Comment, { name: names[0] });
    const label = 'A comment for the others';
    await fireEvent.input(screen.getByLabelText(label), { target: { value: 'Wait for Bo.' } });
    await fireEvent.click(screen.getByText('Comment'));
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>(label).value).toBe(''));
    document.body.innerHTML = '';
    show(TrayActs, { names });
    await fireEvent.click(screen.getByText('For all of them'));
    const yes = screen.getByText<HTMLButtonElement>('Do it for 2 names');
    await fireEvent.change(screen.getByLabelText('What for all of them'), {
      target: { value: 'comment' },
    });
    expect(screen.getByText('Do it for 2 names').closest('button')!.disabled).toBe(true);
    await fireEvent.input(await screen.findByLabelText(label), { target: { value: 'Both wait.' } });
    await fireEvent.click(yes.isConnected ? yes : screen.getByText('Do it for 2 names'));
    await screen.findByText(/Not held\./);
    expect(calls.filter((c) => c.method === 'POST').map((c) => [c.path, c.body])).toEqual([
      ['/api/names/tide.example/comment', { text: 'Wait for Bo.' }],
      ['/api/names/tide.example/comment', { text: 'Both wait.' }],
      ['/api/names/isle.example/comment', { text: 'Both wait.' }],
    ]);
  });
});
