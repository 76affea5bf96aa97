/** What a coach does while he talks over two clips: each move with its moment, ms since the talk began. */
export type SpokenMove = { readonly at: number } & (
  | {
      /** The picture stands at these moments of the clips, in seconds. */
      readonly do: 'stand';
      readonly now: number;
      readonly before: number | null;
    }
  | { readonly do: 'mode'; readonly mode: 'beside' | 'over' }
  /** A point of a line that is drawn by hand, in the newer picture's pixels; the first one of a stroke begins it. */
  | { readonly do: 'draw'; readonly stroke: number; readonly u: number; readonly v: number }
  | { readonly do: 'wipe' }
);

/** What stands on the screen at a moment of the talk. */
export interface SpokenScene {
  readonly now: number;
  readonly before: number | null;
  readonly mode: 'beside' | 'over';
  readonly strokes: readonly (readonly (readonly [u: number, v: number])[])[];
}

/** Steps and points nearer than this say nothing that an eye could follow. */
const NEAREST_MS = 40;

const EMPTY: SpokenScene = { now: 0, before: null, mode: 'beside', strokes: [] };

/**
 * Moves with one more. Of steps that follow each other faster than the eye the last one stays, so that a hand that
 * scrubs makes no long document; points of a stroke are thinned the same way, but for its first.
 */
export function withMove(moves: readonly SpokenMove[], move: SpokenMove): SpokenMove[] {
  const last = moves.at(-1);
  const soon = last !== undefined && move.at - last.at < NEAREST_MS;
  if (soon && last.do === 'stand' && move.do === 'stand')
    return [...moves.slice(0, -1), { ...move, at: last.at }];
  const drawn = last?.do === 'draw' && move.do === 'draw' && last.stroke === move.stroke;
  return soon && drawn ? [...moves] : [...moves, rounded(move)];
}

/** Whole pixels and milliseconds: finer is not seen, and costs. */
function rounded(move: SpokenMove): SpokenMove {
  const at = Math.round(move.at);
  if (move.do === 'draw') return { ...move, at, u: Math.round(move.u), v: Math.round(move.v) };
  if (move.do !== 'stand') return { ...move, at };
  const fine = (seconds: number) => Math.round(1000 * seconds) / 1000;
  return { ...move, at, now: fine(move.now), before: move.before === null ? null : fine(move.before) };
}

/** The scene at a moment, from every move until before: wherever a listener jumps, it is what the coach saw. */
export function sceneAt(moves: readonly SpokenMove[], ms: number): SpokenScene {
  let scene: SpokenScene = EMPTY;
  let strokes = new Map<number, [u: number, v: number][]>();
  for (const move of moves) {
    if (move.at > ms) break;
    if (move.do === 'stand') scene = { ...scene, now: move.now, before: move.before };
    else if (move.do === 'mode') scene = { ...scene, mode: move.mode };
    else if (move.do === 'wipe') strokes = new Map();
    else {
      const stroke = strokes.get(move.stroke) ?? [];
      stroke.push([move.u, move.v]);
      strokes.set(move.stroke, stroke);
    }
  }
  return { ...scene, strokes: [...strokes.values()] };
}

/** When its first picture stood: a listener who has not begun sees that one. */
export const opensAtMs = (moves: readonly SpokenMove[]): number =>
  moves.find(({ do: what }) => what === 'stand')?.at ?? 0;

/** Where a voice strip has its ticks: the beginning of each stroke, and the steps after a rest. */
const REST_MS = 700;
export function ticksOf(moves: readonly SpokenMove[]): number[] {
  const ticks: number[] = [];
  const begun = new Set<number>();
  let lastStep = Number.NEGATIVE_INFINITY;
  for (const move of moves) {
    if (move.do === 'draw') {
      if (!begun.has(move.stroke)) ticks.push(move.at);
      begun.add(move.stroke);
    } else if (move.do === 'stand') {
      if (move.at - lastStep > REST_MS) ticks.push(move.at);
      lastStep = move.at;
    } else ticks.push(move.at);
  }
  return ticks;
}

/** The tick that a finger meant, if one is so near; else the moment where it is. */
export function tickNear(ticks: readonly number[], ms: number, withinMs: number): number {
  const nearest = ticks.reduce(
    (best, tick) => (Math.abs(tick - ms) < Math.abs(best - ms) ? tick : best),
    -withinMs - 1,
  );
  return Math.abs(nearest - ms) <= withinMs ? nearest : ms;
}

/** The next tick after a moment, or the one before it; null where there is none. A little after a tick is still at it. */
const AT_IT_MS = 250;
export const tickBeside = (ticks: readonly number[], ms: number, side: 'before' | 'after'): number | null =>
  (side === 'after' ? ticks.find((tick) => tick > ms + 1) : ticks.findLast((tick) => tick < ms - AT_IT_MS)) ??
  null;
