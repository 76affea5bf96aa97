import type { LessonFile, SummarySend } from '@inchstep/contract/checkins';
import type { Lesson } from '@inchstep/contract/intake';
import { draftLesson, LESSON_MAIL, type Lengths } from '@inchstep/contract/words';
import { lessonSummary, momentsOf } from '@inchstep/core/progress';
import { firstCoach } from '../../platform/auth.ts';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { doToLesson, eventsIn, getLesson, getStudent, keepSummary, record } from '../intake/index.ts';
import { decideGate, livePlan, notesIn, setsIn } from '../practice/index.ts';
import { libraryOf, libraryWords } from '../prescription/index.ts';
import { keepLetter, sendLetters } from './letters.ts';
import { askForClips, listRequests } from './requests.ts';
import { type SummaryAsk, summaryPdf } from './summaryPdf.ts';

/** A lesson with all that happened in it, in order. */
export function lessonFile(ctx: Context, studentId: string, lessonId: string): LessonFile {
  const lesson = getLesson(ctx, studentId, lessonId);
  const events = eventsIn(ctx, studentId, lessonId);
  const moments = momentsOf(events, setsIn(ctx, studentId, lessonId), notesIn(ctx, studentId, lessonId));
  return { lesson, moments: moments as LessonFile['moments'] };
}

/** A summary drafted from what happened; what was sent stays as it was sent. */
export function summaryDraft(
  ctx: Context,
  studentId: string,
  lessonId: string,
  lengths: Lengths,
): { text: string } {
  const { lesson, moments } = lessonFile(ctx, studentId, lessonId);
  if (lesson.summary !== null) return { text: lesson.summary };
  const file = ctx.records.of(studentId);
  const ahead = livePlan(ctx, studentId)?.days ?? [];
  const { next } = listRequests(ctx, studentId);
  const facts = lessonSummary(file, libraryOf(ctx), moments, ahead, next, today(ctx));
  return { text: draftLesson(facts, file.intake.firstName, libraryWords(ctx), lengths) };
}

/** The summary that was sent, on paper; a lesson of which nothing was sent has none. */
export function printedSummary(
  ctx: Context,
  studentId: string,
  lessonId: string,
  paper: SummaryAsk['paper'],
): Promise<Buffer> {
  const { summary, day } = getLesson(ctx, studentId, lessonId);
  if (summary === null) throw new Refusal('not_found');
  const { profile } = getStudent(ctx, studentId);
  const student = `${profile.firstName} ${profile.familyName}`;
  return summaryPdf({ student, coach: firstCoach(ctx)?.name ?? '', day, text: summary, paper });
}

/** Sends the summary once: to the student's page and as mail. A lesson that still goes on ends with it. */
export async function sendSummary(
  ctx: Context,
  studentId: string,
  lessonId: string,
  { id, text, draft, request, gates }: SummarySend,
  author: string,
): Promise<Lesson> {
  const send = () => {
    const lesson = getLesson(ctx, studentId, lessonId);
    if (lesson.summary !== null) throw new Refusal('changed_meanwhile');
    if (lesson.startedAt === null) throw new Refusal('lesson_not_begun');
    if (lesson.endedAt === null) doToLesson(ctx, studentId, lessonId, 'end');
    keepSummary(ctx, lessonId, { draft, summary: text, sentAt: stamp(ctx) });
    keepLetter(ctx, { id, studentId, subject: LESSON_MAIL.subject, text, goesAt: null });
    record(ctx, studentId, 'lesson_sent', { day: lesson.day });
    for (const word of gates) decideGate(ctx, studentId, word, author);
    if (request) askForClips(ctx, studentId, request, author);
  };
  once(ctx, { id, what: 'lesson_summary', studentId, author }, send, () => undefined);
  await sendLetters(ctx);
  return getLesson(ctx, studentId, lessonId);
}
