/** Square matrices that are definite, row by row, and what their lower triangle solves. */

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

/** Index of the first entry that is not zero, or `to`. */
export function firstHeld(x: Float64Array, from: number, to: number): number {
  let i = from;
  while (i < to && x[i] === 0) i++;
  return i;
}

/** Solves L x = b; `x` holds b and then the answer. */
export function forwardInPlace(lower: Float64Array, size: number, x: Float64Array): void {
  // Zeros at the head stay zeros.
  const first = firstHeld(x, 0, size);
  for (let i = first; i < size; i++) {
    let sum = x[i] as number;
    for (let k = first; k < i; k++) sum -= (lower[i * size + k] as number) * (x[k] as number);
    x[i] = sum / (lower[i * size + i] as number);
  }
}

/** Solves L' x = b; `x` holds b and then the answer. Row by row, as the triangle lies in memory. */
export function backwardInPlace(lower: Float64Array, size: number, x: Float64Array): void {
  for (let i = size - 1; i >= 0; i--) {
    const at = (x[i] as number) / (lower[i * size + i] as number);
    x[i] = at;
    for (let k = 0; k < i; k++) x[k] = (x[k] as number) - (lower[i * size + k] as number) * at;
  }
}
