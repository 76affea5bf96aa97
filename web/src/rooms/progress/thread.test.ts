import type { ThreadEvent } from '@inchstep/contract/intake';
import { describe, expect, test } from '@jest/globals';
import { threadDays } from './Thread.tsx';

const event = (at: string, kind: ThreadEvent['kind'], detail: ThreadEvent['detail'] = {}): ThreadEvent => ({
  id: at + kind,
  at,
  kind,
  lessonId: null,
  detail,
});

describe('the thread', () => {
  test('gathers by day, newest first, and counts what repeats', () => {
    const days = threadDays([
      event('2027-03-02T10:00:00', 'reply'),
      event('2027-03-01T12:00:00', 'measured', { count: 30, swing: 'x' }),
      event('2027-03-01T11:00:00', 'measured', { count: 30, swing: 'y' }),
      event('2027-03-01T09:00:00', 'created'),
    ]);
    expect(days.map((d) => d.day)).toEqual(['2027-03-02', '2027-03-01']);
    expect(days[1]?.lines.map((l) => l.times)).toEqual([2, 1]);
  });
  test('says what was decided in a coach’s words', () => {
    const [day] = threadDays([
      event('2027-03-01T10:00:00', 'diagnosed', { roots: ['sway', 'stall'], diagnosis: 'x' }),
      event('2027-03-01T10:01:00', 'gate', {
        drill: 'knee_swap',
        stage: 'slow',
        decision: 'back',
        note: '',
      }),
      event('2027-03-01T10:02:00', 'drills_chosen', { drills: ['knee_swap'], note: '' }),
    ]);
    const text = day?.lines.map((l) => l.text).join('\n') ?? '';
    expect(text).toContain('Slow, one down');
    expect(text).toContain('Knee swap');
    expect(text).not.toMatch(/_/);
  });
});
