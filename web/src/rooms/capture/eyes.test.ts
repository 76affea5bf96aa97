import { seededRandom } from '@inchstep/core/foundation';
import { describe, expect, test } from '@jest/globals';
import { Eyes, type Pair, pairsFor, stretches } from './eyes.ts';

const points = (at: number) => {
  const places = Array.from({ length: 33 }, () => at);
  return { u: places, v: places, seen: places.map(() => 0.9), score: 1, next: {} };
};

/** A pair whose network says of a frame where it is in the clip, and writes down what it was asked. */
function fakePair(asked: string[], takes: () => number): Pair {
  const wait = () => new Promise((done) => setTimeout(done, takes()));
  return {
    reader: { ahead: async () => undefined, frame: (i: number) => wait().then(() => ({ i })) },
    poser: {
      forget: async () => asked.push('anew'),
      look: async ({ i }: { i: number }) => {
        await wait();
        asked.push(`${i}`);
        return i === NOBODY ? null : { found: points(i), region: { side: i } };
      },
      again: async ({ i }: { i: number }, region: { side: number }) => {
        await wait();
        asked.push(`${i} again in ${region.side}`);
        return { mirrored: points(i), wider: i % 2 ? points(i) : null };
      },
    },
  } as unknown as Pair;
}
/** In this frame nobody is found. */
const NOBODY = 12;
const TIMES = Array.from({ length: 40 }, (_, i) => i / 60);

describe('frames shared out', () => {
  test('in order, each once, as many for each', () => {
    for (let long = 0; long < 40; long++) {
      const frames = Array.from({ length: long }, (_, i) => 2 * i);
      const many = 1 + (long % 3);
      const parts = stretches(frames, many);
      expect(parts).toHaveLength(many);
      expect(parts.flat()).toEqual(frames);
      const lengths = parts.map((part) => part.length);
      expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1);
    }
  });
  test('who waits has all of a machine, up to a few; what goes on beside half of it, never none', () => {
    expect([1, 2, 4, 16].map((cores) => pairsFor(cores, true))).toEqual([1, 2, 3, 3]);
    expect([1, 2, 4, 16].map((cores) => pairsFor(cores, false))).toEqual([1, 1, 2, 3]);
  });
});

describe('looking', () => {
  test('two pairs see the same bodies as one, in order, each beginning anew', async () => {
    const random = seededRandom(4);
    const look = async (many: number) => {
      const asked = Array.from({ length: many }, (): string[] => []);
      const pairs = asked.map((list) => fakePair(list, () => 2 * random()));
      const eyes = new Eyes(pairs, TIMES, 'right');
      const shares: number[] = [];
      await eyes.find([0, 3, 6, 9, 12, 15], (share) => shares.push(share));
      await eyes.find([6, 7, 8, 9], (share) => shares.push(share));
      await eyes.lookAgain([7, 8, 12], (share) => shares.push(share));
      await eyes.lookAgain([7], (share) => shares.push(share));
      const more = eyes.more.map(({ time }) => Math.round(60 * time)).sort((a, b) => a - b);
      return { asked, bodies: eyes.bodies(), more, shares };
    };
    const [one, two] = [await look(1), await look(2)];
    expect(two.bodies).toEqual(one.bodies);
    expect(two.more).toEqual(one.more);
    expect(one.bodies.map(({ time }) => Math.round(60 * time))).toEqual([0, 3, 6, 7, 8, 9, 15]);
    // One in the mirror of each, and what the wider crop found; nothing of a frame in which nobody was found.
    expect(one.more).toEqual([7, 7, 8]);
    // Nothing is looked for twice, and what is looked at again is so where it was found.
    expect(one.asked[0]?.join(', ')).toBe(
      'anew, 0, 3, 6, 9, 12, 15, anew, 7, 8, anew, 7 again in 7, 8 again in 8, anew',
    );
    expect(two.asked[1]?.slice(0, 2)).toEqual(['anew', '9']);
    expect(two.shares.filter((share) => share === 1)).toHaveLength(3);
    expect(Math.max(...two.shares)).toBe(1);
  });
  test('where there is nothing to look at, it is done at once', async () => {
    const eyes = new Eyes([fakePair([], () => 0)], TIMES, 'left');
    await eyes.find([], () => {
      throw new Error('no share of nothing');
    });
    expect(eyes.bodies()).toEqual([]);
  });
});
