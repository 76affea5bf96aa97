import { createReadStream, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import type { Verified } from '@inchstep/contract/care';
import Database from 'better-sqlite3';
import { Arrivals } from './platform/care/arrivals.ts';
import { makeBackup, type Progress } from './platform/care/backup.ts';
import { askErasure, carryOutErasures, countsOf, finishErasures } from './platform/care/erase.ts';
import { restoreBackup } from './platform/care/restore.ts';
import { exportStudent } from './platform/care/studentArchive.ts';
import { verifyFolder } from './platform/care/verify.ts';
import { writeWhole } from './platform/care/zips.ts';
import { checkUnderstood } from './platform/db.ts';
import { failureOf, Refusal } from './platform/errors.ts';
import { FileStore } from './platform/files.ts';
import { DATABASE_FILE } from './platform/folder.ts';
import { Outbox } from './platform/outbox.ts';
import { readSettings } from './platform/settings.ts';
import { StartRefusal, startSentence } from './platform/startRefusal.ts';
import { makeContext } from './start.ts';

/** Care of the record from the command line: backup, restore, verify, export, import, erase. */

const say = (line: string): void => {
  process.stderr.write(`${line}\n`);
};

/** Every so many steps a line; the last one always. */
const progress: Progress = (what, done, of) => {
  const every = Math.max(1, Math.floor(of / 20));
  if (done === of || done % every === 0) say(`${what} ${done}/${of}`);
};

const USAGE =
  'usage: inchstep backup FILE | restore FILE | verify [FILE] | export STUDENT FILE | import FILE [--yes] | erase STUDENT';

const need = (word: string | undefined): string => {
  if (!word || word.startsWith('--')) throw new StartRefusal(USAGE);
  return word;
};

async function main([command, ...words]: readonly string[]): Promise<void> {
  process.umask(0o077);
  const settings = readSettings(process.env);
  const { dataDir } = settings;
  if (command === 'backup') {
    const file = resolve(need(words[0]));
    await makeBackup(dataDir, file, new Date(), progress);
    say(`Kept in ${file}.`);
  } else if (command === 'restore') {
    await restoreBackup(resolve(need(words[0])), dataDir, progress);
    say(
      `Restored into ${dataDir}. Everybody is signed out, students’ links are closed (make new ones), and letters that had not gone are not sent.`,
    );
  } else if (command === 'verify') {
    const file = words.find((word) => !word.startsWith('--'));
    tell(
      await (file ? verifyBackup(resolve(file)) : verifyFolder(dataDir, new Date(), progress)),
      words.includes('--json'),
    );
  } else if (command === 'export') {
    await exportTo(dataDir, need(words[0]), resolve(need(words[1])));
  } else if (command === 'import' || command === 'erase') {
    await withRecord(command, words);
  } else throw new StartRefusal(USAGE);
}

/** A backup is checked by restoring it. */
async function verifyBackup(file: string): Promise<Verified> {
  const folder = mkdtempSync(join(existsSync(file) ? dirname(file) : tmpdir(), '.inchstep-verify-'));
  try {
    await restoreBackup(file, join(folder, 'data'), progress);
    return await verifyFolder(join(folder, 'data'), new Date(), progress);
  } finally {
    rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
  }
}

function tell(found: Verified, asJson: boolean): void {
  if (asJson) process.stdout.write(`${JSON.stringify(found)}\n`);
  else {
    for (const { code, about, count } of found.found) process.stdout.write(`${code} ${about}: ${count}\n`);
    process.stdout.write(`${found.ok ? 'Whole' : 'NOT WHOLE'}: ${found.rows} rows, ${found.clips} clips.\n`);
  }
  if (!found.ok) process.exitCode = 1;
}

/** Reads alone, so the program may be running. */
async function exportTo(dataDir: string, student: string, file: string): Promise<void> {
  const database = join(dataDir, DATABASE_FILE);
  if (!existsSync(database))
    throw new StartRefusal(`${dataDir} holds no record: set DATA_DIR to the folder the program uses.`);
  checkUnderstood(database);
  const $client = new Database(database, { readonly: true });
  try {
    const files = new FileStore(dataDir);
    const stream = await exportStudent(
      { db: { $client }, files, outbox: new Outbox(dataDir), now: () => new Date() },
      student,
    );
    await writeWhole(stream, file);
  } finally {
    $client.close();
  }
  say(`Kept in ${file}.`);
}

/** These change the record, so the program must not be running on it. */
async function withRecord(command: 'import' | 'erase', words: readonly string[]): Promise<void> {
  const ctx = makeContext(readSettings(process.env));
  try {
    if (command === 'import') await takeIn(ctx, resolve(need(words[0])), words.includes('--yes'));
    else await eraseNow(ctx, need(words[0]), words.includes('--now'));
  } finally {
    await ctx.close();
  }
}

/** Shows what a file would bring; where that is more than rows and clips, it is kept with `--yes` alone. */
async function takeIn(ctx: ReturnType<typeof makeContext>, file: string, yes: boolean): Promise<void> {
  const arrivals = new Arrivals(ctx);
  const { ticket, rows, clips, drills, mail, unsent } = await arrivals.receive(
    createReadStream(file),
    () => false,
  );
  for (const { id, state } of drills) say(`Drill ${id}: ${DRILL_STATES[state]}`);
  if (mail !== null)
    say('The record has a mail address. No letter is sent there until the student agrees again.');
  if (unsent > 0) say(`Letters still waiting: ${unsent}. They won’t be sent from this program.`);
  if (drills.some(({ state }) => state !== 'same') && !yes) {
    await arrivals.drop(ticket);
    say('Nothing was imported. To import it as shown, add --yes.');
    process.exitCode = 1;
    return;
  }
  const taken = await arrivals.keep(ticket);
  say(`Imported: student ${taken.studentId}, ${rows} rows, ${clips} clips.`);
}

const DRILL_STATES = {
  new: 'new here. It’s added to your library, but not offered to other students until you turn it on.',
  same: 'the same as here.',
  other: 'differs from yours. Your version stays.',
} as const;

async function eraseNow(ctx: ReturnType<typeof makeContext>, student: string, now: boolean): Promise<void> {
  const counts = countsOf(ctx, 'student', student);
  if ((counts.students ?? 0) === 0) throw new Refusal('not_found');
  say(
    `This goes: ${Object.entries(counts)
      .map(([what, n]) => `${what} ${n}`)
      .join(', ')}.`,
  );
  askErasure(ctx, crypto.randomUUID(), 'student', student);
  if (!now) {
    say(
      'Asked for: the program carries it out in ten minutes, and it can be taken back until then. With --now at once.',
    );
    return;
  }
  ctx.db.$client
    .prepare('UPDATE erasures SET due_at = asked_at WHERE done_at IS NULL AND subject_id = ?')
    .run(student);
  carryOutErasures(ctx);
  await finishErasures(ctx);
  process.stdout.write(
    `${JSON.stringify({ erased: student, at: ctx.now().toISOString(), receipt: counts })}\n`,
  );
}

try {
  await main(process.argv.slice(2));
} catch (error) {
  const sentence =
    error instanceof Refusal ? failureOf(error.problems).body.message : startSentence(error, 'This')?.message;
  if (!sentence) throw error;
  say(sentence);
  process.exitCode = 2;
}
