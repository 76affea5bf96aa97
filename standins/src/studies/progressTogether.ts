import { pick, seededRandom } from '@inchstep/core/foundation';
import { type Counted, countIn, isReal, nothingCounted, saidIn, someCourse } from './progressSaid.ts';
import { ODD_PLAYERS, type Player, STANDS, STILL_PLAYERS, USUAL_PLAYER } from './progressWorld.ts';
import { measuresTogether } from './seasonsTogether.ts';

/** What is told of several measures of one player, who tell each other how his days stray: what the program shows. */

/** Of the seasons of players who do not change, those in which "real" is said of any measure at any look. */
function alarmsTogether(players: readonly Player[], seasons: number, seed: number): number {
  const random = seededRandom(seed);
  const family = players.length;
  let alarmed = 0;
  for (let i = 0; i < seasons; i++) {
    const all = measuresTogether(
      players,
      players.map(() => STANDS),
      random,
    );
    if (all.some((evidence) => saidIn(evidence, family).some(isReal))) alarmed++;
  }
  return alarmed / seasons;
}

/** Of the seasons of players one of whose measures goes this way, those in which it is called real by the last look. */
function foundTogether(
  player: Player,
  levels: readonly number[],
  family: number,
  seasons: number,
  seed: number,
): number {
  const random = seededRandom(seed);
  const stands = levels.map(() => 0);
  let told = 0;
  for (let i = 0; i < seasons; i++) {
    const [first] = measuresTogether(
      Array.from({ length: family }, () => player),
      Array.from({ length: family }, (_, k) => (k === 0 ? levels : stands)),
      random,
    );
    if (first && saidIn(first, family).some((said) => isReal(said) && said.up)) told++;
  }
  return told / seasons;
}

/** As `probably` of one measure: half of each player's measures change, every one by its own course. */
export function probablyTogether(
  days: readonly number[],
  family: number,
  seasons: number,
  seed: number,
  usual?: readonly number[],
): Counted {
  const random = seededRandom(seed);
  const count = nothingCounted();
  for (let i = 0; i < seasons; i++) {
    const player = { ...USUAL_PLAYER, daySteps: pick(random, [...days]) };
    const courses = Array.from({ length: family }, () => someCourse(random));
    const all = measuresTogether(
      courses.map(() => player),
      courses,
      random,
      usual,
    );
    all.forEach((evidence, k) => {
      countIn(count, saidIn(evidence, family), courses[k] as readonly number[]);
    });
  }
  return count;
}

const COURSES: readonly (readonly [string, readonly number[]])[] = [
  ['three steps, by the fourth session', [0, 0, 3, 3]],
  ['two steps, by the sixth', [0, 0, 2, 2, 2, 2]],
  ['one step, by the sixth', [0, 0, 1, 1, 1, 1]],
  ['0.2 steps a session, by the eighth', [0, 0.2, 0.4, 0.6, 0.8, 1, 1.2, 1.4]],
];

export function* togetherStudy(n: number, seed: number) {
  for (const family of [2, 3, 5, 10]) {
    const seasons = Math.ceil(n / Math.sqrt(family));
    for (const [k, player] of STILL_PLAYERS.entries()) {
      const players = Array.from({ length: family }, () => player);
      const ever = alarmsTogether(players, seasons, seed + 100 * k + family);
      yield { part: 'alarms together', name: player.name, family, seasons, ever };
    }
    for (const [k, { name, odd, rest }] of ODD_PLAYERS.entries()) {
      const players = [odd, ...Array.from({ length: family - 1 }, () => rest)];
      const ever = alarmsTogether(players, seasons, seed + 5000 + 100 * k + family);
      yield { part: 'alarms together', name, family, seasons, ever };
    }
  }
  for (const [name, levels] of COURSES)
    for (const family of [2, 3, 5, 10]) {
      const found = foundTogether(USUAL_PLAYER, levels, family, Math.ceil(n / 2), seed + 50);
      yield { part: 'power together', name, family, found };
    }
}
