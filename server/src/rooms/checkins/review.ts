import type { Checkin, Review, ReviewShown } from '@inchstep/contract/checkins';
import { draftReply, type Lengths } from '@inchstep/contract/words';
import { viewsToLook } from '@inchstep/core/capture';
import { type FeltAgainst, type FilmSeen, feltAgainst, phrasesOf } from '@inchstep/core/checkins';
import { replyFacts } from '@inchstep/core/progress';
import { type Context, today } from '../../platform/context.ts';
import { listSwings } from '../capture/index.ts';
import { feltSince, livePlan, strikesSince } from '../practice/index.ts';
import { libraryOf, libraryWords } from '../prescription/index.ts';
import { lastWordAt, replyTo, writtenBefore } from './repo.ts';
import { requestOfCheckin, usualAsk } from './requests.ts';
import { getCheckin } from './service.ts';

/** Letters in which the coach's phrases are looked for. */
const LETTERS_READ = 200;

/** Everything a review opens with: what was measured, done and decided, and a reply drafted from it. */
export function reviewOf(ctx: Context, checkinId: string, lengths: Lengths): Review {
  const checkin = getCheckin(ctx, checkinId);
  const shown = replyTo(ctx.db, checkinId)?.shown ?? reviewFacts(ctx, checkin);
  const { firstName } = ctx.records.of(checkin.studentId).intake;
  return {
    ...shown,
    draft: draftReply(shown.facts, firstName, libraryWords(ctx), lengths),
    phrases: phrasesOf(writtenBefore(ctx.db, LETTERS_READ)),
  };
}

/** The facts of a review as they stand now. */
export function reviewFacts(ctx: Context, checkin: Checkin): ReviewShown {
  const { studentId } = checkin;
  const file = ctx.records.of(studentId);
  const now = today(ctx);
  const facts = replyFacts(file, libraryOf(ctx), {
    checkin,
    film: filmSeen(ctx, checkin),
    felt: feltOfCheckin(ctx, checkin),
    today: now,
    days: (livePlan(ctx, studentId)?.days ?? []).filter(({ date }) => date >= now),
    next: usualAsk(ctx, studentId),
  });
  const since = lastWordAt(ctx.db, studentId, checkin.at);
  return {
    facts,
    felt: feltSince(ctx.db, studentId, since),
    strikes: strikesSince(ctx.db, studentId, since),
    asked: requestOfCheckin(ctx, studentId, checkin.at),
  };
}

const swingsOf = (ctx: Context, { studentId, clips }: Checkin) => {
  const ids = new Set(clips.map(({ id }) => id));
  return listSwings(ctx, studentId).filter(({ views }) =>
    views.some(({ clipId }) => clipId !== null && ids.has(clipId)),
  );
};

/** What the student felt beside what the clips of the same check-in say; null where nothing was said. */
export function feltOfCheckin(ctx: Context, checkin: Checkin): FeltAgainst | null {
  if (!checkin.feltOf) return null;
  const { readings } = ctx.records.of(checkin.studentId).measures;
  return feltAgainst(
    checkin.feltOf,
    swingsOf(ctx, checkin).map(({ id }) => id),
    readings,
  );
}

/** How far the clips of a check-in are. */
function filmSeen(ctx: Context, checkin: Checkin): FilmSeen {
  const { studentId, clips } = checkin;
  if (clips.length === 0) return 'none';
  const swings = swingsOf(ctx, checkin);
  const { readings } = ctx.records.of(studentId).measures;
  if (swings.some(({ id }) => readings.some(({ swingId }) => swingId === id))) return 'measured';
  return swings.some((swing) => viewsToLook(swing).length > 0 || swing.marks.length > 0) ? 'waits' : 'unseen';
}
