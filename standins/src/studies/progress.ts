import { between, daysBetween, pick, seededRandom } from '@inchstep/core/foundation';
import { BAND_ROWS } from '@inchstep/core/intake';
import {
  beliefAt,
  coachSpreads,
  edgesOf,
  evidenceOf,
  forecastOf,
  type Occasion,
  type Said,
  scaleOf,
  spreadLogs,
} from '@inchstep/core/progress';
import { mostThatCanBeFound, mostTogether } from './progressFloor.ts';
import { ownedWrongly } from './progressOwned.ts';
import { type Counted, countIn, isReal, nothingCounted, saidIn, someCourse } from './progressSaid.ts';
import { probablyTogether, togetherStudy } from './progressTogether.ts';
import { MEASURE, occasionsOf, type Player, STANDS, STILL_PLAYERS, USUAL_PLAYER } from './progressWorld.ts';

const { step, shared } = scaleOf(MEASURE);

const saidOf = (occasions: readonly Occasion[], family: number, usual?: readonly number[]): Said[] =>
  saidIn(evidenceOf(occasions, step, shared, undefined, usual), family);

/** Of the seasons of players who do not change, those in which "real" is said of any of so many measures at any look. */
function falseAlarms(
  player: Player,
  family: number,
  seasons: number,
  seed: number,
  stands: readonly number[] = STANDS,
): number {
  const random = seededRandom(seed);
  let alarmed = 0;
  for (let i = 0; i < seasons; i++) {
    let any = false;
    for (let k = 0; k < family && !any; k++)
      any = saidOf(occasionsOf(player, stands, random), family).some(isReal);
    if (any) alarmed++;
  }
  return alarmed / seasons;
}

/** Of the seasons of players whose level goes this way, those in which a change that way is called real by the last look. */
function found(player: Player, levels: readonly number[], seasons: number, seed: number): number {
  const random = seededRandom(seed);
  let told = 0;
  for (let i = 0; i < seasons; i++)
    if (saidOf(occasionsOf(player, levels, random), 1).some((said) => isReal(said) && said.up)) told++;
  return told / seasons;
}

/** So many students a coach has whose films are known, when what is learnt from them is tried on others. */
const STUDENTS = 30;

/** What a coach's own students, of whom half change like everybody's, teach of how days stray. */
function learntFrom(days: readonly number[], seed: number): readonly number[] {
  const random = seededRandom(seed);
  return coachSpreads(
    Array.from({ length: STUDENTS }, () => {
      const player = { ...USUAL_PLAYER, daySteps: pick(random, [...days]) };
      const course = someCourse(random);
      return spreadLogs(evidenceOf(occasionsOf(player, course, random), step, shared)) as number[];
    }),
  );
}

/** Of players some of whom change: how often "probably" is right when it is said, how often "the same" was a whole step of change. */
function probably(
  days: readonly number[],
  seasons: number,
  seed: number,
  usual?: readonly number[],
): Counted {
  const random = seededRandom(seed);
  const count = nothingCounted();
  for (let i = 0; i < seasons; i++) {
    const course = someCourse(random);
    const player = { ...USUAL_PLAYER, daySteps: pick(random, [...days]) };
    countIn(count, saidOf(occasionsOf(player, course, random), 1, usual), course);
  }
  return count;
}

/** How often the true date lies inside the interval that was said, and how often anything was said at all. */
function forecasts(kind: 'steady' | 'tiring' | 'still', seasons: number, seed: number) {
  const random = seededRandom(seed);
  const row = BAND_ROWS.find(({ id }) => id === MEASURE);
  const edges = edgesOf({ lo: row?.lo ?? null, hi: row?.hi ?? null, step });
  const lo = edges.lo as number;
  const count = { asked: 0, said: 0, held: 0, early: 0, late: 0 };
  for (let i = 0; i < seasons; i++) {
    const from = lo - between(random, 1, 3);
    const gain = kind === 'steady' ? between(random, 0.08, 0.43) : between(random, 0.2, 0.7);
    const lasts = between(random, 0.8, 0.95);
    const gained = (weeks: number) =>
      kind === 'still' ? 0 : kind === 'steady' ? gain * weeks : (gain * (1 - lasts ** weeks)) / (1 - lasts);
    const occasions = occasionsOf(
      USUAL_PLAYER,
      Array.from({ length: 10 }, (_, t) => from + gained(t)),
      random,
    );
    const evidence = evidenceOf(occasions, step, shared);
    let truth = 0;
    while (truth < 3000 && from + gained(truth / 7) < lo) truth++;
    for (const look of [4, 6, 8]) {
      if (truth <= 7 * look) continue;
      count.asked++;
      const { date } = occasions[look] as Occasion;
      const { inBand } = forecastOf(beliefAt(evidence, look), edges, date, 1 / 7);
      if (!inBand) continue;
      count.said++;
      const after = truth - 7 * look;
      if (after < daysBetween(date, inBand.lo80)) count.early++;
      else if (after > daysBetween(date, inBand.hi80)) count.late++;
      else count.held++;
    }
  }
  return count;
}

const COURSES: readonly [string, readonly number[]][] = [
  ['two steps, by the third session', [0, 0, 2]],
  ['one step, by the sixth', [0, 0, 1, 1, 1, 1]],
  ['0.2 steps a session, by the eighth', [0, 0.2, 0.4, 0.6, 0.8, 1, 1.2, 1.4]],
];

const OWNED: readonly [string, Player, (week: number) => number][] = [
  ['a quarter step out all along', USUAL_PLAYER, () => 0.25],
  ['half a step out all along', USUAL_PLAYER, () => 0.5],
  ['half a step out, day spread 0.6', { ...USUAL_PLAYER, daySteps: 0.6 }, () => 0.5],
  ['a step out, day spread 1.0', { ...USUAL_PLAYER, daySteps: 1 }, () => 1],
  ['two steps out, coming in by the ninth week', USUAL_PLAYER, (week) => 2 - 0.25 * week],
  ['in by two steps from the fourth week', USUAL_PLAYER, (week) => (week < 4 ? 1.5 : -2)],
];

/** Everything that docs/progress.md tells, a row at a time. `n` seasons a row. */
export function* progressStudy(n: number, seed: number) {
  for (const [k, player] of STILL_PLAYERS.entries())
    for (const family of [1, 3, 5, 10]) {
      const seasons = Math.ceil(n / Math.sqrt(family));
      const ever = falseAlarms(player, family, seasons, seed + 100 * k + family);
      yield { part: 'alarms', name: player.name, family, seasons, ever };
    }
  for (const looks of [16, 30])
    for (const [k, player] of STILL_PLAYERS.entries()) {
      if (player.daySteps < 0.6) continue;
      const stands = Array.from({ length: looks }, () => 0);
      const seasons = Math.ceil(n / 2);
      const ever = falseAlarms(player, 1, seasons, seed + 20_000 + 100 * k + looks, stands);
      yield { part: 'long', name: player.name, looks, seasons, ever };
    }
  yield* togetherStudy(n, seed + 30_000);
  for (const [name, levels] of COURSES)
    for (const day of [0, 0.2, 0.33]) {
      const player = { ...USUAL_PLAYER, daySteps: day };
      const most = mostThatCanBeFound(player, levels, 0.05, 20 * n, seed);
      yield { part: 'power', name, day, found: found(player, levels, n, seed + 50), most };
    }
  const courses = COURSES.map(([, levels]) => levels);
  yield { part: 'together', most: mostTogether(USUAL_PLAYER, courses, 0.05, 20 * n, seed + 60) };
  for (const [name, days] of [
    ['day spread 0', [0]],
    ['day spread 0.33', [0.33]],
    ['day spread 0.6', [0.6]],
    ['day spread 1.0', [1]],
    ['all of them alike', [0, 0.33, 0.6, 1]],
  ] as const)
    for (const known of [false, true]) {
      const usual = known ? learntFrom(days, seed + 700) : undefined;
      yield { part: 'probably', name, family: 1, known, ...probably(days, n, seed + 80, usual) };
      const together = probablyTogether(days, 4, Math.ceil(n / 2), seed + 85, usual);
      yield { part: 'probably', name, family: 4, known, ...together };
    }
  for (const kind of ['steady', 'tiring', 'still'] as const)
    yield { part: 'forecast', name: kind, ...forecasts(kind, n, seed + 90) };
  for (const [name, player, outBy] of OWNED)
    yield { part: 'owned', name, ...ownedWrongly(player, outBy, Math.ceil(n / 4), seed + 95) };
}
