import type { Practised, Stage } from '../practice/index.ts';
import type { FeltAgainst } from './felt.ts';
import type { FilmAsk } from './filmRequest.ts';

export interface MovedMeasure {
  readonly id: string;
  readonly unit: string;
  readonly before: number;
  readonly after: number;
  readonly verdict: 'real' | 'maybe' | 'none' | 'cant_tell';
  /** P(it changed that way). */
  readonly changed: number;
  readonly direction: 'better' | 'worse' | 'level';
}

/** What became of the clips of a check-in: none came, they wait to be measured, they are, or nothing could be seen in them. */
export type FilmSeen = 'none' | 'waits' | 'measured' | 'unseen';

/** Facts from which a reply is drafted, in the order in which it is written. */
export interface ReplyFacts {
  readonly pain: boolean;
  /** What got better, surest first. */
  readonly better: readonly MovedMeasure[];
  /** What surely or probably got worse. */
  readonly worse: readonly MovedMeasure[];
  /** Measures that are being overdone. */
  readonly atEdge: readonly string[];
  readonly film: FilmSeen;
  /** What was felt beside what was measured; null where nobody said. */
  readonly felt: FeltAgainst | null;
  readonly practised: Practised;
  /** The one key piece now: a drill at a stage. */
  readonly key: {
    readonly drill: string;
    readonly stage: Stage;
    readonly speedPct: number;
    /** The checkpoint it is judged by, from 1, of so many. */
    readonly layer: number;
    readonly layers: number;
    /** What a day's session asks of it; null where none is planned. */
    readonly day: { readonly sets: number; readonly reps: number; readonly balls: number } | null;
  } | null;
  readonly gate: 'advance' | 'hold' | 'continue' | 'back' | null;
  /** Faults that are to be left alone for now. */
  readonly leave: readonly string[];
  readonly sendNext: FilmAsk | null;
}

const SURENESS: Record<MovedMeasure['verdict'], number> = { real: 0, maybe: 1, cant_tell: 2, none: 3 };

/** Only changes toward the band that may be believed, at most three. */
export function betterFirst(moved: readonly MovedMeasure[]): MovedMeasure[] {
  return moved
    .filter((m) => m.direction === 'better' && (m.verdict === 'real' || m.verdict === 'maybe'))
    .sort((a, b) => SURENESS[a.verdict] - SURENESS[b.verdict])
    .slice(0, 3);
}

/** Only changes away from the band that may be believed, at most two. */
export function worseFirst(moved: readonly MovedMeasure[]): MovedMeasure[] {
  return moved
    .filter((m) => m.direction === 'worse' && (m.verdict === 'real' || m.verdict === 'maybe'))
    .sort((a, b) => SURENESS[a.verdict] - SURENESS[b.verdict])
    .slice(0, 2);
}
