import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import {
  EMPTY_PLAN,
  type GateStanding,
  type KeptPlan,
  type LoggedSet,
  USUAL_ASK,
} from '../practice/index.ts';
import type { CheckinEntry } from './checkinRecord.ts';
import { QUEUE_REASONS } from './queue.ts';
import { opensAt, painReportOf, silentFrom, type WaitingFile, waitingAt, whyWaiting } from './waiting.ts';

const NOW = '2027-03-20T12:00:00.000Z';
const daysAgo = (days: number) => new Date(Date.parse(NOW) - days * 86_400_000).toISOString();
const checkin = (id: string, days: number, more: Partial<CheckinEntry> = {}): CheckinEntry => ({
  id,
  at: daysAgo(days),
  day: daysAgo(days).slice(0, 10),
  pain: false,
  note: `note ${id}`,
  answered: false,
  ...more,
});
const set = (days: number): LoggedSet => ({
  id: `set ${days}`,
  doneAt: null,
  from: 'student',
  device: null,
  date: daysAgo(days).slice(0, 10),
  drill: 'knee_swap',
  stage: 'slow',
  reps: 'P',
  layer: 1,
  at: daysAgo(days),
});
const gate = (decision: 'advance' | 'continue', held: GateStanding['held'] = []): GateStanding => ({
  drill: 'knee_swap',
  stage: 'slow',
  finished: false,
  layer: 1,
  gate: { decision, repsUsed: 7, tape: 1, notYets: 0, more: 0 },
  measures: [],
  proposesDown: false,
  fullTest: null,
  held,
});
interface Case extends Partial<Omit<WaitingFile, 'intake' | 'practice' | 'capture'>> {
  readonly heldSince?: string;
  readonly sets?: readonly LoggedSet[];
  readonly plannedAt?: string | null;
  readonly clips?: WaitingFile['capture']['clips'];
}
const planOf = (at: string): KeptPlan => ({
  at,
  drills: ['knee_swap'],
  ask: { ...USUAL_ASK, start: at.slice(0, 10), days: ['mon'] },
  plan: EMPTY_PLAN,
});
const file = ({ heldSince, sets = [set(1)], plannedAt, clips = [], ...more }: Case = {}): WaitingFile => ({
  intake: { heldSince: heldSince ?? null, heldWhere: heldSince ? 'left knee' : '' },
  capture: { clips },
  practice: { sets, plan: plannedAt === null ? null : planOf(plannedAt ?? daysAgo(10)) },
  checkins: [],
  asked: null,
  aside: null,
  gates: [gate('continue')],
  filmedAt: null,
  wrongWay: false,
  ...more,
});
const waiting = (more: Case) => waitingAt(whyWaiting(file(more)), NOW);
const reasons = (more: Case) => waiting(more).map(({ reason }) => reason);

describe('why a student waits', () => {
  test.each<[string, Case, string[]]>([
    ['practises, all is well', {}, []],
    ['no plan and nothing said', { plannedAt: null, sets: [] }, []],
    ['pain', { heldSince: daysAgo(1) }, ['pain']],
    ['a gate that waits', { gates: [gate('advance')] }, ['gate_waiting']],
    [
      'a gate that waits for swings',
      { gates: [gate('advance', [{ code: 'swings', measure: 'x', have: 0, need: 3 }])] },
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
    [
      'no set, but sent a clip yesterday',
      { sets: [set(9)], clips: [{ at: daysAgo(1), from: 'student' }] },
      [],
    ],
    [
      'no set, and the coach filmed',
      { sets: [set(9)], clips: [{ at: daysAgo(1), from: 'coach' }] },
      ['silent'],
    ],
    ['no set, but wrote yesterday', { sets: [set(9)], checkins: [checkin('a', 1, { answered: true })] }, []],
    ['silent, and they talked yesterday', { sets: [set(9)], aside: { at: daysAgo(1), until: null } }, []],
    [
      'they talked eight days ago, and nothing since',
      { sets: [set(9)], aside: { at: daysAgo(8), until: null } },
      ['silent'],
    ],
    [
      'a check-in that was spoken of',
      { checkins: [checkin('a', 3)], aside: { at: daysAgo(1), until: null } },
      [],
    ],
    [
      'a check-in of after they spoke',
      { checkins: [checkin('a', 1)], aside: { at: daysAgo(2), until: null } },
      ['routine'],
    ],
    [
      'spoken, and it still hurts',
      { heldSince: daysAgo(3), aside: { at: daysAgo(1), until: null } },
      ['pain'],
    ],
    [
      'spoken, and the gate still waits',
      { gates: [gate('advance')], aside: { at: daysAgo(1), until: null } },
      ['gate_waiting'],
    ],
    [
      'set aside until a day that has not come',
      { gates: [gate('advance')], aside: { at: daysAgo(1), until: '2027-03-22' } },
      [],
    ],
    [
      'set aside until a day that is here',
      { gates: [gate('advance')], aside: { at: daysAgo(3), until: '2027-03-20' } },
      ['gate_waiting'],
    ],
    [
      'set aside, and it hurts',
      { heldSince: daysAgo(1), aside: { at: daysAgo(2), until: '2027-03-22' } },
      ['pain'],
    ],
    [
      'set aside, and something new came',
      { checkins: [checkin('a', 1)], aside: { at: daysAgo(2), until: '2027-03-25' } },
      ['routine'],
    ],
    [
      'set aside with its check-in',
      { checkins: [checkin('a', 4)], aside: { at: daysAgo(2), until: '2027-03-25' } },
      [],
    ],
    [
      'clips that were due yesterday',
      { asked: { askedAt: daysAgo(5), dueOn: '2027-03-19' } },
      ['request_overdue'],
    ],
    ['clips that are due today', { asked: { askedAt: daysAgo(5), dueOn: '2027-03-20' } }, []],
    [
      'overdue clips that were spoken of',
      { asked: { askedAt: daysAgo(5), dueOn: '2027-03-18' }, aside: { at: daysAgo(1), until: null } },
      [],
    ],
    [
      'everything at once',
      { heldSince: daysAgo(1), gates: [gate('advance', [{ code: 'pain' }])], checkins: [checkin('a', 3)] },
      ['pain', 'overdue_reply'],
    ],
  ])('%s', (_, more, expected) => {
    expect(reasons(more)).toEqual(expected);
  });
  test('the line of an answer opens the check-in that waits longest', () => {
    const checkins = [checkin('old', 5), checkin('hurt', 1, { pain: true }), checkin('after', 0.5)];
    expect(opensAt(file({ checkins, heldSince: daysAgo(1) }))).toMatchObject({ id: 'old' });
  });
  test.each<[string, CheckinEntry[], string | null, string]>([
    [
      'came with a check-in',
      [checkin('old', 5), checkin('hurt', 1, { pain: true }), checkin('after', 0.5)],
      'hurt',
      'left knee. note hurt',
    ],
    ['came alone: an older check-in without pain is not its text', [checkin('old', 5)], null, 'left knee'],
    ['an earlier pain is not its text', [checkin('before', 9, { pain: true })], null, 'left knee'],
    ['was answered', [checkin('hurt', 1, { pain: true, answered: true })], null, 'left knee'],
  ])('a report of pain that %s', (_, checkins, checkinId, note) => {
    expect(painReportOf(file({ checkins, heldSince: daysAgo(1) }))).toEqual({ checkinId, note });
    expect(painReportOf(file({ checkins }))).toBeNull();
  });
  test('a clock that runs behind makes no negative waiting', () => {
    expect(waiting({ heldSince: daysAgo(-1) })).toEqual([{ reason: 'pain', waitingHours: 0 }]);
  });
  test('silence is told with its moment, so that it need not be looked for', () => {
    expect(silentFrom(file({ sets: [set(2)] }))).toBe(daysAgo(-5));
    const later = waitingAt(whyWaiting(file({ sets: [set(2)] })), daysAgo(-5));
    expect(later).toEqual([{ reason: 'silent', waitingHours: 7 * 24 }]);
  });

  const random = seededRandom(11);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const anyCase = (): Case => ({
    ...(random() < 0.2 ? { heldSince: daysAgo(pick([0.5, 3])) } : {}),
    sets: pick([[], [set(1)], [set(6)], [set(8)]]),
    plannedAt: pick([null, daysAgo(3), daysAgo(12)]),
    clips: pick([
      [],
      [{ at: daysAgo(2), from: 'student' as const }],
      [{ at: daysAgo(2), from: 'coach' as const }],
    ]),
    checkins: pick([[], [checkin('a', 1)], [checkin('a', 3)], [checkin('a', 4, { answered: true })]]),
    gates: [
      gate(
        pick(['advance', 'continue']),
        pick([[], [{ code: 'swings', measure: 'x', have: 1, need: 3 }], [{ code: 'watch', measure: 'x' }]]),
      ),
    ],
    asked: pick([
      null,
      { askedAt: daysAgo(9), dueOn: '2027-03-19' },
      { askedAt: daysAgo(9), dueOn: '2027-03-21' },
    ]),
    filmedAt: pick([null, daysAgo(2)]),
    wrongWay: random() < 0.3,
  });
  /** Each reason by itself, told the other way about. */
  const byHand = (c: Case): string[] => {
    const held = c.gates?.[0]?.held[0]?.code;
    const waits = c.checkins?.some(({ answered }) => !answered) ?? false;
    const hours = (at: string) => (Date.parse(NOW) - Date.parse(at)) / 3_600_000;
    const overdue = waits && hours(c.checkins?.[0]?.at ?? NOW) >= 48;
    const lives = [
      ...(c.plannedAt ? [c.plannedAt] : []),
      ...(c.sets ?? []).map(({ at }) => at),
      ...(c.checkins ?? []).map(({ at }) => at),
      ...(c.clips ?? []).filter(({ from }) => from === 'student').map(({ at }) => at),
    ];
    const silent = c.plannedAt !== null && Math.min(...lives.map(hours)) >= 7 * 24;
    const reasonsByHand: [string, boolean][] = [
      ['pain', c.heldSince !== undefined],
      // Without a plan and without a set there is no gate that anybody came to.
      [
        'gate_waiting',
        c.gates?.[0]?.gate.decision === 'advance' &&
          held !== 'swings' &&
          (c.plannedAt !== null || (c.sets?.length ?? 0) > 0),
      ],
      ['wrong_way', c.filmedAt !== null && c.wrongWay === true],
      ['watch_over', c.filmedAt !== null && held === 'watch'],
      ['silent', silent],
      ['request_overdue', c.asked?.dueOn === '2027-03-19'],
      ['overdue_reply', overdue],
      ['routine', waits && !overdue],
    ];
    return reasonsByHand.filter(([, is]) => is).map(([reason]) => reason);
  };
  test('each reason stands for itself, on 2,000 made-up files', () => {
    const met = new Set<string>();
    for (let i = 0; i < 2000; i++) {
      const any = anyCase();
      const found = reasons(any);
      for (const reason of found) met.add(reason);
      expect([any, found.toSorted()]).toEqual([any, byHand(any).toSorted()]);
    }
    expect([...met].sort()).toEqual([...QUEUE_REASONS].sort());
  });
});
