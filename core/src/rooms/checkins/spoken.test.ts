import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import { opensAtMs, type SpokenMove, sceneAt, tickBeside, tickNear, ticksOf, withMove } from './spoken.ts';

const stand = (at: number, now: number, before: number | null = null): SpokenMove => ({
  at,
  do: 'stand',
  now,
  before,
});
const draw = (at: number, stroke: number, u: number, v: number): SpokenMove => ({
  at,
  do: 'draw',
  stroke,
  u,
  v,
});
const talk = (...moves: SpokenMove[]): SpokenMove[] =>
  moves.reduce<SpokenMove[]>((known, move) => withMove(known, move), []);

describe('a talk over two clips', () => {
  const moves = talk(
    stand(0, 0.35, 0.4),
    stand(1000, 1.1, 1.2),
    draw(1500, 1, 200.4, 300.6),
    draw(1600, 1, 220, 420),
    { at: 2000, do: 'mode', mode: 'over' },
    draw(2500, 2, 100, 100),
    { at: 3000, do: 'wipe' },
    stand(3500, 1.4, 1.5),
  );
  test.each<[number, object]>([
    [-1, { now: 0, before: null, mode: 'beside', strokes: [] }],
    [0, { now: 0.35, before: 0.4 }],
    [999, { now: 0.35 }],
    [1000, { now: 1.1, before: 1.2 }],
    [1550, { strokes: [[[200, 301]]] }],
    [
      1700,
      {
        mode: 'beside',
        strokes: [
          [
            [200, 301],
            [220, 420],
          ],
        ],
      },
    ],
    [
      2600,
      {
        mode: 'over',
        strokes: [
          [
            [200, 301],
            [220, 420],
          ],
          [[100, 100]],
        ],
      },
    ],
    [3100, { mode: 'over', strokes: [] }],
    [9999, { now: 1.4, before: 1.5 }],
  ])('at %i ms', (ms, scene) => expect(sceneAt(moves, ms)).toMatchObject(scene));
  test('opens where its first step stood, however late that came', () => {
    expect(opensAtMs(moves)).toBe(0);
    const late = talk(draw(3, 1, 5, 5), stand(140, 1.1, 1.2), { at: 140, do: 'mode', mode: 'over' });
    expect(sceneAt(late, opensAtMs(late))).toMatchObject({ now: 1.1, before: 1.2, mode: 'over' });
    expect(opensAtMs([])).toBe(0);
  });
  test('has a tick where something begins', () => {
    expect(ticksOf(moves)).toEqual([0, 1000, 1500, 2000, 2500, 3000, 3500]);
    expect(ticksOf(talk(stand(0, 0), stand(300, 1), stand(600, 2), stand(2000, 3)))).toEqual([0, 2000]);
  });
  test('a hand that scrubs leaves the last of the steps that no eye could follow', () => {
    const scrubbed = talk(stand(0, 0), stand(10, 0.1), stand(20, 0.2), stand(100, 0.3));
    expect(scrubbed).toEqual([stand(0, 0.2), stand(100, 0.3)]);
  });
  test('a minute without a pause stays small, and ends where the hand did', () => {
    const random = seededRandom(4);
    let known: SpokenMove[] = [];
    let [at, now] = [0, 0];
    for (let stroke = 0; at < 60_000; at += 4 + 12 * random()) {
      now = Math.max(0, now + 0.02 * (random() - 0.4));
      if (random() < 0.01) stroke++;
      known = withMove(
        known,
        random() < 0.6 ? stand(at, now, now + 0.1) : draw(at, stroke, 540 * random(), 960 * random()),
      );
    }
    expect(JSON.stringify(known).length).toBeLessThan(300_000);
    const lastStep = known.findLast(({ do: what }) => what === 'stand');
    expect(sceneAt(known, 60_000).now).toBe(lastStep?.do === 'stand' ? lastStep.now : -1);
    expect(known.map((move) => move.at)).toEqual([...known.map((move) => move.at)].sort((a, b) => a - b));
  });
});

describe('a finger on the strip', () => {
  const ticks = [0, 1000, 1500, 4000];
  test.each<[number, number]>([
    [-50, 0],
    [900, 1000],
    [1300, 1500],
    [1250, 1000],
    [2500, 2500],
    [9000, 9000],
  ])('at %i ms means %i', (ms, meant) => expect(tickNear(ticks, ms, 300)).toBe(meant));
  test('of a talk without moves means where it is', () => expect(tickNear([], 40, 300)).toBe(40));
  test.each<[number, number | null, number | null]>([
    [0, null, 1000],
    [1000, 0, 1500],
    [1100, 0, 1500],
    [1400, 1000, 1500],
    [4000, 1500, null],
  ])('beside %i', (ms, before, after) => {
    expect(tickBeside(ticks, ms, 'before')).toBe(before);
    expect(tickBeside(ticks, ms, 'after')).toBe(after);
  });
});
