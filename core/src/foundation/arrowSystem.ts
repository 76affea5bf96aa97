import { backwardInPlace, choleskyInPlace, firstHeld, forwardInPlace } from './triangle.ts';
/**
 * Symmetric positive definite system with one shared block and many blocks that touch only
 * themselves and the shared one ("arrow"): the shape of a body fit, where stations are tied
 * together only through cameras, segment lengths and the address pose.
 *
 *   | S   B1 B2 .. |
 *   | B1' D1       |
 *   | B2'    D2    |
 *
 * Matrices are flat, row-major. B_k is stored as D_k's rows by S's columns.
 */
export interface ArrowSystem {
  readonly sharedSize: number;
  readonly blockSize: number;
  readonly shared: Float64Array;
  readonly diagonals: Float64Array[];
  readonly borders: Float64Array[];
}

export interface ArrowFactor {
  /** Solves H x = g; g and the result are laid out shared first, then each block in order. */
  solve(g: Float64Array): Float64Array;
  /** g' H^-1 g, at the cost of the blocks that g touches. */
  quadratic(g: Float64Array): number;
}

export function emptyArrow(sharedSize: number, blockSize: number, blocks: number): ArrowSystem {
  const make = (length: number) => Array.from({ length: blocks }, () => new Float64Array(length));
  return {
    sharedSize,
    blockSize,
    shared: new Float64Array(sharedSize * sharedSize),
    diagonals: make(blockSize * blockSize),
    borders: make(blockSize * sharedSize),
  };
}

/**
 * Factors by eliminating each block (Schur complement), then the shared block.
 * `damping` multiplies every diagonal entry by 1 + damping (Levenberg-Marquardt).
 * Null when the matrix is not positive definite.
 */
export function factorArrow(system: ArrowSystem, damping = 0): ArrowFactor | null {
  const { sharedSize: s, blockSize: b } = system;
  const shared = system.shared.slice();
  damp(shared, s, damping);
  const blocks: Block[] = [];
  for (let k = 0; k < system.diagonals.length; k++) {
    const lower = (system.diagonals[k] as Float64Array).slice();
    damp(lower, b, damping);
    if (!choleskyInPlace(lower, b)) return null;
    // W = L^-1 B; then S -= W' W. A station touches only part of what is shared, so B is squeezed
    // to its columns that hold anything.
    const border = system.borders[k] as Float64Array;
    const columns = usedColumns(border, b, s);
    const w = squeezed(border, columns, b, s);
    forwardRows(lower, b, w, columns.length);
    subtractGram(shared, w, columns, b, s);
    blocks.push({ lower, columns, w });
  }
  if (!choleskyInPlace(shared, s)) return null;
  return {
    solve: (g) => solveArrow(shared, blocks, s, b, g),
    quadratic: (g) => quadraticForm(shared, blocks, s, b, g),
  };
}

interface Block {
  readonly lower: Float64Array;
  /** Shared unknowns that this block touches. */
  readonly columns: Uint32Array;
  /** L^-1 B over those columns. */
  readonly w: Float64Array;
}

function usedColumns(border: Float64Array, rows: number, width: number): Uint32Array {
  const used = new Uint8Array(width);
  for (let r = 0; r < rows; r++) {
    const at = r * width;
    for (let c = 0; c < width; c++) if (border[at + c] !== 0) used[c] = 1;
  }
  const columns = new Uint32Array(width);
  let count = 0;
  for (let c = 0; c < width; c++) if (used[c] === 1) columns[count++] = c;
  return columns.subarray(0, count);
}

/** Rows that the innermost product takes at a time. */
const ROWS_AT_ONCE = 4;

/** The columns of a border that hold anything, with rows of zeros behind to a multiple of four. */
function squeezed(border: Float64Array, columns: Uint32Array, rows: number, width: number): Float64Array {
  const count = columns.length;
  const narrow = new Float64Array(Math.ceil(rows / ROWS_AT_ONCE) * ROWS_AT_ONCE * count);
  for (let r = 0; r < rows; r++) {
    const from = r * width;
    const to = r * count;
    for (let c = 0; c < count; c++) narrow[to + c] = border[from + (columns[c] as number)] as number;
  }
  return narrow;
}

function damp(matrix: Float64Array, size: number, damping: number): void {
  for (let i = 0; i < size; i++) {
    const at = i * size + i;
    matrix[at] = (matrix[at] as number) * (1 + damping);
  }
}

/** Overwrites `rows` (size x width) with L^-1 rows. Two rows are taken off at a time: half the traffic. */
function forwardRows(lower: Float64Array, size: number, rows: Float64Array, width: number): void {
  const held = new Uint32Array(size);
  for (let i = 0; i < size; i++) {
    const at = i * width;
    let count = 0;
    for (let k = 0; k < i; k++) if (lower[i * size + k] !== 0) held[count++] = k;
    let h = 0;
    for (; h + 1 < count; h += 2) {
      const [k, l] = [held[h] as number, held[h + 1] as number];
      const [f, g] = [lower[i * size + k] as number, lower[i * size + l] as number];
      const [from, also] = [k * width, l * width];
      for (let c = 0; c < width; c++) {
        rows[at + c] =
          (rows[at + c] as number) - f * (rows[from + c] as number) - g * (rows[also + c] as number);
      }
    }
    if (h < count) {
      const k = held[h] as number;
      const f = lower[i * size + k] as number;
      for (let c = 0; c < width; c++)
        rows[at + c] = (rows[at + c] as number) - f * (rows[k * width + c] as number);
    }
    const inverse = 1 / (lower[i * size + i] as number);
    for (let c = 0; c < width; c++) rows[at + c] = (rows[at + c] as number) * inverse;
  }
}

/** shared -= w' w in the columns w stands for, lower triangle only (columns are in order). */
function subtractGram(
  shared: Float64Array,
  w: Float64Array,
  columns: Uint32Array,
  size: number,
  sharedSize: number,
): void {
  const width = columns.length;
  const gram = new Float64Array(width * width);
  // Four rows of w at a time, so that each entry is read and written a quarter as often.
  for (let r = 0; r < size; r += ROWS_AT_ONCE) {
    const w0 = r * width;
    const [w1, w2, w3] = [w0 + width, w0 + 2 * width, w0 + 3 * width];
    for (let a = 0; a < width; a++) {
      const p = w[w0 + a] as number;
      const q = w[w1 + a] as number;
      const t = w[w2 + a] as number;
      const u = w[w3 + a] as number;
      if (p === 0 && q === 0 && t === 0 && u === 0) continue;
      const row = a * width;
      for (let b = 0; b <= a; b++) {
        gram[row + b] =
          (gram[row + b] as number) +
          p * (w[w0 + b] as number) +
          q * (w[w1 + b] as number) +
          t * (w[w2 + b] as number) +
          u * (w[w3 + b] as number);
      }
    }
  }
  for (let a = 0; a < width; a++) {
    const row = (columns[a] as number) * sharedSize;
    for (let b = 0; b <= a; b++) {
      const at = row + (columns[b] as number);
      shared[at] = (shared[at] as number) - (gram[a * width + b] as number);
    }
  }
}

function solveArrow(
  shared: Float64Array,
  blocks: readonly Block[],
  s: number,
  b: number,
  g: Float64Array,
): Float64Array {
  const x = Float64Array.from(g);
  const top = x.subarray(0, s);
  const partOf = (k: number) => x.subarray(s + k * b, s + (k + 1) * b);
  blocks.forEach((block, k) => {
    takeDown(block, partOf(k), top, b);
  });
  forwardInPlace(shared, s, top);
  backwardInPlace(shared, s, top);
  blocks.forEach(({ lower, columns, w }, k) => {
    const part = partOf(k);
    const width = columns.length;
    for (let r = 0; r < b; r++) {
      let sum = part[r] as number;
      for (let c = 0; c < width; c++)
        sum -= (w[r * width + c] as number) * (top[columns[c] as number] as number);
      part[r] = sum;
    }
    backwardInPlace(lower, b, part);
  });
  return x;
}

/** Forward step of one block: solves its own part and takes its share off the shared part. */
function takeDown({ lower, columns, w }: Block, part: Float64Array, top: Float64Array, b: number): void {
  forwardInPlace(lower, b, part);
  const width = columns.length;
  for (let r = 0; r < b; r++) {
    const value = part[r] as number;
    if (value === 0) continue;
    for (let c = 0; c < width; c++) {
      const at = columns[c] as number;
      top[at] = (top[at] as number) - (w[r * width + c] as number) * value;
    }
  }
}

/** |L^-1 g|^2: the forward half of a solve, over the blocks in which g is not zero. */
function quadraticForm(
  shared: Float64Array,
  blocks: readonly Block[],
  s: number,
  b: number,
  g: Float64Array,
): number {
  const top = g.slice(0, s);
  let sum = 0;
  blocks.forEach((block, k) => {
    const from = s + k * b;
    if (firstHeld(g, from, from + b) === from + b) return;
    const part = g.slice(from, from + b);
    takeDown(block, part, top, b);
    for (let i = 0; i < b; i++) sum += (part[i] as number) ** 2;
  });
  forwardInPlace(shared, s, top);
  for (let i = 0; i < s; i++) sum += (top[i] as number) ** 2;
  return sum;
}
