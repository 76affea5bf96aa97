import { seededRandom } from '@inchstep/core/foundation';
import { describe, expect, test } from '@jest/globals';
import { Eyes, type Pair, pairsFor, stretches } from './eyes.ts';

const points = (at: number, id = at) => {
  const places = Array.from({ length: 33 }, () => at);
  return { u: places, v: places, seen: places.map(() => 0.9), next: { u: at, v: at, side: 100, id } };
};
const found = (i: number) => ({ points: points(i), region: { side: i } });

/** A pair whose network says of a frame where it is in the clip, and writes down what it was asked. */
function fakePair(asked: string[], takes: () => number): Pair {
  const wait = () => new Promise((done) => setTimeout(done, takes()));
  return {
    reader: { ahead: async () => undefined, frame: (i: number) => wait().then(() => ({ i })) },
    poser: {
      everybody: async ({ i }: { i: number }, regions: readonly { id: number }[], others: boolean) => {
        await wait();
        asked.push(`${i} ${regions.map(({ id }) => `near ${id}`).join()}${others ? ' or anywhere' : ''}`);
        return i === NOBODY ? [] : [found(i), { points: points(200, -i), region: {} }];
      },
      look: async ({ i }: { i: number }, near: { id: number }) => {
        await wait();
        asked.push(`${i} near ${near.id}`);
        return i === LOST ? null : found(i);
      },
      again: async ({ i }: { i: number }, region: { side: number }) => {
        await wait();
        asked.push(`${i} again in ${region.side}`);
        return { mirrored: points(i), wider: i % 2 ? points(i) : null };
      },
    },
  } as unknown as Pair;
}
/** In this frame nobody is found, and in this one not who is followed. */
const NOBODY = 12;
const LOST = 8;
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
  test('two pairs see the same bodies as one, each near where it was last', async () => {
    const random = seededRandom(4);
    const look = async (many: number) => {
      const asked = Array.from({ length: many }, (): string[] => []);
      const pairs = asked.map((list) => fakePair(list, () => 2 * random()));
      const eyes = new Eyes(pairs, TIMES, 'right');
      const shares: number[] = [];
      const everybody = await eyes.everybody([0, 3, 6, 9, 12, 15], (share) => shares.push(share));
      eyes.follow(everybody.flatMap(([first]) => first ?? []));
      await eyes.find([6, 7, 8, 9, 10], (share) => shares.push(share));
      await eyes.lookAgain([7, 8, 10, 12], (share) => shares.push(share));
      await eyes.lookAgain([7], (share) => shares.push(share));
      const more = eyes.more.map(({ time }) => Math.round(60 * time)).sort((a, b) => a - b);
      return { asked, bodies: eyes.bodies(), more, shares, people: everybody.map((here) => here.length) };
    };
    const [one, two] = [await look(1), await look(2)];
    expect(two.bodies).toEqual(one.bodies);
    expect(two.more).toEqual(one.more);
    expect(one.people).toEqual([2, 2, 2, 2, 0, 2]);
    expect(one.bodies.map(({ time }) => Math.round(60 * time))).toEqual([0, 3, 6, 7, 9, 10, 15]);
    // One in the mirror of each, and what the wider crop found; nothing of a frame in which nobody was found.
    expect(one.more).toEqual([7, 7, 10]);
    // Nothing is looked for twice, and what is looked at again is so where it was found.
    expect(one.asked[0]?.join(', ')).toBe(
      '0  or anywhere, 3 near 0,near 0, 6 near 3,near -3, 9 near 6,near -6, 12 near 9,near -9, 15 , ' +
        '7 near 6, 8 near 7, 10 near 9, 7 again in 7, 10 again in 10',
    );
    expect(two.asked[1]?.slice(0, 2)).toEqual(['9  or anywhere', '12 near 9,near -9']);
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
