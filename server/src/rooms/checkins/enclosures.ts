import type { Enclosure, NewEnclosure, TalkDocument } from '@inchstep/contract/checkins';
import { MOST_ENCLOSURES, talkTrouble } from '@inchstep/core/checkins';
import { filesInUse } from '../../platform/care/filesInUse.ts';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import type { Received } from '../../platform/files.ts';
import { clipFile, type EnclosureFacts, type FileTaken, takeFile } from '../capture/index.ts';
import { getStudent, record, refuseWithoutConsent } from '../intake/index.ts';
import {
  type EnclosureRow,
  enclosureById,
  enclosuresOf,
  forgetDropped,
  insertEnclosure,
  setDropped,
  setTalk,
} from './enclosureRepo.ts';
import { type CheckinRow, checkinById, replyTo } from './repo.ts';

/** What is left out can be put back for so long. */
const DROPPED_DAYS = 1;

interface EnclosureUpload extends NewEnclosure, FileTaken {
  readonly author: string;
}

/** Takes in what is to go along with the answer to a check-in, whole or not at all. */
export function enclose(ctx: Context, checkinId: string, upload: EnclosureUpload): Promise<Enclosure> {
  const { id, kind, author } = upload;
  const { studentId } = checkinOf(ctx, checkinId, upload);
  return takeFile<EnclosureFacts, Enclosure>(ctx, { id, what: 'enclosure', studentId, author }, upload, {
    may: () => refuseEnclosure(ctx, checkinId, upload),
    inspect: { job: 'inspectEnclosure', task: { kind } },
    keep: (received, facts) => keep(ctx, { studentId, checkinId }, upload, received, facts),
    read: () => shown(enclosureOf(ctx, id)),
  });
}

function checkinOf(ctx: Context, checkinId: string, { stream }: EnclosureUpload): CheckinRow {
  const checkin = checkinById(ctx.db, checkinId);
  if (checkin) return checkin;
  stream.resume();
  throw new Refusal('not_found');
}

/** Refused where nothing may go along with the answer any more, or this may not. */
function refuseEnclosure(
  ctx: Context,
  checkinId: string,
  { id, kind, clipIds, talk }: EnclosureUpload,
): void {
  const { studentId } = openCheckin(ctx, checkinId);
  refuseWithoutConsent(ctx, getStudent(ctx, studentId));
  if ((kind === 'talk') !== (talk !== null)) throw new Refusal('enclosure_wrong', { part: 'kind' });
  const named = talk ? [talk.now.clipId, ...(talk.before ? [talk.before.clipId] : [])] : [];
  for (const clipId of [...clipIds, ...named])
    if (clipFile(ctx, clipId).clip.studentId !== studentId) throw new Refusal('not_found');
  if (named.some((clipId) => !clipIds.includes(clipId)))
    throw new Refusal('enclosure_wrong', { part: 'clips' });
  refuseTrouble(talk);
  const others = (enclosuresOf(ctx.db, studentId).get(checkinId) ?? []).filter((one) => one.id !== id);
  if (others.length >= MOST_ENCLOSURES) throw new Refusal('too_many_enclosed', { most: MOST_ENCLOSURES });
}

function refuseTrouble(talk: TalkDocument | null): void {
  const trouble = talk && talkTrouble(talk);
  if (trouble) throw new Refusal('enclosure_wrong', { part: trouble });
}

function openCheckin(ctx: Context, checkinId: string): { studentId: string } {
  const checkin = checkinById(ctx.db, checkinId);
  if (!checkin) throw new Refusal('not_found');
  const reply = replyTo(ctx.db, checkinId);
  if (reply && (reply.goesAt === null || reply.goesAt <= stamp(ctx))) throw new Refusal('letter_gone');
  return checkin;
}

function keep(
  ctx: Context,
  of: { readonly studentId: string; readonly checkinId: string },
  { id, kind, title, clipIds, talk, author }: EnclosureUpload,
  received: Received,
  { ending, seconds }: EnclosureFacts,
): void {
  const file = ctx.files.keep(received, ending);
  const { bytes } = received;
  const row = { id, ...of, kind, title, file, bytes, seconds, clipIds, talk, author };
  insertEnclosure(ctx.db, { ...row, at: stamp(ctx), droppedAt: null });
  record(ctx, of.studentId, 'enclosed', { kind });
}

const shown = ({ id, kind, title, bytes, seconds }: EnclosureRow): Enclosure => ({
  id,
  kind,
  title,
  bytes,
  seconds,
});

function enclosureOf(ctx: Context, id: string): EnclosureRow {
  const row = enclosureById(ctx.db, id);
  if (!row) throw new Refusal('not_found');
  return row;
}

/** Leaves one out, or puts it back, while the letter has not gone. */
export function dropEnclosure(ctx: Context, id: string, dropped: boolean): Enclosure {
  const row = enclosureOf(ctx, id);
  openCheckin(ctx, row.checkinId);
  ctx.records.write(row.studentId, () => setDropped(ctx.db, id, dropped ? stamp(ctx) : null), 'nothing');
  return shown(row);
}

/** What is said in a spoken review, typed; while the letter has not gone. */
export function captionTalk(ctx: Context, id: string, captions: TalkDocument['captions']): TalkDocument {
  const row = enclosureOf(ctx, id);
  if (!row.talk) throw new Refusal('not_found');
  openCheckin(ctx, row.checkinId);
  const talk = { ...row.talk, captions };
  refuseTrouble(talk);
  ctx.records.write(row.studentId, () => setTalk(ctx.db, id, talk), 'nothing');
  return talk;
}

/** One to be shown to the coach; a child's only while a guardian agrees. */
export function shownEnclosure(ctx: Context, id: string): EnclosureRow {
  const row = enclosureOf(ctx, id);
  refuseWithoutConsent(ctx, getStudent(ctx, row.studentId));
  return row;
}

/** One to be shown to a student: their own, and only once its letter has gone. */
export function enclosureFor(ctx: Context, studentId: string, id: string): EnclosureRow {
  const row = shownEnclosure(ctx, id);
  const reply = replyTo(ctx.db, row.checkinId);
  const gone = reply !== null && (reply.goesAt === null || reply.goesAt <= stamp(ctx));
  if (row.studentId !== studentId || row.droppedAt !== null || !gone) throw new Refusal('not_found');
  return row;
}

export function talkOf(row: EnclosureRow): TalkDocument {
  if (!row.talk) throw new Refusal('not_found');
  return row.talk;
}

/** Lets go what was left out and not put back. */
export function sweepEnclosures(ctx: Context): void {
  const before = new Date(ctx.now().getTime() - DROPPED_DAYS * 86_400_000).toISOString();
  const files = forgetDropped(ctx.db, before);
  if (files.length === 0) return;
  const inUse = new Set(filesInUse(ctx.db.$client));
  for (const file of files) if (!inUse.has(file)) ctx.files.remove(file);
}
