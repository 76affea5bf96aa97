import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@inchstep/core/foundation';
import { COMMANDS } from '../../cli/src/commands.ts';
import { mutated, soundFor } from '../../cli/src/mutate.ts';
import { startServer } from './program.ts';
import { hostileArchives } from './siege/archives.ts';
import { guesses, heavyBodies, replays, runawayTexts, slowSockets } from './siege/doors.ts';
import { endure } from './siege/durability.ts';
import { besiege } from './siege/hostile.ts';
import { killsElsewhere } from './siege/kills.ts';
import { type Line, line } from './siege/line.ts';
import { soak } from './siege/soak.ts';
import { CONTAINERS } from './siege/spoiltClips.ts';
import { first, standBack } from './siege/watch.ts';

/**
 * `./inchstep bench hostile [long]`: about ten minutes, an hour with `long`, or three
 * minutes with `doors` (bodies, guesses, sockets, replays, archives); one JSON line for each line of the table.
 * `./inchstep bench durability N` kills alone: N while four people write, a twelfth of that in an import, an erasing, a restore.
 */
const [study, size] = process.argv.slice(2);
const SEED = 1_131_031;
const LONG = size === 'long';
const SIZES = LONG
  ? {
      clips: 1000,
      documents: 10_000,
      rounds: 12,
      archives: 18,
      kills: 100,
      others: 34,
      sockets: 400,
      soakMin: 20,
    }
  : {
      clips: 100,
      documents: 1000,
      rounds: 2,
      archives: 3,
      kills: 100,
      others: 8,
      sockets: 200,
      soakMin: 1.5,
    };
const folder = mkdtempSync(join(tmpdir(), 'inchstep-siege-'));
const tell = (lines: readonly Line[]) => {
  for (const one of lines) process.stdout.write(`${JSON.stringify(one)}\n`);
};
const told = (n: number) => {
  if (n % 50 === 0) process.stderr.write(`${n} kills\n`);
};
try {
  if (study === 'hostile') await hostile();
  else {
    const count = Number(size ?? 1000);
    tell(await kills(count));
    tell(await killsElsewhere(folder, Math.ceil(count / 12), SEED));
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}

async function hostile(): Promise<void> {
  standBack();
  const server = await startServer(join(folder, 'data'));
  first(server.process.pid as number);
  tell(await heavyBodies(server, SIZES.rounds));
  tell(await runawayTexts(server));
  tell(await guesses(server));
  tell(await slowSockets(server, SIZES.sockets));
  tell(await replays(server, 5 * SIZES.rounds));
  tell(await hostileArchives(server, folder, SIZES.archives, SEED));
  if (size === 'doors') return server.end();
  for (const [i, container] of CONTAINERS.entries())
    tell(clipLines(await besiege(server, container, SIZES.clips, SEED + i)));
  tell(await soak(server, SIZES.soakMin));
  await server.end();
  for (const name of Object.keys(COMMANDS)) tell(documents(name, SIZES.documents));
  tell(await kills(SIZES.kills));
  tell(await killsElsewhere(folder, SIZES.others, SEED));
}

function clipLines(s: Awaited<ReturnType<typeof besiege>>): Line[] {
  const refused = Object.values(s.refused).reduce((sum, n) => sum + n, 0);
  return [
    line(`spoilt ${s.container} clips, two at a time: taken as sound`, s.sent, s.taken),
    line('  refused in words', s.sent, refused),
    line('  answered with an error of the program', s.sent, s.broken, '', '0'),
    line('  lists and pages not shown afterwards', s.sent, s.unshown, '', '0'),
    line('  slowest answer', s.sent, s.slowestMs, 'ms'),
    line('  others wait at most', s.sent, s.othersMs, 'ms', '100 ms'),
  ];
}

/** Spoilt documents for the core's commands: how many were answered, refused, or stumbled over. */
function documents(name: string, count: number): Line[] {
  const random = seededRandom(SEED);
  const sound = soundFor(name);
  let [answered, stumbled, slowestMs] = [0, 0, 0];
  for (let i = 0; i < count; i++) {
    const document = mutated(sound, random);
    const began = performance.now();
    const result = COMMANDS[name]?.(document);
    slowestMs = Math.max(slowestMs, performance.now() - began);
    if (result?.ok) answered++;
    else if (result?.problems.some(({ code }) => code === 'out_of_range')) stumbled++;
  }
  return [
    line(`spoilt documents for ${name}: answered`, count, answered),
    line('  stumbled over', count, stumbled, '', '0'),
    line('  slowest answer', count, slowestMs, 'ms'),
  ];
}

async function kills(count: number): Promise<Line[]> {
  const {
    kills: done,
    acknowledged,
    unanswered,
    ...wrong
  } = await endure(join(folder, 'endure'), count, SEED, told);
  return [
    line('killed while four people wrote: acknowledged writes', done, acknowledged),
    line('  without an answer, sent again', done, unanswered),
    ...(['lost', 'doubled', 'half'] as const).map((what) =>
      line(`  ${what}`, acknowledged, wrong[what], '', '0'),
    ),
  ];
}
