import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import { countedSets } from './countedSets.ts';
import type { LoggedSet } from './practiceRecord.ts';

let made = 0;
const set = (doneAt: string | null, more: Partial<LoggedSet> = {}): LoggedSet => ({
  id: `set ${made++}`,
  date: '2027-03-02',
  drill: 'knee_swap',
  stage: 'slow',
  reps: 'PPPPPPPPPP',
  at: '2027-03-02T12:00:00Z',
  doneAt,
  from: 'student',
  device: 'phone',
  layer: 1,
  ...more,
});
const at = (time: string) => `2027-03-02T${time}Z`;

describe('sets that count', () => {
  test.each<[string, LoggedSet[], number[]]>([
    ['one after the other on one phone', [set(at('10:00:00')), set(at('10:00:05'))], [0, 1]],
    ['the same on phone and tablet', [set(at('10:00:00')), set(at('10:00:20'), { device: 'tablet' })], [0]],
    [
      'seen by the coach, too: the coach’s count goes first',
      [set(at('10:00:00')), set(at('10:00:20'), { from: 'coach', device: 'bay', reps: 'PPFPPPPPPP' })],
      [1],
    ],
    [
      'two sets with a set’s time between them',
      [set(at('10:00:00')), set(at('10:01:01'), { device: 'tablet' })],
      [0, 1],
    ],
    [
      'at the same time, but another drill',
      [set(at('10:00:00')), set(at('10:00:01'), { device: 'tablet', drill: 'kiss_the_post' })],
      [0, 1],
    ],
    ['a day without a time', [set(null), set(null, { device: 'tablet' })], [0, 1]],
    [
      'nobody said which device',
      [set(at('10:00:00'), { device: null }), set(at('10:00:01'), { device: 'tablet' })],
      [0, 1],
    ],
    [
      'over midnight',
      [set('2027-03-02T23:59:58Z'), set('2027-03-03T00:00:10Z', { device: 'tablet', date: '2027-03-03' })],
      [0],
    ],
    [
      'three sets in a row, all of them on two devices',
      [0, 1, 2].flatMap((i) => [
        set(at(`10:0${2 * i}:00`)),
        set(at(`10:0${2 * i}:09`), { device: 'tablet', at: at('13:00:00') }),
      ]),
      [0, 2, 4],
    ],
  ])('%s', (_, sets, counted) => {
    expect(countedSets(sets)).toEqual(counted.map((i) => sets[i]));
  });

  test('whatever the order of arrival, the same repetitions count', () => {
    const random = seededRandom(31);
    for (let run = 0; run < 50; run++) {
      const sets = Array.from({ length: 12 }, (_, i) =>
        set(at(`10:${String(2 * i + 10)}:00`), { at: at(`12:${10 + i}:00`) }),
      );
      const twins = sets
        .filter(() => random() < 0.5)
        .map((one) => ({ ...one, id: `${one.id} again`, device: 'tablet', at: at('14:00:00') }));
      const mixed = [...sets, ...twins].sort(() => random() - 0.5);
      expect(countedSets(mixed).length).toBe(12);
    }
  });
});
