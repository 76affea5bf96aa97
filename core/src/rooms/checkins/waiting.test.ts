import { describe, expect, test } from '@jest/globals';
import type { GateStanding, LoggedSet } from '../practice/index.ts';
import type { CheckinEntry } from './checkinRecord.ts';
import { type WaitingFile, whyWaiting } from './waiting.ts';

const NOW = '2027-03-20T12:00:00.000Z';
const daysAgo = (days: number) => new Date(Date.parse(NOW) - days * 86_400_000).toISOString();
const checkin = (id: string, days: number, more: Partial<CheckinEntry> = {}): CheckinEntry => ({
  id,
  at: daysAgo(days),
  pain: false,
  note: `note ${id}`,
  answered: false,
  ...more,
});
const set = (days: number): LoggedSet => ({
  date: daysAgo(days).slice(0, 10),
  drill: 'knee_swap',
  stage: 'slow',
  reps: 'P',
  at: daysAgo(days),
});
const gate = (decision: 'advance' | 'continue', held: GateStanding['held'] = []): GateStanding => ({
  drill: 'knee_swap',
  stage: 'slow',
  gate: { decision, repsUsed: 7, tape: 1 },
  measure: { id: null, swings: 0, inBand: null, open: false },
  held,
});
const file = (more: Partial<WaitingFile> = {}): WaitingFile => ({
  studentId: 'mei',
  heldSince: null,
  checkins: [],
  sets: [set(1)],
  plannedAt: daysAgo(10),
  gates: [gate('continue')],
  filmedAt: null,
  wrongWay: false,
  ...more,
});
const reasons = (more: Partial<WaitingFile>) =>
  whyWaiting(file(more), NOW)?.waiting.map(({ reason }) => reason) ?? [];

describe('why a student waits', () => {
  test.each<[string, Partial<WaitingFile>, string[]]>([
    ['practises, all is well', {}, []],
    ['no plan and nothing said', { plannedAt: null, sets: [] }, []],
    ['pain', { heldSince: daysAgo(1) }, ['pain']],
    ['a gate that waits', { gates: [gate('advance')] }, ['gate_waiting']],
    [
      'a gate that waits for swings',
      { gates: [gate('advance', [{ code: 'swings', have: 0, need: 3 }])] },
      [],
    ],
    ['the wrong way', { filmedAt: daysAgo(2), wrongWay: true }, ['wrong_way']],
    [
      'too much of it',
      { filmedAt: daysAgo(2), gates: [gate('continue', [{ code: 'watch', measure: 'x' }])] },
      ['watch_over'],
    ],
    ['a new check-in', { checkins: [checkin('a', 1)] }, ['routine']],
    ['one that waits two days', { checkins: [checkin('a', 2)] }, ['overdue_reply']],
    ['answered ones only', { checkins: [checkin('a', 1, { answered: true })] }, []],
    ['no set for a week', { sets: [set(7)] }, ['silent']],
    ['no set for six days', { sets: [set(6)] }, []],
    ['never a set, planned a week ago', { sets: [], plannedAt: daysAgo(7) }, ['silent']],
    ['no set, but wrote yesterday', { sets: [set(9)], checkins: [checkin('a', 1, { answered: true })] }, []],
    [
      'everything at once',
      { heldSince: daysAgo(1), gates: [gate('advance', [{ code: 'pain' }])], checkins: [checkin('a', 3)] },
      ['pain', 'overdue_reply'],
    ],
  ])('%s', (_, more, expected) => {
    expect(reasons(more)).toEqual(expected);
  });
  test('a press opens the check-in with the pain, not the oldest that waits', () => {
    const checkins = [checkin('old', 5), checkin('hurt', 1, { pain: true }), checkin('after', 0.5)];
    expect(whyWaiting(file({ checkins, heldSince: daysAgo(1) }), NOW)).toMatchObject({
      checkinId: 'hurt',
      note: 'note hurt',
    });
    expect(whyWaiting(file({ checkins }), NOW)).toMatchObject({ checkinId: 'old' });
  });
  test('pain whose check-in was answered opens the student', () => {
    const checkins = [checkin('hurt', 1, { pain: true, answered: true })];
    expect(whyWaiting(file({ checkins, heldSince: daysAgo(1) }), NOW)).toMatchObject({
      id: 'mei',
      checkinId: null,
    });
  });
  test('a clock that runs behind makes no negative waiting', () => {
    expect(whyWaiting(file({ heldSince: daysAgo(-1) }), NOW)?.waiting).toEqual([
      { reason: 'pain', waitingHours: 0 },
    ]);
  });
});
