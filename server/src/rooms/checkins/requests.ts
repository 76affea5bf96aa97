import type { FilmRequestSeen, FilmRequests, NewFilmRequest } from '@inchstep/contract/checkins';
import { askText, dateText, LETTER_WORDS } from '@inchstep/contract/words';
import {
  type Arrived,
  type FilmAsk,
  type FilmRequest,
  goesAfter,
  proposeRequest,
  requestNow,
  requestSeen,
} from '@inchstep/core/checkins';
import { plusDays } from '@inchstep/core/foundation';
import { standsOn } from '@inchstep/core/practice';
import { inUse } from '@inchstep/core/prescription';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { getStudent, record } from '../intake/index.ts';
import { livePlan } from '../practice/index.ts';
import { libraryOf, libraryWords } from '../prescription/index.ts';
import { dropLetter, letterById } from './letterRepo.ts';
import { keepLetter } from './letters.ts';
import { arrivedOf, insertRequest, requestById, requestsOf, setWithdrawn } from './requestRepo.ts';

/** Nobody plans a clip further ahead. */
const FURTHEST_DAYS = 120;

const seenAs = (request: FilmRequest, arrived: readonly Arrived[], now: string): FilmRequestSeen => {
  const { missing, ...seen } = requestSeen(request, arrived, now);
  return { ...request, ...seen, kinds: [...request.kinds], missing: [...missing] };
};

/** What would be asked of a student next. */
export function usualAsk(ctx: Context, studentId: string): FilmAsk {
  const { profile } = getStudent(ctx, studentId);
  const file = ctx.records.of(studentId);
  const choice = inUse(file.prescription);
  const drill = libraryOf(ctx).byId(choice?.drills[0] ?? '');
  const standing = drill ? { drill: drill.id, ...standsOn(file, drill) } : null;
  const reviewDates = livePlan(ctx, studentId)?.reviewDates ?? [];
  return proposeRequest({ films: profile.films, standing, reviewDates, today: today(ctx) });
}

/** What a student was asked to film, the latest first, with where it stands; and what would be asked next. */
export function listRequests(ctx: Context, studentId: string): FilmRequests {
  const now = today(ctx);
  const arrived = arrivedOf(ctx.db, studentId);
  const next = usualAsk(ctx, studentId);
  return {
    requests: requestsOf(ctx.db, studentId).map((request) => seenAs(request, arrived, now)),
    next: { ...next, kinds: [...next.kinds] },
  };
}

/** Asks a student for clips; asked with the same id again, it is one. */
export function askForClips(
  ctx: Context,
  studentId: string,
  { id, byMail, ...ask }: NewFilmRequest,
  author: string,
  by: Pick<FilmRequest, 'from' | 'because'> = { from: 'coach', because: null },
): FilmRequestSeen {
  getStudent(ctx, studentId);
  const now = today(ctx);
  if (ask.dueOn < now) throw new Refusal('date_in_past', { value: ask.dueOn }, 'dueOn');
  if (ask.dueOn > plusDays(now, FURTHEST_DAYS))
    throw new Refusal('date_too_far', { value: ask.dueOn }, 'dueOn');
  if (ask.drill !== null && !libraryOf(ctx).byId(ask.drill)) throw new Refusal('not_found');
  const keep = () => {
    const made = { askedAt: stamp(ctx), withdrawnAt: null, ...by };
    insertRequest(ctx.db, { id, studentId, ...ask, ...made, author });
    if (byMail) mailRequest(ctx, studentId, { id, ...ask });
    record(ctx, studentId, 'film_asked', { due: ask.dueOn });
  };
  return once(ctx, { id, what: 'film_request', studentId, author }, keep, () =>
    getRequest(ctx, studentId, id),
  );
}

/** Its letter, with its day for the calendar; it waits as long as the request can be taken back without a trace. */
function mailRequest(ctx: Context, studentId: string, ask: FilmAsk & { readonly id: string }): void {
  const what = askText(ask, libraryWords(ctx).nameOf);
  const text = LETTER_WORDS.askedText(what, dateText(ask.dueOn), ask.why);
  const date = { day: ask.dueOn, title: what };
  const goesAt = goesAfter(stamp(ctx));
  keepLetter(ctx, { id: ask.id, studentId, subject: LETTER_WORDS.asked, text, goesAt, date });
}

/** Takes a request back, or makes it stand again. */
export function withdrawRequest(
  ctx: Context,
  studentId: string,
  id: string,
  withdrawn: boolean,
): FilmRequestSeen {
  getRequest(ctx, studentId, id);
  ctx.records.write(studentId, () => {
    setWithdrawn(ctx.db, id, withdrawn ? stamp(ctx) : null);
    // A letter that has not gone says nothing of what was taken back.
    if (withdrawn && letterById(ctx.db, id)?.madeAt === null) dropLetter(ctx.db, id);
  });
  return getRequest(ctx, studentId, id);
}

function getRequest(ctx: Context, studentId: string, id: string): FilmRequestSeen {
  const found = requestById(ctx.db, id);
  if (!found || found.studentId !== studentId) throw new Refusal('not_found');
  return seenAs(found.request, arrivedOf(ctx.db, studentId), today(ctx));
}

/** What the student's page asks for now. */
export function requestFor(ctx: Context, studentId: string): FilmRequestSeen | null {
  const requests = requestsOf(ctx.db, studentId);
  if (requests.length === 0) return null;
  const now = requestNow(requests, arrivedOf(ctx.db, studentId), today(ctx));
  return now && { ...now, kinds: [...now.kinds], missing: [...now.missing] };
}

/** What a check-in answered: the request that was fulfilled by it, else the one that stood when it came. */
export function requestOfCheckin(ctx: Context, studentId: string, at: string): FilmRequestSeen | null {
  const arrived = arrivedOf(ctx.db, studentId);
  const seen = requestsOf(ctx.db, studentId).map((request) => seenAs(request, arrived, today(ctx)));
  return (
    seen.find(({ fulfilledAt }) => fulfilledAt === at) ??
    seen.find(({ askedAt, state }) => askedAt <= at && (state === 'open' || state === 'overdue')) ??
    null
  );
}
