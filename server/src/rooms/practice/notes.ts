import type { LessonNoteSend } from '@inchstep/contract/practice';
import type { LessonNote, LoggedSet } from '@inchstep/core/practice';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { getLesson, onThisClock } from '../intake/index.ts';
import { insertNote, lessonSets, noteById, notesOf, undoNote } from './noteRepo.ts';

/** Keeps a note once, however often it is sent, to the moment at which it was made. */
export function addNote(
  ctx: Context,
  studentId: string,
  lessonId: string,
  { writtenAt, ...note }: LessonNoteSend,
  { author, sentAt }: { readonly author: string; readonly sentAt: string | null },
): LessonNote {
  const keep = () => {
    getLesson(ctx, studentId, lessonId);
    const at = onThisClock(ctx, studentId, writtenAt, sentAt) ?? stamp(ctx);
    insertNote(ctx.db, studentId, { ...note, lessonId, at });
  };
  return once(
    ctx,
    { id: note.id, what: 'lesson_note', studentId, author },
    keep,
    () => noteById(ctx.db, note.id)?.note as LessonNote,
  );
}

/** Takes a note back, or lets it stand again. */
export function takeBackNote(ctx: Context, studentId: string, id: string, back: boolean): void {
  if (noteById(ctx.db, id)?.studentId !== studentId) throw new Refusal('not_found');
  undoNote(ctx.db, id, back ? stamp(ctx) : null);
}

export const notesIn = (ctx: Context, studentId: string, lessonId: string): LessonNote[] =>
  notesOf(ctx.db, studentId, lessonId);

/** Sets that were counted in a lesson. */
export const setsIn = (ctx: Context, studentId: string, lessonId: string): LoggedSet[] =>
  lessonSets(ctx.db, studentId, lessonId);
