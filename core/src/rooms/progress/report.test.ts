import { describe, expect, test } from '@jest/globals';
import { plusDays } from '../../foundation/index.ts';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { measureStory } from './measureStory.ts';
import { REPORT_FOR, reportOf } from './report.ts';
import { DRILL, FAULT, filmed, recordOf, set, TELLING } from './sampleRecord.ts';

const BEGAN = '2027-03-01';
const TODAY = '2027-04-20';
/** Weekly films, each so many steps outside the band. */
const season = (...outBy: number[]) => outBy.flatMap((out, i) => filmed(plusDays(BEGAN, 7 * i), out));
const BETTER = season(3, 2.9, 0.2, 0, -0.5, -0.5);

const told = (
  record: ReturnType<typeof recordOf>,
  reader: (typeof REPORT_FOR)[number],
  feels: { measure: string; felt: number; measured: number }[] = [],
) => reportOf(record, HOUSE_LIBRARY, feels, reader, TODAY);

describe('a report', () => {
  const record = recordOf(BETTER, [set('2027-03-05', 30)], { limits: ['knee'], lastWords: 'It clicks.' });
  test('says the same of a measure as its story, whoever reads it', () => {
    for (const reader of REPORT_FOR) {
      const report = told(record, reader);
      expect(report.measures.map(({ measure }) => measure)).toEqual(expect.arrayContaining([...TELLING]));
      for (const one of report.measures) {
        const story = measureStory(record, HOUSE_LIBRARY, one.measure, TODAY);
        expect(one.look).toEqual(story?.looks.at(-1));
        expect(one.inBand).toBe(story?.inBand);
        expect(one.now).toBe(story?.line.at(-1)?.level);
        // Then and now differ by what the verdict speaks of.
        expect(one.now - (one.before as number)).toBeCloseTo(one.look.delta as number, 9);
      }
    }
  });
  test('names the work with its rung, and what was practised', () => {
    expect(told(record, 'student')).toMatchObject({
      firstName: 'Ana',
      work: { fault: FAULT, since: BEGAN, drills: [{ drill: DRILL }] },
      practised: { repsDone: 30 },
      hold: false,
    });
  });
  test('a body’s troubles and last words are for a second coach only', () => {
    expect(told(record, 'student').handover).toBeNull();
    expect(told(record, 'parent').handover).toBeNull();
    expect(JSON.stringify([told(record, 'student'), told(record, 'parent')])).not.toMatch(/knee"|clicks/);
    expect(told(record, 'coach').handover).toMatchObject({
      limits: ['knee'],
      lastWords: 'It clicks.',
      past: [{ fault: FAULT, from: BEGAN, to: null, drills: [{ drill: DRILL, reached: null }] }],
    });
  });
  test('no date is told of what is there already', () => {
    for (const one of told(record, 'coach').measures) if (one.inBand >= 0.8) expect(one.when).toBeNull();
  });
  test('felt goes with its own measure', () => {
    const [first = '', second = ''] = TELLING;
    const { measures } = told(record, 'coach', [{ measure: first, felt: 4, measured: 2 }]);
    expect(measures.find(({ measure }) => measure === first)?.felt).toMatchObject({ records: 1 });
    expect(measures.find(({ measure }) => measure === second)?.felt).toBeNull();
  });
  test('nothing filmed, one day, pain: told as they are', () => {
    expect(told(recordOf([]), 'student')).toMatchObject({ measures: [], owned: false });
    const [one] = told(recordOf(season(3)), 'student').measures;
    expect(one).toMatchObject({ before: null, look: { verdict: 'cant_tell' } });
    expect(told(recordOf(BETTER, [], { heldSince: '2027-04-01T10:00:00Z' }), 'parent').hold).toBe(true);
  });
});
