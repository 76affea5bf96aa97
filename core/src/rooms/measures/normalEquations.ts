import { type ArrowSystem, emptyArrow } from '../../foundation/index.ts';

/**
 * Gathers weighted residuals into an arrow-shaped normal system. A residual names the unknowns
 * it touches by global index: shared ones first, then one block per station.
 */
export class NormalEquations {
  readonly system: ArrowSystem;
  readonly gradient: Float64Array;
  cost = 0;

  private readonly sharedSize: number;
  private readonly blockSize: number;

  constructor(sharedSize: number, blockSize: number, blocks: number) {
    this.sharedSize = sharedSize;
    this.blockSize = blockSize;
    this.system = emptyArrow(sharedSize, blockSize, blocks);
    this.gradient = new Float64Array(sharedSize + blockSize * blocks);
  }

  /**
   * Adds weight * residual^2 / 2. `residual` is already divided by its sd, as are the slopes.
   * All touched unknowns outside the shared part must lie in one block.
   */
  add(indices: readonly number[], slopes: readonly number[], residual: number, weight = 1): void {
    this.cost += 0.5 * weight * residual * residual;
    for (let i = 0; i < indices.length; i++) {
      const at = indices[i] as number;
      const slope = weight * (slopes[i] as number);
      if (slope === 0) continue;
      this.gradient[at] = (this.gradient[at] as number) + slope * residual;
      for (let j = 0; j < indices.length; j++) {
        this.addEntry(at, indices[j] as number, slope * (slopes[j] as number));
      }
    }
  }

  private addEntry(row: number, column: number, value: number): void {
    const { sharedSize: s, blockSize: b, system } = this;
    if (row < s && column < s) {
      const at = row * s + column;
      system.shared[at] = (system.shared[at] as number) + value;
    } else if (row >= s) {
      const block = Math.floor((row - s) / b);
      const local = row - s - block * b;
      if (column >= s) {
        const diagonal = system.diagonals[block] as Float64Array;
        const at = local * b + (column - s - block * b);
        diagonal[at] = (diagonal[at] as number) + value;
      } else {
        const border = system.borders[block] as Float64Array;
        const at = local * s + column;
        border[at] = (border[at] as number) + value;
      }
    }
  }
}
