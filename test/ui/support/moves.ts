import type { Block, Step } from '../../../ui/src/lib/api';

export const NOW = Date.parse('2027-03-01T08:00:00Z');
export const at = (seconds: number) => new Date(NOW + seconds * 1000).toISOString();

export const step = (
  id: string,
  needs: string[],
  rail: Step['rail'],
  phase: Step['phase'] = 'ahead',
): Step => ({
  id,
  rail,
  needs,
  phase,
  stage: 'Make ready',
  turn: 'clock',
  title: id,
  short: id,
  proof: '',
  undo: null,
  says: null,
  since: phase === 'ahead' ? null : at(-600),
  done_at: null,
  takes: [60, 900, 3600],
});

export const block = (
  id: string,
  from: number,
  lasts: [number, number, number],
  past = false,
): Block => ({
  id,
  past,
  starts: [at(from), at(from), at(from)],
  ends: lasts.map((l) => at(from + l)),
});
