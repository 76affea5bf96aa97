import { describe, expect, test } from '@jest/globals';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { measureStory } from './measureStory.ts';
import { movedOf } from './moved.ts';
import { practisedOccasions } from './practisedOccasions.ts';
import { filmed, recordOf, set, TELLING } from './sampleRecord.ts';

const [MEASURE = ''] = TELLING;
const FILMS = ['2027-03-01', '2027-03-08', '2027-03-15', '2027-03-22'].flatMap((day) => filmed(day, 1));
const repsOf = (sets: ReturnType<typeof set>[], films = FILMS) =>
  practisedOccasions(recordOf(films, sets), MEASURE).map(({ reps }) => reps);

describe('practice between films', () => {
  test('is what was logged after the one and up to the other', () => {
    const sets = [set('2027-03-02', 10), set('2027-03-08', 5), set('2027-03-09', 7), set('2027-03-20', 40)];
    expect(repsOf(sets)).toEqual([undefined, 15, 7, 40]);
  });
  test('who logs nothing is not taken for one who does nothing', () => {
    expect(repsOf([])).toEqual([undefined, undefined, undefined, undefined]);
    // Before the first film and after the last is no practice between them.
    expect(repsOf([set('2027-02-20', 90), set('2027-03-23', 90)])).toEqual(repsOf([]));
  });
  test('before the first logged set nobody counted; a gap after it is a gap', () => {
    expect(repsOf([set('2027-03-10', 20)])).toEqual([undefined, undefined, 20, 0]);
  });
  test('the second occasion of one day has had no practice of its own', () => {
    const films = [
      ...filmed('2027-03-01', 1),
      ...filmed('2027-03-08', 1),
      ...filmed('2027-03-08', 1, { cue: 'after' }),
    ];
    expect(repsOf([set('2027-03-04', 30)], films)).toEqual([undefined, 30, undefined]);
  });
  test('the model is driven by it, and what was kept of it goes when a set between films comes late', () => {
    const better = [3, 2.4, 1.9, 1.5].flatMap((out, i) =>
      filmed(`2027-03-${String(1 + 7 * i).padStart(2, '0')}`, out),
    );
    const bare = recordOf(better);
    const before = movedOf(bare, HOUSE_LIBRARY)[0]?.changed as number;
    const late = { ...bare, practice: { ...bare.practice, sets: [set('2027-03-03', 400)] } };
    expect(movedOf(late, HOUSE_LIBRARY)[0]?.changed).not.toBe(before);
    expect(movedOf(bare, HOUSE_LIBRARY)[0]?.changed).toBe(before);
    const story = measureStory(late, HOUSE_LIBRARY, MEASURE, '2027-03-30');
    expect(story?.occasions.map(({ reps }) => reps)).toEqual([undefined, 400, 0, 0]);
  });
});
