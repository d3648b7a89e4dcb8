import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { expect, it } from 'vitest';
import { server, show, signedIn } from './support/server';

const { default: ConsentForm } = await import('../../ui/src/views/hands/ConsentForm.svelte');

const move = (id: number) => ({ id, name: `m${id}.example`, unicode: `m${id}.example` });
const due = (...ids: number[]) => ({
  moves: ids.map(move),
  shown: ['street'],
  until: '2027-03-09T08:00:00Z',
});
const record = () => screen.getByText(/^Record the consent/) as HTMLButtonElement;

it.each([
  { names: [1, 2, 3], ticks: [], says: 'Record the consent', sent: null },
  { names: [1, 2, 3], ticks: ['m2.example'], says: 'Record the consent for 1 name', sent: [2] },
  {
    names: [1, 2, 3],
    ticks: ['All 3 of them'],
    says: 'Record the consent for 3 names',
    sent: [1, 2, 3],
  },
  {
    names: [1, 2],
    ticks: ['Both of them', 'm1.example'],
    says: 'Record the consent for 1 name',
    sent: [2],
  },
  { names: [4], ticks: [], says: 'Record the consent for 1 name', sent: [4] },
])(
  'a consent covers the names that a person ticks: $ticks of $names',
  async ({ names, ticks, says, sent }) => {
    const asked = server({ 'POST /api/hands/consent': {} });
    signedIn('consent');
    show(ConsentForm, { due: due(...names) });
    for (const label of ticks) await fireEvent.click(screen.getByLabelText(label));
    expect([record().textContent?.trim(), record().disabled]).toEqual([says, sent === null]);
    await fireEvent.input(screen.getByLabelText('Who gave it, and how'), {
      target: { value: 'Pearl Strand' },
    });
    await fireEvent.submit(record().closest('form')!);
    if (sent)
      await waitFor(() =>
        expect(asked[0]?.body).toMatchObject({ moves: sent, given_by: 'Pearl Strand' }),
      );
    else expect(asked).toEqual([]);
  },
);
