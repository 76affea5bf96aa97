import { describe, expect, test } from '@jest/globals';
import type { GateStanding } from '../practice/index.ts';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { climbsOf, coursesOf } from './courses.ts';
import { measureStory } from './measureStory.ts';
import { DRILL, FAULT, filmed, recordOf, set, TELLING } from './sampleRecord.ts';
import type { StudentRecord } from './studentRecord.ts';

describe('a course of a drill', () => {
  const days = [...filmed('2027-03-01', 3), ...filmed('2027-03-20', 1)];
  test('counts what was gained, from how far out, and the repetitions of that drill between', () => {
    const record = recordOf(days, [
      set('2027-03-05', 60),
      set('2027-03-12', 40),
      set('2027-03-13', 30, 'toe_box'),
    ]);
    const [course] = coursesOf(record, HOUSE_LIBRARY);
    expect(course).toMatchObject({ fault: FAULT, drill: DRILL, reps: 100 });
    expect(course?.severity).toBeCloseTo(3, 1);
    expect(course?.gain).toBeCloseTo(2, 1);
    expect(course?.gainSd).toBeGreaterThan(0.4);
  });
  test('inside the band there is nothing more to gain', () => {
    const record = recordOf(
      [...filmed('2027-03-01', 1), ...filmed('2027-03-20', -1)],
      [set('2027-03-05', 60)],
    );
    expect(coursesOf(record, HOUSE_LIBRARY)[0]?.gain).toBeCloseTo(1, 1);
  });
  test.each<[string, StudentRecord]>([
    ['not filmed since', recordOf(filmed('2027-03-01', 3), [set('2027-03-05', 60)])],
    ['not filmed before', recordOf(filmed('2027-03-20', 1), [set('2027-03-05', 60)])],
    ['nothing logged', recordOf(days)],
    ['filmed only after it had ended', recordOf(days, [set('2027-03-05', 60)], { ended: '2027-03-10' })],
    [
      'filmed since with another club only',
      recordOf(
        [...filmed('2027-03-01', 3), ...filmed('2027-03-20', 1, { club: 'driver' })],
        [set('2027-03-05', 60)],
      ),
    ],
  ])('%s is no course to be counted', (_, record) => {
    expect(coursesOf(record, HOUSE_LIBRARY)).toEqual([]);
  });
});

describe('rungs', () => {
  const gate = (stage: string, day: string, decision = 'advance') => ({
    drill: DRILL,
    stage,
    decision,
    day,
    at: `${day}T12:00:00Z`,
  });
  const now = (stage: string, finished = false) =>
    [{ drill: DRILL, stage, finished }] as unknown as GateStanding[];
  test('each begins where the one before was passed; the one that is stood on is not yet', () => {
    const record = recordOf([], [], {
      gates: [gate('still', '2027-03-04'), gate('slow', '2027-03-08', 'hold'), gate('slow', '2027-03-15')],
    });
    expect(climbsOf(record, now('half'))).toEqual([
      { drill: DRILL, stage: 'still', from: '2027-03-01', passed: '2027-03-04' },
      { drill: DRILL, stage: 'slow', from: '2027-03-04', passed: '2027-03-15' },
      { drill: DRILL, stage: 'half', from: '2027-03-15', passed: null },
    ]);
  });
  test('what was put aside, or is finished, is on no rung', () => {
    expect(climbsOf(recordOf([], [], { ended: '2027-03-10' }), now('still'))).toEqual([]);
    expect(climbsOf(recordOf([]), now('course', true))).toEqual([]);
  });
});

describe('one measure’s story', () => {
  const id = TELLING[0] as string;
  const coming = [3.6, 3.2, 2.8, 2.4, 2, 1.6, 1.2].flatMap((out, i) =>
    filmed(`2027-03-${String(1 + 4 * i).padStart(2, '0')}`, out),
  );
  const today = '2027-03-26';
  test('was never measured: there is none', () => {
    expect(measureStory(recordOf([]), HOUSE_LIBRARY, id, today)).toBeNull();
  });
  test('with more practice planned than was done the date comes sooner', () => {
    const sets = [4, 8, 12, 16, 20, 24].map((d) => set(`2027-03-${String(d).padStart(2, '0')}`, 40));
    const planned = (reps: number) => ({
      plan: {
        plan: {
          days: Array.from({ length: 4 }, (_, i) => ({
            date: `2027-04-${String(2 + 7 * i).padStart(2, '0')}`,
            items: [{ rehearsals: reps, balls: 0 }],
          })),
        },
      },
    });
    const story = (reps: number) =>
      measureStory(recordOf(coming, sets, planned(reps)), HOUSE_LIBRARY, id, today);
    const [much, little] = [story(400), story(60)];
    expect(much?.forecast.planned?.inBand).not.toBeNull();
    expect(
      String(much?.forecast.planned?.inBand?.likely) <
        String(little?.forecast.planned?.inBand?.likely ?? '9999'),
    ).toBe(true);
    expect(much?.forecast.done).toEqual(little?.forecast.done);
  });
  test('without a plan nothing is told of one; what was filmed with the drill is a cell of its own', () => {
    const story = measureStory(
      recordOf([...coming, ...filmed('2027-03-26', 0.1, { aid: 'on' })]),
      HOUSE_LIBRARY,
      id,
      today,
    );
    expect(story?.forecast.planned).toBeNull();
    expect(story?.told).toMatchObject({ speed: 'full', aid: 'off', club: 'mid_iron' });
    expect(story?.occasions).toHaveLength(7);
    expect(story?.transfer.cells.find(({ aid }) => aid === 'on')?.swings).toBe(3);
  });
});
