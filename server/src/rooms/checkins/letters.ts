import type { Letter } from '@inchstep/contract/checkins';
import { LETTER_WORDS } from '@inchstep/contract/words';
import { isFinal, letterState, nextTry } from '@inchstep/core/checkins';
import { mailAddress } from '@inchstep/core/intake';
import ical from 'ical-generator';
import { hashToken } from '../../platform/auth.ts';
import { type Context, newToken, stamp } from '../../platform/context.ts';
import type { Message } from '../../platform/letterMail.ts';
import { MailTrouble } from '../../platform/mailDoor.ts';
import { NO_ADDRESS } from '../../platform/outbox.ts';
import { getStudent } from '../intake/index.ts';
import {
  dueLetters,
  insertLetter,
  type LetterRow,
  letterIds,
  lettersOf,
  markLetter,
  setStop,
} from './letterRepo.ts';
import { linkForLetter } from './links.ts';
import { dropLink } from './repo.ts';
import type { MailDate } from './tables.ts';

/** A letter to a student, to go at once or after the time in which it can be taken back. */
interface NewLetter {
  readonly id: string;
  readonly studentId: string;
  readonly subject: string;
  readonly text: string;
  readonly goesAt: string | null;
  readonly date?: MailDate | null;
}

/** Keeps a letter; its mail is made from the row, afterwards, and can be made again. */
export function keepLetter(ctx: Context, { date = null, ...letter }: NewLetter): void {
  const { profile } = getStudent(ctx, letter.studentId);
  insertLetter(ctx.db, {
    ...letter,
    date,
    toName: `${profile.firstName} ${profile.familyName}`,
    at: stamp(ctx),
    madeAt: null,
    tries: 0,
    nextTryAt: null,
    trouble: null,
    failedAt: null,
    stopHash: null,
  });
}

const running = new WeakMap<Context, Promise<void>>();

/** Brings every letter on its way that may go now, each once. What can't go is tried again, or given up, by the rules. */
export function sendLetters(ctx: Context): Promise<void> {
  const before = running.get(ctx);
  if (before) return before;
  const run = sendDue(ctx).finally(() => running.delete(ctx));
  running.set(ctx, run);
  return run;
}

async function sendDue(ctx: Context): Promise<void> {
  for (const row of dueLetters(ctx.db, stamp(ctx))) {
    if (ctx.mailDoor === null) {
      if (!(await putInFolder(ctx, row))) return;
    } else await deliver(ctx, row);
  }
}

/** False where the folder can't be written now: the next call tries again. */
async function putInFolder(ctx: Context, row: LetterRow): Promise<boolean> {
  const page = linkForLetter(ctx, row.studentId);
  try {
    await ctx.outbox.put(messageOf(ctx, row, page?.url ?? null));
    // Erased while it was written: the file goes, too.
    if (!markLetter(ctx.db, row.id, { madeAt: stamp(ctx) })) ctx.outbox.remove(row.id);
    return true;
  } catch {
    if (page) dropLink(ctx.db, page.id);
    return false;
  }
}

async function deliver(ctx: Context, row: LetterRow): Promise<void> {
  // Who has agreed to no mail reads it on the page.
  if (mailAddress(getStudent(ctx, row.studentId).profile) === null)
    return void markLetter(ctx.db, row.id, { madeAt: stamp(ctx), trouble: 'no_address' });
  const tries = row.tries + 1;
  const page = linkForLetter(ctx, row.studentId);
  try {
    await ctx.mailDoor?.deliver(messageOf(ctx, row, page?.url ?? null));
    markLetter(ctx.db, row.id, { madeAt: stamp(ctx), tries, trouble: null });
  } catch (reason) {
    // Nobody has it: the next try makes its own.
    if (page) dropLink(ctx.db, page.id);
    const { code, message } =
      reason instanceof MailTrouble ? reason : { code: null, message: 'the letter could not be made' };
    const at = stamp(ctx);
    const next = isFinal(code) ? null : nextTry(tries, at);
    markLetter(ctx.db, row.id, {
      tries,
      trouble: message,
      nextTryAt: next,
      failedAt: next === null ? at : null,
    });
  }
}

function messageOf(ctx: Context, row: LetterRow, pageUrl: string | null): Message {
  return {
    id: row.id,
    toName: row.toName,
    toAddress: mailAddress(getStudent(ctx, row.studentId).profile) ?? NO_ADDRESS,
    subject: row.subject,
    text: row.text,
    at: new Date(row.at),
    page: pageUrl === null ? null : { words: LETTER_WORDS.page, url: pageUrl },
    stop: stopOf(ctx, row),
    stopText: LETTER_WORDS.stop,
    event: row.date && eventOf(row),
  };
}

/** Every letter has a code of its own with which its reader stops further ones; only a digest of it is kept. */
function stopOf(ctx: Context, { id }: LetterRow): Message['stop'] {
  if (ctx.publicUrl === null) return null;
  const token = newToken();
  setStop(ctx.db, id, hashToken(token));
  return { origin: ctx.publicUrl, token };
}

function eventOf({ id, at, date }: LetterRow): string {
  const calendar = ical({ prodId: { company: 'Inch Step', product: 'letters', language: 'EN' } });
  const { day, title } = date as MailDate;
  calendar.createEvent({ id, stamp: at, start: day, allDay: true, floating: true, summary: title });
  return calendar.toString();
}

export const knownLetters = (ctx: Context): Set<string> => new Set(letterIds(ctx.db));

/** The letters of a student and where each stands. */
export const listLetters = (ctx: Context, studentId: string): Letter[] =>
  lettersOf(ctx.db, studentId).map((row) => ({
    id: row.id,
    at: row.at,
    subject: row.subject,
    state: letterState(row, stamp(ctx)),
    trouble: row.trouble,
  }));
