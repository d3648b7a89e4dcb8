import { fireEvent, render, waitFor } from '@testing-library/svelte';
import { expect, test, vi } from 'vitest';
import Values from '../../ui/src/parts/Values.svelte';

test('values of one name stand side by side, and c copies one after the other', async () => {
  const copied: string[] = [];
  const writeText = vi.fn((text: string) => Promise.resolve(void copied.push(text)));
  vi.stubGlobal('navigator', { ...navigator, clipboard: { writeText } });
  const of = ['auto-renew on', 'privacy on'].map((text) => ({ label: 'As ordered', text }));
  const shown = render(Values, { props: { of } });
  expect(shown.getAllByText('As ordered')).toHaveLength(2);
  for (const n of [1, 2, 3]) {
    await fireEvent.keyDown(window, { key: 'c' });
    await waitFor(() => expect(copied).toHaveLength(n));
  }
  expect(copied).toEqual(['auto-renew on', 'privacy on', 'auto-renew on']);
  vi.unstubAllGlobals();
});
