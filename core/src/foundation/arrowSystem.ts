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
  const shared = Float64Array.from(system.shared);
  damp(shared, s, damping);
  const blocks: Block[] = [];
  for (let k = 0; k < system.diagonals.length; k++) {
    const lower = Float64Array.from(system.diagonals[k] as Float64Array);
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
  return Uint32Array.from(used.keys()).filter((c) => used[c] === 1);
}

function squeezed(border: Float64Array, columns: Uint32Array, rows: number, width: number): Float64Array {
  const narrow = new Float64Array(rows * columns.length);
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns.length; c++) {
      narrow[r * columns.length + c] = border[r * width + (columns[c] as number)] as number;
    }
  }
  return narrow;
}

function damp(matrix: Float64Array, size: number, damping: number): void {
  for (let i = 0; i < size; i++) {
    const at = i * size + i;
    matrix[at] = (matrix[at] as number) * (1 + damping);
  }
}

/** Lower Cholesky factor in place (upper triangle left as it was). False if not definite. */
export function choleskyInPlace(m: Float64Array, size: number): boolean {
  const below = new Uint32Array(size);
  for (let j = 0; j < size; j++) {
    const pivot = m[j * size + j] as number;
    if (!(pivot > 0)) return false;
    const root = Math.sqrt(pivot);
    m[j * size + j] = root;
    let count = 0;
    for (let i = j + 1; i < size; i++) {
      const at = i * size + j;
      if (m[at] === 0) continue;
      m[at] = (m[at] as number) / root;
      below[count++] = i;
    }
    // Only rows that reach this column change: where unknowns meet few others, that is few.
    for (let a = 0; a < count; a++) {
      const row = (below[a] as number) * size;
      const factor = m[row + j] as number;
      for (let c = 0; c <= a; c++) {
        const other = below[c] as number;
        m[row + other] = (m[row + other] as number) - factor * (m[other * size + j] as number);
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

/** shared -= w' w in the columns w stands for, lower triangle only (columns are in order). */
function subtractGram(
  shared: Float64Array,
  w: Float64Array,
  columns: Uint32Array,
  size: number,
  sharedSize: number,
): void {
  const width = columns.length;
  const held = new Uint32Array(width);
  for (let r = 0; r < size; r++) {
    const from = r * width;
    let count = 0;
    for (let c = 0; c < width; c++) if (w[from + c] !== 0) held[count++] = c;
    for (let a = 0; a < count; a++) {
      const i = held[a] as number;
      const value = w[from + i] as number;
      const row = (columns[i] as number) * sharedSize;
      for (let b = 0; b <= a; b++) {
        const other = held[b] as number;
        const at = row + (columns[other] as number);
        shared[at] = (shared[at] as number) - value * (w[from + other] as number);
      }
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
  forward(shared, s, top);
  backward(shared, s, top);
  blocks.forEach(({ lower, columns, w }, k) => {
    const part = partOf(k);
    const width = columns.length;
    for (let r = 0; r < b; r++) {
      let sum = part[r] as number;
      for (let c = 0; c < width; c++)
        sum -= (w[r * width + c] as number) * (top[columns[c] as number] as number);
      part[r] = sum;
    }
    backward(lower, b, part);
  });
  return x;
}

/** Forward step of one block: solves its own part and takes its share off the shared part. */
function takeDown({ lower, columns, w }: Block, part: Float64Array, top: Float64Array, b: number): void {
  forward(lower, b, part);
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
    const part = g.slice(s + k * b, s + (k + 1) * b);
    if (part.every((value) => value === 0)) return;
    takeDown(block, part, top, b);
    for (const value of part) sum += value * value;
  });
  forward(shared, s, top);
  for (const value of top) sum += value * value;
  return sum;
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
