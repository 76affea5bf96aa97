import type { Stage } from '../practice/index.ts';

export interface MovedMeasure {
  readonly id: string;
  readonly unit: string;
  readonly before: number;
  readonly after: number;
  readonly verdict: 'real' | 'maybe' | 'none' | 'cant_tell';
  readonly direction: 'better' | 'worse' | 'level';
}

/** Facts from which a reply is drafted, in the order in which it is written. */
export interface ReplyFacts {
  readonly pain: boolean;
  /** What got better, surest first. */
  readonly better: readonly MovedMeasure[];
  readonly practised: {
    readonly repsDone: number;
    readonly repsPlanned: number;
    readonly passRate: number | null;
  };
  /** The one key piece now: a drill at a stage. */
  readonly key: { readonly drill: string; readonly stage: Stage; readonly speedPct: number } | null;
  readonly gate: 'advance' | 'hold' | 'continue' | 'back' | null;
  /** Faults that are to be left alone for now. */
  readonly leave: readonly string[];
  readonly sendNext: {
    readonly view: 'face_on' | 'down_the_line';
    readonly swings: number;
    readonly by: string;
  } | null;
}

const SURENESS: Record<MovedMeasure['verdict'], number> = { real: 0, maybe: 1, cant_tell: 2, none: 3 };

/** Only changes toward the band that may be believed, at most three. */
export function betterFirst(moved: readonly MovedMeasure[]): MovedMeasure[] {
  return moved
    .filter((m) => m.direction === 'better' && (m.verdict === 'real' || m.verdict === 'maybe'))
    .sort((a, b) => SURENESS[a.verdict] - SURENESS[b.verdict])
    .slice(0, 3);
}
