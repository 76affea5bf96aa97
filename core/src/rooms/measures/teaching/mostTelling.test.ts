import { expect, test } from '@jest/globals';
import { FOUND_STATIONS, MARKS_WANTED } from '../../capture/index.ts';
import { MOST_PLACES, mostTelling } from './mostTelling.ts';
import type { TaughtPlace } from './places.ts';

const clip = (name: string, on: string, many = 104): TaughtPlace[] =>
  MARKS_WANTED.face_on
    .flatMap((landmark) =>
      FOUND_STATIONS.map(
        (station): TaughtPlace => ({
          view: 'face_on',
          station,
          landmark,
          clip: name,
          on,
          across: 0,
          down: 0,
        }),
      ),
    )
    .slice(0, many);
const clipsOf = (places: readonly TaughtPlace[]) => [...new Set(places.map((one) => one.clip))];

test('as long as there are not too many, all of them tell, in their order', () => {
  const all = [...clip('a', '2027-03-08'), ...clip('b', '2027-03-08'), ...clip('c', '2027-03-01')];
  expect(all).toHaveLength(MOST_PLACES);
  expect(mostTelling(all)).toBe(all);
});
test('of too many one clip of each day comes first, the last day before the others', () => {
  const all = [
    ...clip('old', '2027-02-01'),
    ...clip('new', '2027-03-08'),
    ...clip('new again', '2027-03-08'),
    ...clip('between', '2027-03-01'),
  ];
  expect(clipsOf(mostTelling(all))).toEqual(['new', 'between', 'old']);
  const twoDays = [
    ...all.slice(104, 312),
    ...clip('new once more', '2027-03-08'),
    ...clip('between', '2027-03-01'),
  ];
  expect(clipsOf(mostTelling(twoDays))).toEqual(['new', 'between', 'new again']);
});
test('of a day the clip that a hand went over most comes first; what is over is cut', () => {
  const all = [
    ...clip('hardly', '2027-03-08', 3),
    ...clip('wholly', '2027-03-08'),
    ...clip('b', '2027-03-01'),
    ...clip('c', '2027-02-01'),
  ];
  const found = mostTelling(all);
  expect(clipsOf(found)).toEqual(['wholly', 'b', 'c']);
  const more = mostTelling([...all, ...clip('d', '2027-01-01')]);
  expect(more).toHaveLength(MOST_PLACES);
  expect(more).toEqual(found);
});
