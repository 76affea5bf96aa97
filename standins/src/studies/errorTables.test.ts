import { FOUND_STATIONS, MARKS_WANTED } from '@inchstep/core/capture';
import { gaussian, seededRandom } from '@inchstep/core/foundation';
import { VIEW_KINDS } from '@inchstep/core/intake';
import { FACTORS, FADES_IN_DAYS } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { AXES, type ErrorSeen, mean } from './errorReading.ts';
import { leastResiduals } from './errorsTogether.ts';
import { errorTables } from './errorTables.ts';

/** A world of which everything is known: sds in shares of the body. */
const [LEARNT, REST] = [0.01, 0.003];
const PLAYERS = 40;
/** Of a player's errors so much is the same at every station. */
const ALIKE = 0.5;
const FINISH_TIMES = 4;
/** Of what is a player's own, so much is left on the second day. */
const FADED = Math.exp(-7 / FADES_IN_DAYS);
const usualAt = (i: number) => 0.004 * (i - 3);

function world(seed: number): ErrorSeen[] {
  const random = seededRandom(seed);
  return Array.from({ length: PLAYERS }, (_, player) =>
    VIEW_KINDS.flatMap((view) => {
      const of = (landmark: string, axis: string) => {
        const own = gaussian(random);
        const stations = FOUND_STATIONS.map(
          () => LEARNT * (Math.sqrt(ALIKE) * own + Math.sqrt(1 - ALIKE) * gaussian(random)),
        );
        return [`${landmark} ${axis}`, stations] as const;
      };
      const learnt = new Map(MARKS_WANTED[view].flatMap((one) => AXES.map((axis) => of(one, axis))));
      return [0, 1].flatMap((day) =>
        FOUND_STATIONS.flatMap((station, i) => {
          const rest = REST * (station === 'finish' ? Math.sqrt(FINISH_TIMES) : 1);
          // Both ankles of a frame go wrong together.
          const ankles = { across: gaussian(random), down: gaussian(random) };
          return MARKS_WANTED[view].map((landmark): ErrorSeen => {
            const along = (axis: 'across' | 'down') => {
              const bell = landmark.endsWith('_ankle') ? ankles[axis] : gaussian(random);
              const before = learnt.get(`${landmark} ${axis}`)?.[i] as number;
              const theirs =
                day === 0 ? before : FADED * before + Math.sqrt(1 - FADED ** 2) * LEARNT * gaussian(random);
              return usualAt(i) + theirs + rest * bell;
            };
            const clip = `${player} ${day}`;
            const on = day === 0 ? '2027-03-01' : '2027-03-08';
            return {
              view,
              station,
              landmark,
              clip,
              on,
              player: `${player}`,
              day,
              across: along('across'),
              down: along('down'),
            };
          });
        }),
      );
    }),
  ).flat();
}
/** Numbers of the line of that name, across and down. */
function lineOf(lines: readonly string[], name: string): number[][] {
  const line = lines.find((one) => one.startsWith(`${name}: `));
  if (!line) throw new Error(`no line ${name}`);
  return line
    .slice(name.length + 2)
    .split(' / ')
    .map((half) => half.split(' ').map(Number));
}

describe('tables read from errors', () => {
  const tables = errorTables(world(5));
  test('the usual error comes back, give or take what so many players leave open', () => {
    for (const half of lineOf(tables.usual, 'face_on lead_knee'))
      half.forEach((hundredths, i) => {
        expect(Math.abs(hundredths - 100 * usualAt(i))).toBeLessThan(0.5);
      });
  });
  test('spreads and what they are times at a station come back', () => {
    for (const [all = 0, rest = 0] of lineOf(tables.spread, 'down_the_line lead_hip')) {
      expect(Math.abs(all / (100 * Math.hypot(LEARNT, REST)) - 1)).toBeLessThan(0.15);
      // The rest is what it is over all stations: the finish has four times as much of it (variance).
      const middle = 100 * REST * FINISH_TIMES ** (1 / 16);
      expect(Math.abs(rest / middle - 1)).toBeLessThan(0.15);
    }
    // Beside the middle of all stations: 4 and 1 over the eighth root of 4.
    const times = tables.restTimes.flatMap((line) => lineOf([line], line.split(': ')[0] as string));
    const finish = mean(times.map((half) => half.at(-1) as number));
    const others = mean(times.flatMap((half) => half.slice(0, -1)));
    expect(Math.abs(finish - 3.36)).toBeLessThan(0.5);
    expect(Math.abs(others - 0.84)).toBeLessThan(0.08);
    for (const half of lineOf(tables.learntTimes, 'face_on'))
      for (const one of half) expect(Math.abs(one - 1)).toBeLessThan(0.35);
  });
  test('how alike stations are, and which landmarks go wrong together, comes back', () => {
    const [row = []] = lineOf(tables.alike, 'learnt across top');
    row.forEach((x, i) => {
      const far = FOUND_STATIONS[i] === 'top' ? 1 : (0.95 * ALIKE * LEARNT ** 2) / (LEARNT ** 2 + REST ** 2);
      expect(Math.abs(x - far)).toBeLessThan(0.12);
    });
    const [lead = [], trail = [], hip = []] = ['lead_ankle', 'trail_ankle', 'lead_hip'].map(
      (one) => lineOf(tables.together, `any face_on ${one}`)[0],
    );
    const dot = (a: readonly number[], b: readonly number[]) =>
      a.reduce((sum, x, i) => sum + (x * (b[i] as number)) / 1e4, 0);
    // Of changes all is common, of strays next to nothing: the mean of both.
    expect(dot(lead, trail)).toBeGreaterThan(0.3);
    expect(Math.abs(dot(lead, hip))).toBeLessThan(0.15);
  });
  test('by hand: correlations that so many factors make are found again', () => {
    const loadings = [0.85, 0.8, 0.7, -0.6, 0.5, 0.4];
    const of = loadings.map((a, i) => loadings.map((b, j) => (i === j ? 1 : a * b)));
    const found = leastResiduals(of, FACTORS);
    of.forEach((row, i) => {
      row.forEach((x, j) => {
        const made = (found[i] as number[]).reduce((sum, y, k) => sum + y * (found[j]?.[k] as number), 0);
        if (i !== j) expect(made).toBeCloseTo(x, 2);
      });
    });
  });
  test('a leg taken for the other now and then widens nothing much', () => {
    const clean = world(5);
    const muddled = clean.map((one, i) => (i % 211 === 0 ? { ...one, across: one.across + 0.09 } : one));
    const [[all = 0] = []] = lineOf(errorTables(muddled).spread, 'face_on lead_knee');
    const [[before = 0] = []] = lineOf(tables.spread, 'face_on lead_knee');
    expect(all / before).toBeLessThan(1.1);
  });
});
