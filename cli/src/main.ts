import { closeSync, createReadStream, openSync, readFileSync, statSync } from 'node:fs';
import { createInterface } from 'node:readline';
import { problemText } from '@inchstep/contract/words';
import type { Problem, Result } from '@inchstep/core/foundation';
import { COMMANDS, type Command } from './commands.ts';

/** Bad input, by the format's word. */
const EXIT_BAD_INPUT = 2;

class BadInput extends Error {}

function problemLine(problems: readonly Problem[]): string {
  return problems
    .map(({ code, path, detail }) => {
      const said =
        typeof detail.message === 'string' && code === 'bad_input'
          ? String(detail.message)
          : problemText({ code, detail });
      return path === '' ? said : `${path}: ${said}`;
    })
    .join(' | ');
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new BadInput(`not JSON: ${(error as Error).message.split('\n')[0]?.slice(0, 200)}`);
  }
}

/** Words after the file that put a field into the document: `simulate -` with `--track`. */
const FLAG_FIELDS: Readonly<Record<string, readonly [field: string, value: unknown]>> = {
  '--track': ['track', true],
  '--shots': ['shots', 20],
  '--pressure': ['pressure', true],
};

function withFlags(json: unknown, words: readonly string[]): unknown {
  const fields = words.flatMap((word) => {
    const field = FLAG_FIELDS[word];
    return field ? [field] : [];
  });
  return typeof json === 'object' && json !== null ? { ...Object.fromEntries(fields), ...json } : json;
}

type Answer = (text: string) => Result<unknown>;
const answerWith =
  (command: Command, words: readonly string[]): Answer =>
  (text) =>
    command(withFlags(parse(text), words));

function runOnce(answer: Answer, file: string): void {
  const result = answer(readInput(file));
  if (!result.ok) throw new BadInput(problemLine(result.problems));
  process.stdout.write(`${JSON.stringify(result.value)}\n`);
}

function readInput(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch {
    throw unreadable(file);
  }
}

/** A stream that fails to open ends in an event that nobody awaits; so it is tried first. */
function checkReadable(file: string): void {
  try {
    closeSync(openSync(file, 'r'));
    if (statSync(file).isDirectory()) throw new Error('a folder');
  } catch {
    throw unreadable(file);
  }
}

const unreadable = (file: string): BadInput =>
  new BadInput(`can't read ${file}: give a file's path, or - for standard input`);

/** One answer line per line in; a bad line answers with its error and the stream goes on. */
async function runLines(answerLine: Answer, file: string): Promise<void> {
  if (file !== '-') checkReadable(file);
  const input = file === '-' ? process.stdin : createReadStream(file);
  let line = 0;
  for await (const text of createInterface({ input, crlfDelay: Number.POSITIVE_INFINITY })) {
    line++;
    if (text.trim() === '') continue;
    let answer: unknown;
    try {
      const result = answerLine(text);
      answer = result.ok ? result.value : { error: problemLine(result.problems) };
    } catch (error) {
      if (!(error instanceof BadInput)) throw error;
      answer = { error: error.message };
    }
    if (typeof answer === 'object' && answer !== null && 'error' in answer) {
      process.exitCode = EXIT_BAD_INPUT;
      process.stderr.write(`line ${line}: ${(answer as { error: string }).error}\n`);
    }
    process.stdout.write(`${JSON.stringify(answer)}\n`);
  }
}

async function main([name, ...rest]: readonly string[]): Promise<void> {
  const command = COMMANDS[name ?? ''];
  const file = rest.find((word) => word === '-' || !word.startsWith('--'));
  if (!command || !file) {
    throw new BadInput(
      `usage: inchstep ${Object.keys(COMMANDS).join('|')} FILE [--lines]   (- = standard input)`,
    );
  }
  const strange = rest.find((word) => word.startsWith('--') && word !== '--lines' && !FLAG_FIELDS[word]);
  if (strange)
    throw new BadInput(`there is no ${strange}: use --lines, or with simulate --track, --shots, --pressure`);
  const answer = answerWith(command, rest);
  if (rest.includes('--lines')) await runLines(answer, file);
  else runOnce(answer, file);
}

// A reader that has seen enough (`| head`) is no mistake.
process.stdout.on('error', (error: { code?: string }) => process.exit(error.code === 'EPIPE' ? 0 : 1));

try {
  await main(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof BadInput)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = EXIT_BAD_INPUT;
}
