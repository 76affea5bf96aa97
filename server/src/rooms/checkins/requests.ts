import type { FilmRequestSeen, FilmRequests, NewFilmRequest } from '@inchstep/contract/checkins';
import {
  type Arrived,
  type FilmRequest,
  proposeRequest,
  requestNow,
  requestSeen,
} from '@inchstep/core/checkins';
import { plusDays } from '@inchstep/core/foundation';
import { standsOn } from '@inchstep/core/practice';
import { inUse, layerOf } from '@inchstep/core/prescription';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { getStudent, once, record } from '../intake/index.ts';
import { livePlan } from '../practice/index.ts';
import { libraryOf } from '../prescription/index.ts';
import { arrivedOf, insertRequest, requestById, requestsOf, setWithdrawn } from './requestRepo.ts';

/** Nobody plans a clip further ahead. */
const FURTHEST_DAYS = 120;

const seenAs = (request: FilmRequest, arrived: readonly Arrived[], now: string): FilmRequestSeen => {
  const { missing, ...seen } = requestSeen(request, arrived, now);
  return { ...request, ...seen, kinds: [...request.kinds], missing: [...missing] };
};

/** What a student was asked to film, the latest first, with where it stands; and what would be asked next. */
export function listRequests(ctx: Context, studentId: string): FilmRequests {
  const { profile } = getStudent(ctx, studentId);
  const now = today(ctx);
  const arrived = arrivedOf(ctx.db, studentId);
  const file = ctx.records.of(studentId);
  const choice = inUse(file.prescription);
  const drill = libraryOf(ctx).byId(choice?.drills[0] ?? '');
  const standing =
    choice && drill
      ? { drill: drill.id, stage: standsOn(file, drill).stage, layer: layerOf(choice, drill) }
      : null;
  const reviewDates = livePlan(ctx, studentId)?.reviewDates ?? [];
  const next = proposeRequest({ films: profile.films, standing, reviewDates, today: now });
  return {
    requests: requestsOf(ctx.db, studentId).map((request) => seenAs(request, arrived, now)),
    next: { ...next, kinds: [...next.kinds] },
  };
}

/** Asks a student for clips; asked with the same id again, it is one. */
export function askForClips(
  ctx: Context,
  studentId: string,
  { id, ...ask }: NewFilmRequest,
  author: string,
): FilmRequestSeen {
  getStudent(ctx, studentId);
  const now = today(ctx);
  if (ask.dueOn < now) throw new Refusal('date_in_past', { value: ask.dueOn }, 'dueOn');
  if (ask.dueOn > plusDays(now, FURTHEST_DAYS))
    throw new Refusal('date_too_far', { value: ask.dueOn }, 'dueOn');
  if (ask.drill !== null && !libraryOf(ctx).byId(ask.drill)) throw new Refusal('not_found');
  const keep = () => {
    insertRequest(ctx.db, { id, studentId, ...ask, askedAt: stamp(ctx), withdrawnAt: null, author });
    record(ctx, studentId, 'film_asked', { due: ask.dueOn });
  };
  return once(ctx, { id, what: 'film_request', studentId, author }, keep, () =>
    getRequest(ctx, studentId, id),
  );
}

/** Takes a request back, or makes it stand again. */
export function withdrawRequest(
  ctx: Context,
  studentId: string,
  id: string,
  withdrawn: boolean,
): FilmRequestSeen {
  getRequest(ctx, studentId, id);
  ctx.records.write(studentId, () => setWithdrawn(ctx.db, id, withdrawn ? stamp(ctx) : null), 'nothing');
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
