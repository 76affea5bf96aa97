import { type ArrowSystem, emptyArrow } from '../../foundation/index.ts';

/**
 * Gathers weighted residuals into an arrow-shaped normal system. A residual names the unknowns
 * it touches by global index: shared ones first, then one block per station. Of the symmetric
 * parts only the lower triangle is kept, which is all that the factor reads.
 */
export class NormalEquations {
  readonly system: ArrowSystem;
  readonly gradient: Float64Array;
  cost = 0;

  private readonly sharedSize: number;
  private readonly blockSize: number;

  /** `base` holds entries that never change, such as those of linear residuals. */
  constructor(sharedSize: number, blockSize: number, blocks: number, base?: ArrowSystem) {
    this.sharedSize = sharedSize;
    this.blockSize = blockSize;
    this.system = base ? copied(base) : emptyArrow(sharedSize, blockSize, blocks);
    this.gradient = new Float64Array(sharedSize + blockSize * blocks);
  }

  /**
   * Adds weight * residual^2 / 2. `residual` is already divided by its sd, as are the slopes.
   * All touched unknowns outside the shared part must lie in one block.
   */
  add(indices: readonly number[], slopes: ArrayLike<number>, residual: number, weight = 1): void {
    this.pull(indices, slopes, residual, weight);
    for (let i = 0; i < indices.length; i++) {
      const slope = weight * (slopes[i] as number);
      if (slope === 0) continue;
      for (let j = 0; j < indices.length; j++) {
        this.addEntry(indices[i] as number, indices[j] as number, slope * (slopes[j] as number));
      }
    }
  }

  /** The two residuals of one picture point, which touch the same unknowns with the same weight. */
  addPair(
    indices: readonly number[],
    slopesU: ArrayLike<number>,
    du: number,
    slopesV: ArrayLike<number>,
    dv: number,
    weight: number,
  ): void {
    this.pull(indices, slopesU, du, weight);
    this.pull(indices, slopesV, dv, weight);
    for (let i = 0; i < indices.length; i++) {
      const u = weight * (slopesU[i] as number);
      const v = weight * (slopesV[i] as number);
      const row = indices[i] as number;
      for (let j = 0; j < indices.length; j++) {
        const column = indices[j] as number;
        if (column > row) continue;
        this.addEntry(row, column, u * (slopesU[j] as number) + v * (slopesV[j] as number));
      }
    }
  }

  /** Cost and gradient alone, for a residual whose entries are in the base. */
  pull(indices: readonly number[], slopes: ArrayLike<number>, residual: number, weight = 1): void {
    this.cost += 0.5 * weight * residual * residual;
    const force = weight * residual;
    for (let i = 0; i < indices.length; i++) {
      const at = indices[i] as number;
      this.gradient[at] = (this.gradient[at] as number) + force * (slopes[i] as number);
    }
  }

  private addEntry(row: number, column: number, value: number): void {
    if (column > row) return;
    const { sharedSize: s, blockSize: b, system } = this;
    if (row < s) {
      const at = row * s + column;
      system.shared[at] = (system.shared[at] as number) + value;
      return;
    }
    const block = ((row - s) / b) | 0;
    const start = s + block * b;
    if (column < s) {
      const border = system.borders[block] as Float64Array;
      const at = (row - start) * s + column;
      border[at] = (border[at] as number) + value;
    } else {
      const diagonal = system.diagonals[block] as Float64Array;
      const at = (row - start) * b + (column - start);
      diagonal[at] = (diagonal[at] as number) + value;
    }
  }
}

const copied = ({ sharedSize, blockSize, shared, diagonals, borders }: ArrowSystem): ArrowSystem => ({
  sharedSize,
  blockSize,
  shared: shared.slice(),
  diagonals: diagonals.map((d) => d.slice()),
  borders: borders.map((b) => b.slice()),
});
