import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@inchstep/core/foundation';
import { COMMANDS } from '../../cli/src/commands.ts';
import { mutated, soundFor } from '../../cli/src/mutate.ts';
import { startServer } from './program.ts';
import { endure } from './siege/durability.ts';
import { besiege } from './siege/hostile.ts';
import { CONTAINERS } from './siege/spoiltClips.ts';

/** `./inchstep bench hostile N` and `./inchstep bench durability N`; one JSON line an answer. */
const [study, size] = process.argv.slice(2);
const SEED = 1_117_031;
const folder = mkdtempSync(join(tmpdir(), 'inchstep-siege-'));
const say = (answer: object) => process.stdout.write(`${JSON.stringify(answer)}\n`);
try {
  if (study === 'hostile') await hostile(Number(size ?? 1000));
  else await durability(Number(size ?? 1000));
} finally {
  rmSync(folder, { recursive: true, force: true });
}

async function hostile(count: number): Promise<void> {
  const server = await startServer(join(folder, 'data'));
  for (const [i, container] of CONTAINERS.entries()) say(await besiege(server, container, count, SEED + i));
  await server.end();
  for (const name of Object.keys(COMMANDS)) say(documents(name, 10 * count));
}

/** Spoilt documents for the core's commands: how many were answered, refused, or stumbled over. */
function documents(name: string, count: number): object {
  const random = seededRandom(SEED);
  const sound = soundFor(name);
  let [answered, refused, stumbled, slowestMs] = [0, 0, 0, 0];
  for (let i = 0; i < count; i++) {
    const document = mutated(sound, random);
    const began = performance.now();
    const result = COMMANDS[name]?.(document);
    slowestMs = Math.max(slowestMs, performance.now() - began);
    if (result?.ok) answered++;
    else if (result?.problems.some(({ code }) => code === 'out_of_range')) stumbled++;
    else refused++;
  }
  return { command: name, sent: count, answered, refused, stumbled, slowestMs };
}

async function durability(kills: number): Promise<void> {
  const told = (n: number) => {
    if (n % 50 === 0) process.stderr.write(`${n}/${kills}\n`);
  };
  say(await endure(join(folder, 'data'), kills, SEED, told));
}
