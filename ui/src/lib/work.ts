import type { Schemas } from './api';

type Working = Schemas['Working'] & { job: string };

/** Follows work that takes longer, until its result is there; says how far it is. */
export async function whole<T extends object>(
  answer: T | Working,
  again: (job: string) => Promise<T | Working>,
  progress: (far: { done: number; of: number } | undefined) => void,
): Promise<T> {
  while ('working' in answer) {
    progress(answer.working);
    await new Promise((r) => setTimeout(r, 400));
    answer = await again(answer.job);
  }
  progress(undefined);
  return answer;
}
