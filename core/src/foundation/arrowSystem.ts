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
  const shared = Float64Array.from(system.shared);
  damp(shared, s, damping);
  const lowers: Float64Array[] = [];
  const reduced: Float64Array[] = [];
  for (let k = 0; k < system.diagonals.length; k++) {
    const lower = Float64Array.from(system.diagonals[k] as Float64Array);
    damp(lower, b, damping);
    if (!choleskyInPlace(lower, b)) return null;
    // W = L^-1 B; then S -= W' W. Rows of B that are all zero cost nothing.
    const w = Float64Array.from(system.borders[k] as Float64Array);
    forwardRows(lower, b, w, s);
    subtractGram(shared, w, b, s);
    lowers.push(lower);
    reduced.push(w);
  }
  if (!choleskyInPlace(shared, s)) return null;
  return { solve: (g) => solveArrow(shared, lowers, reduced, s, b, g) };
}

function damp(matrix: Float64Array, size: number, damping: number): void {
  for (let i = 0; i < size; i++) {
    const at = i * size + i;
    matrix[at] = (matrix[at] as number) * (1 + damping);
  }
}

/** Lower Cholesky factor in place (upper triangle left as it was). False if not definite. */
export function choleskyInPlace(m: Float64Array, size: number): boolean {
  for (let i = 0; i < size; i++) {
    const rowI = i * size;
    for (let j = 0; j <= i; j++) {
      const rowJ = j * size;
      let sum = m[rowI + j] as number;
      for (let k = 0; k < j; k++) sum -= (m[rowI + k] as number) * (m[rowJ + k] as number);
      if (i === j) {
        if (!(sum > 0)) return false;
        m[rowI + i] = Math.sqrt(sum);
      } else {
        m[rowI + j] = sum / (m[rowJ + j] as number);
      }
    }
  }
  return true;
}

/** Overwrites `rows` (size x width) with L^-1 rows. */
function forwardRows(lower: Float64Array, size: number, rows: Float64Array, width: number): void {
  for (let i = 0; i < size; i++) {
    const at = i * width;
    for (let k = 0; k < i; k++) {
      const factor = lower[i * size + k] as number;
      if (factor === 0) continue;
      const from = k * width;
      for (let c = 0; c < width; c++) {
        rows[at + c] = (rows[at + c] as number) - factor * (rows[from + c] as number);
      }
    }
    const inverse = 1 / (lower[i * size + i] as number);
    for (let c = 0; c < width; c++) rows[at + c] = (rows[at + c] as number) * inverse;
  }
}

/** shared -= w' w, lower triangle only. */
function subtractGram(shared: Float64Array, w: Float64Array, size: number, width: number): void {
  for (let r = 0; r < size; r++) {
    const at = r * width;
    for (let i = 0; i < width; i++) {
      const wi = w[at + i] as number;
      if (wi === 0) continue;
      const row = i * width;
      for (let j = 0; j <= i; j++) {
        shared[row + j] = (shared[row + j] as number) - wi * (w[at + j] as number);
      }
    }
  }
}

function solveArrow(
  shared: Float64Array,
  lowers: readonly Float64Array[],
  reduced: readonly Float64Array[],
  s: number,
  b: number,
  g: Float64Array,
): Float64Array {
  const x = Float64Array.from(g);
  const top = x.subarray(0, s);
  lowers.forEach((lower, k) => {
    const part = x.subarray(s + k * b, s + (k + 1) * b);
    forward(lower, b, part);
    const w = reduced[k] as Float64Array;
    for (let r = 0; r < b; r++) {
      const value = part[r] as number;
      if (value === 0) continue;
      for (let c = 0; c < s; c++) top[c] = (top[c] as number) - (w[r * s + c] as number) * value;
    }
  });
  forward(shared, s, top);
  backward(shared, s, top);
  lowers.forEach((lower, k) => {
    const part = x.subarray(s + k * b, s + (k + 1) * b);
    const w = reduced[k] as Float64Array;
    for (let r = 0; r < b; r++) {
      let sum = part[r] as number;
      for (let c = 0; c < s; c++) sum -= (w[r * s + c] as number) * (top[c] as number);
      part[r] = sum;
    }
    backward(lower, b, part);
  });
  return x;
}

function forward(lower: Float64Array, size: number, x: Float64Array): void {
  for (let i = 0; i < size; i++) {
    let sum = x[i] as number;
    for (let k = 0; k < i; k++) sum -= (lower[i * size + k] as number) * (x[k] as number);
    x[i] = sum / (lower[i * size + i] as number);
  }
}

function backward(lower: Float64Array, size: number, x: Float64Array): void {
  for (let i = size - 1; i >= 0; i--) {
    let sum = x[i] as number;
    for (let k = i + 1; k < size; k++) sum -= (lower[k * size + i] as number) * (x[k] as number);
    x[i] = sum / (lower[i * size + i] as number);
  }
}
