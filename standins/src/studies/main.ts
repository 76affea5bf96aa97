import { readdirSync, readFileSync } from 'node:fs';
import { calibrate } from './calibration.ts';
import { COVERAGE_GROUPS, coverage } from './coverage.ts';
import { pairs, singles } from './diagnosisCases.ts';
import { errorTables } from './errorTables.ts';
import { fewerMarks } from './fewerMarks.ts';
import { progressStudy } from './progress.ts';
import { barsBeside, progressBars } from './progressBars.ts';
import { proposalStudy } from './proposals.ts';
import { randomPlans } from './randomPlans.ts';
import { seasonStudy } from './season.ts';
import { errorsIn, type SeenSwing } from './seenSwing.ts';
import { speeds } from './speeds.ts';

/** `bench speeds` in a few seconds; `bench coverage N`, `marks N`, `season N`, `plans N` and `calibration N` as long as N asks. */
const [what = 'speeds', size] = process.argv.slice(2);
const say = (result: unknown) => process.stdout.write(`${JSON.stringify(result)}\n`);

/** What was seen of a seed's swings, once they are filmed. */
function seenOf(seed: string): SeenSwing[] {
  const folder = 'data/seen';
  const files = readdirSync(folder).filter((name) => name.startsWith(`p${seed}-`));
  return files.map((name) => JSON.parse(readFileSync(`${folder}/${name}`, 'utf8')) as SeenSwing);
}

if (what === 'speeds') say(speeds(() => performance.now()));
if (what === 'coverage') {
  for (const [name, more] of COVERAGE_GROUPS) say({ name, ...coverage(Number(size ?? 100), more, 100_001) });
}
if (what === 'marks') for (const row of fewerMarks(Number(size ?? 40))) say(row);
if (what === 'season') for (const row of seasonStudy(Number(size ?? 50), 700_000)) say(row);
if (what === 'progress') for (const row of progressStudy(Number(size ?? 1000), 410_000)) say(row);
if (what === 'bars') for (const row of progressBars(Number(size ?? 10_000), 900_000)) say(row);
if (what === 'bars-beside') for (const row of barsBeside(Number(size ?? 2000), 950_000)) say(row);
if (what === 'proposals') for (const row of proposalStudy(seenOf(size ?? '41'))) say(row);
if (what === 'errors') {
  const swings = (size ?? '21,22,31').split(',').flatMap(seenOf);
  say(
    errorTables(
      swings.flatMap((swing) =>
        errorsIn(swing).map((error) => ({ ...error, player: swing.player, day: swing.day })),
      ),
    ),
  );
}
if (what === 'plans') say(randomPlans(Number(size ?? 5000)));
if (what === 'calibration') {
  for (const steps of [1, 1.5, 2, 2.5])
    say({ name: `one fault, ${steps} steps out`, ...calibrate(singles(steps, 4)) });
  for (const steps of [1, 1.5])
    say({ name: `${steps} steps, three swings of a day`, ...calibrate(singles(steps, 4, 3)) });
  say({ name: 'random pairs', ...calibrate(pairs(Number(size ?? 500))) });
}
