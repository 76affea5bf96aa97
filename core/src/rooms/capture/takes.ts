import type { ViewKind } from '../intake/index.ts';

/** One question to the other clock: when it was asked, what it said, when the answer was here; all in ms. */
export interface ClockPing {
  readonly askedMs: number;
  readonly toldMs: number;
  readonly heardMs: number;
}

/**
 * How far another clock is ahead of ours, in ms, by the question that came back soonest; its error is at most half
 * of the way there and back. Null without a question.
 */
export function clockAhead(pings: readonly ClockPing[]): { aheadMs: number; errorMs: number } | null {
  const way = ({ askedMs, heardMs }: ClockPing) => heardMs - askedMs;
  const [best] = [...pings].filter((ping) => way(ping) >= 0).sort((a, b) => way(a) - way(b));
  if (!best) return null;
  return { aheadMs: best.toldMs - (best.askedMs + best.heardMs) / 2, errorMs: way(best) / 2 };
}

/** A phone that is a camera of a lesson now. */
export interface LessonCamera {
  readonly id: string;
  readonly kind: ViewKind;
  readonly seenMs: number;
}

/** A swing that all cameras of a lesson film together. */
interface LessonTake {
  /** Also the id of the swing that comes of it. */
  readonly id: string;
  /** By the program's clock. */
  readonly startMs: number;
  readonly seconds: number;
  /** Views whose clip is there. */
  readonly arrived: readonly ViewKind[];
}

export interface CameraDesk {
  readonly cameras: readonly LessonCamera[];
  readonly takes: readonly LessonTake[];
}

export const EMPTY_DESK: CameraDesk = { cameras: [], takes: [] };

/** A phone that was not heard of for so long has gone. */
const GONE_AFTER_MS = 8000;
/** From the press to the start: both phones must have heard of it. */
export const TAKE_LEAD_MS = 1500;
export const TAKE_SECONDS = { least: 2, usual: 5, most: 15 } as const;
/** A take that is older than this is no longer begun. */
const LATE_MS = 500;
const MOST_TAKES = 40;

/** A phone says that it is here, and which view it films. One phone a view: the later one has it. */
export function seen(desk: CameraDesk, camera: LessonCamera): CameraDesk {
  const others = present(desk, camera.seenMs).filter(
    ({ id, kind }) => id !== camera.id && kind !== camera.kind,
  );
  return { ...desk, cameras: [...others, camera] };
}

/** Phones that were heard of lately. */
export const present = ({ cameras }: CameraDesk, nowMs: number): LessonCamera[] =>
  cameras.filter(({ seenMs }) => nowMs - seenMs < GONE_AFTER_MS);

/** A take that begins when every phone has heard of it. The same one asked twice is one. */
export function askTake(desk: CameraDesk, id: string, seconds: number, nowMs: number): CameraDesk {
  if (desk.takes.some((take) => take.id === id)) return desk;
  const long = Math.min(TAKE_SECONDS.most, Math.max(TAKE_SECONDS.least, seconds));
  const take = { id, startMs: nowMs + TAKE_LEAD_MS, seconds: long, arrived: [] };
  return { ...desk, takes: [...desk.takes, take].slice(-MOST_TAKES) };
}

/** Takes that a camera of this view has still to begin. */
export const takesToFilm = ({ takes }: CameraDesk, kind: ViewKind, nowMs: number): LessonTake[] =>
  takes.filter(({ startMs, arrived }) => !arrived.includes(kind) && nowMs < startMs + LATE_MS);

/** A clip of a take is there; the same one again changes nothing. */
export function arrive(desk: CameraDesk, id: string, kind: ViewKind): CameraDesk {
  return {
    ...desk,
    takes: desk.takes.map((take) =>
      take.id === id && !take.arrived.includes(kind) ? { ...take, arrived: [...take.arrived, kind] } : take,
    ),
  };
}
