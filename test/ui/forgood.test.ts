import { fireEvent, render } from '@testing-library/svelte';
import { tick } from 'svelte';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import ForGood from '../../ui/src/parts/ForGood.svelte';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const pass = async (ms: number) => {
  vi.advanceTimersByTime(ms);
  await tick();
};

test('what can’t be taken back is dead for a second, asks once more, and says what follows', async () => {
  const act = vi.fn();
  const shown = render(ForGood, {
    props: { label: 'Approve', yes: 'Yes, release a.example', act },
  });
  const button = (name: string) => shown.getByRole('button', { name }) as HTMLButtonElement;
  await tick();
  expect(button('Approve').disabled).toBe(true);
  await pass(999);
  expect(button('Approve').disabled).toBe(true);
  await pass(1);
  await fireEvent.click(button('Approve'));
  expect(act).not.toHaveBeenCalled();
  expect(button('Yes, release a.example').disabled).toBe(true);
  await pass(1000);
  await fireEvent.click(button('Not now'));
  await pass(1000);
  await fireEvent.click(button('Approve'));
  await pass(1000);
  await fireEvent.click(button('Yes, release a.example'));
  expect(act).toHaveBeenCalledTimes(1);
});

test('the focus goes to the question, and Esc takes it back', async () => {
  const act = vi.fn();
  const shown = render(ForGood, {
    props: { label: 'Remove', yes: 'Remove a.example', danger: true, act },
  });
  await pass(1000);
  await fireEvent.click(shown.getByRole('button', { name: 'Remove' }));
  await tick();
  expect(document.activeElement).toBe(shown.getByRole('group', { name: 'Remove a.example' }));
  await fireEvent.keyDown(document.activeElement!, { key: 'Escape' });
  await pass(1000);
  expect(shown.queryByRole('group', { name: 'Remove a.example' })).toBeNull();
  expect(shown.getByRole('button', { name: 'Remove' })).toBeTruthy();
  expect(act).not.toHaveBeenCalled();
});
