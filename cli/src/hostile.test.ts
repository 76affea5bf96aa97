import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@inchstep/core/foundation';
import { afterAll, describe, expect, test } from '@jest/globals';
import { COMMANDS, type Command, guarded } from './commands.ts';
import { mutated, SOUND, soundFor } from './mutate.ts';

const TRIES = 200;

const run = (name: string) => COMMANDS[name] as Command;
const nothingStrange = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value !== 'object' || value === null || Object.values(value).every(nothingStrange);

describe('spoilt documents', () => {
  test.each(Object.keys(COMMANDS))(
    '%s answers with figures or with a problem, whatever it is given',
    (name) => {
      const sound = soundFor(name);
      expect(run(name)(sound).ok).toBe(true);
      const random = seededRandom(20_271);
      let refused = 0;
      for (let i = 0; i < TRIES; i++) {
        const document = mutated(sound, random);
        const result = run(name)(document);
        if (!result.ok) refused++;
        const fine = result.ok ? nothingStrange(result.value) : result.problems.length > 0;
        if (!fine) throw new Error(`${name}: ${JSON.stringify(document).slice(0, 400)}`);
      }
      expect(refused).toBeGreaterThan(TRIES / 10);
    },
  );
  test('what is refused for its numbers alone is refused at the door, not by a stumble', () => {
    const result = run('measure')({
      ...(soundFor('measure') as object),
      views: [{ ...viewOf(), groundMarks: [{ xIn: 0, yIn: 1e100, u: 1, v: 1, sdPx: 2 }] }],
    });
    expect(result).toMatchObject({ ok: false, problems: [{ path: 'views[0].groundMarks[0].yIn' }] });
    const change = {
      ...(SOUND.change as object),
      sessions: [{ date: '2027-03-01', values: [1e308, 2], sd: 1 }],
    };
    expect(run('change')(change)).toMatchObject({ ok: false, problems: [{ path: 'sessions[0].values[0]' }] });
  });
  test('a stumble itself becomes one problem', () => {
    const stumble = guarded(() => {
      throw new Error('a bug');
    });
    expect(stumble({})).toMatchObject({ ok: false, problems: [{ code: 'out_of_range' }] });
    expect(guarded(() => ({ ok: true, value: { a: [Number.NaN] } }))({})).toMatchObject({ ok: false });
  });
});

function viewOf(): object {
  return (soundFor('measure') as { views: object[] }).views[0] as object;
}

describe('the program', () => {
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-hostile-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const cli = (words: string[], input = '') => {
    const { NODE_OPTIONS: _, ...env } = process.env;
    return spawnSync('node', [join(new URL('../..', import.meta.url).pathname, 'dist', 'cli.js'), ...words], {
      encoding: 'utf8',
      input,
      env: env as NodeJS.ProcessEnv,
    });
  };
  test.each([
    ['a missing file with --lines', ['gate', '/no/such/file', '--lines'], ''],
    ['a missing file', ['gate', '/no/such/file'], ''],
    ['a folder with --lines', ['gate', '/tmp', '--lines'], ''],
    ['a folder', ['gate', '/tmp'], ''],
    ['nothing at all', ['gate', '-'], ''],
    ['brackets without end', ['measure', '-'], '['.repeat(200_000)],
    ['a document nested without end', ['diagnose', '-'], `${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}`],
    ['a number without end', ['change', '-'], '9'.repeat(100_000)],
    ['bytes that are no text', ['gate', '-'], '\uFFFD\u0000\u0001'],
    ['an empty list', ['change', '-'], '[]'],
    ['null', ['plan', '-'], 'null'],
  ])('%s: one line on standard error, exit 2', (_, words, input) => {
    const { status, stderr, stdout } = cli(words, input);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stderr.length).toBeLessThan(1500);
    expect(stderr).not.toMatch(/\bat .*:\d+:\d+/);
  });
  test('with --lines a spoilt line answers with its error and the others are answered', () => {
    const file = join(folder, 'lines');
    writeFileSync(
      file,
      `${JSON.stringify(SOUND.gate)}\n{"reps":1e999}\n[[[\n${JSON.stringify(SOUND.gate)}\n`,
    );
    const { status, stdout } = cli(['gate', file, '--lines']);
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { decision?: string; error?: string });
    expect(status).toBe(2);
    expect(lines.map((line) => line.error === undefined)).toEqual([true, false, false, true]);
  });
});
