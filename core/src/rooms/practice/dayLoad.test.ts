import { describe, expect, test } from '@jest/globals';
import type { StudentFacts } from '../intake/index.ts';
import { DRILLS, HOUSE_LIBRARY } from '../prescription/index.ts';
import { overdoneDays, roomOnDay } from './dayLoad.ts';
import type { LoggedSet } from './practiceRecord.ts';

const DAY = '2027-03-01';
const ADULT = { ageYears: 40, limits: [] } as unknown as StudentFacts;
const of = (more: Partial<StudentFacts> = {}) => ({ student: { ...ADULT, ...more }, library: HOUSE_LIBRARY });
let made = 0;
const set = (drill: string, reps: number, date = DAY): LoggedSet => ({
  id: `set ${made++}`,
  date,
  drill,
  stage: 'still',
  reps: 'P'.repeat(reps),
  layer: 1,
  at: `${date}T18:00:00Z`,
  doneAt: null,
  from: 'student',
  device: null,
});
/** Loads nothing: the day's own cap of 150 is all there is. */
const FREE = 'palms_coil';
const marked = DRILLS.find(({ loads }) => Object.values(loads).includes(2))?.id as string;

describe('the room a day has left', () => {
  test.each<[string, LoggedSet[], Partial<StudentFacts>, number]>([
    ['all of it', [], {}, 150],
    ['what was done is gone', [set(FREE, 60)], {}, 90],
    ['another drill counts, too', [set(FREE, 60), set('knee_swap', 50)], {}, 40],
    ['yesterday does not', [set(FREE, 60, '2027-02-28')], {}, 150],
    ['nothing, and never less', [set(FREE, 200)], {}, 0],
    ['from sixty on three quarters', [], { ageYears: 66 }, 112],
    ['a child has six tenths', [set(FREE, 10)], { ageYears: 13 }, 80],
  ])('%s', (_, sets, more, room) => {
    expect(roomOnDay(sets, DAY, FREE, of(more))).toBe(room);
  });
  test('a marked load has forty a day', () => {
    expect(roomOnDay([], DAY, marked, of())).toBe(40);
    expect(roomOnDay([set(marked, 30)], DAY, marked, of())).toBe(10);
  });
});

describe('a day that was overdone', () => {
  test('is one well over a cap, on the day itself or on a joint; finishing a set is none', () => {
    const over = (...sets: LoggedSet[]) => overdoneDays(sets, DAY, of());
    expect(over()).toEqual([]);
    expect(over(set(FREE, 160))).toEqual([]);
    expect(over(set(FREE, 170))).toEqual([DAY]);
    expect(over(set(marked, 40))).toEqual([]);
    expect(over(set(marked, 60, '2027-03-03'), set(FREE, 10), set(FREE, 170))).toEqual([DAY, '2027-03-03']);
    expect(overdoneDays([set(FREE, 300, '2027-02-20')], DAY, of())).toEqual([]);
  });
});
