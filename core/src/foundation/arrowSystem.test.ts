import { describe, expect, test } from '@jest/globals';
import { Matrix, solve } from 'ml-matrix';
import { type ArrowSystem, emptyArrow, factorArrow } from './arrowSystem.ts';
import { gaussian, seededRandom } from './random.ts';

/** A random system built as J'J + I, so that it is definite, and the same matrix dense. */
function randomArrow(sharedSize: number, blockSize: number, blocks: number, seed: number) {
  const random = seededRandom(seed);
  const system = emptyArrow(sharedSize, blockSize, blocks);
  const size = sharedSize + blocks * blockSize;
  const dense = Matrix.eye(size, size);
  for (let k = 0; k < blocks; k++) {
    for (let row = 0; row < 2 * blockSize; row++) {
      const touched = [
        ...Array.from({ length: sharedSize }, (_, i) => i),
        ...Array.from({ length: blockSize }, (_, i) => sharedSize + k * blockSize + i),
      ];
      const slopes = touched.map(() => gaussian(random));
      touched.forEach((a, i) => {
        touched.forEach((b, j) => {
          dense.set(a, b, dense.get(a, b) + (slopes[i] as number) * (slopes[j] as number));
        });
      });
    }
  }
  fill(system, dense);
  return { system, dense };
}

function fill(system: ArrowSystem, dense: Matrix): void {
  const { sharedSize: s, blockSize: b } = system;
  for (let i = 0; i < s; i++) for (let j = 0; j < s; j++) system.shared[i * s + j] = dense.get(i, j);
  system.diagonals.forEach((diagonal, k) => {
    for (let i = 0; i < b; i++) {
      for (let j = 0; j < b; j++) diagonal[i * b + j] = dense.get(s + k * b + i, s + k * b + j);
      for (let j = 0; j < s; j++) {
        (system.borders[k] as Float64Array)[i * s + j] = dense.get(s + k * b + i, j);
      }
    }
  });
}

describe('factorArrow', () => {
  test('solves a small system worked out by hand', () => {
    // | 4 2 | x = | 8 |   has the solution x = (1.25, 1.5): 4*1.25+2*1.5 = 8, 2*1.25+3*1.5 = 7.
    // | 2 3 |     | 7 |
    const system = emptyArrow(1, 1, 1);
    system.shared[0] = 4;
    (system.borders[0] as Float64Array)[0] = 2;
    (system.diagonals[0] as Float64Array)[0] = 3;
    const x = factorArrow(system)?.solve(Float64Array.of(8, 7));
    expect(x?.[0]).toBeCloseTo(1.25, 12);
    expect(x?.[1]).toBeCloseTo(1.5, 12);
  });

  test('a form’s variance is g times the solution, at any block', () => {
    const { system } = randomArrow(5, 3, 4, 9);
    const factor = factorArrow(system);
    if (!factor) throw new Error('not definite');
    for (const touched of [[0], [6], [16], [2, 7, 8], [5, 16]]) {
      const g = new Float64Array(17);
      for (const at of touched) g[at] = 1 + at / 3;
      const solved = factor.solve(g);
      const whole = g.reduce((sum, value, i) => sum + value * (solved[i] as number), 0);
      expect(factor.quadratic(g)).toBeCloseTo(whole, 10);
    }
  });

  test('blocks that touch only part of what is shared are solved as exactly', () => {
    const { system, dense } = randomArrow(6, 3, 3, 21);
    // Cut every tie of block k to the shared unknowns but two.
    system.borders.forEach((border, k) => {
      for (let r = 0; r < 3; r++) {
        for (let c = 0; c < 6; c++) {
          if (c === k || c === 5) continue;
          border[r * 6 + c] = 0;
          dense.set(6 + 3 * k + r, c, 0);
          dense.set(c, 6 + 3 * k + r, 0);
        }
      }
    });
    const g = Array.from({ length: 15 }, (_, i) => Math.sin(i + 1));
    const x = factorArrow(system)?.solve(Float64Array.from(g));
    const wanted = solve(dense, Matrix.columnVector(g)).to1DArray();
    wanted.forEach((value, i) => {
      expect(x?.[i]).toBeCloseTo(value, 8);
    });
  });

  test.each([1, 2, 3, 4])('agrees with a dense solver on random systems (seed %i)', (seed) => {
    const { system, dense } = randomArrow(5, 3, 4, seed);
    const random = seededRandom(seed + 100);
    const g = Array.from({ length: 5 + 12 }, () => gaussian(random));
    const x = factorArrow(system)?.solve(Float64Array.from(g));
    const wanted = solve(dense, Matrix.columnVector(g)).to1DArray();
    wanted.forEach((value, i) => {
      expect(x?.[i]).toBeCloseTo(value, 8);
    });
  });

  test('damping multiplies the diagonal', () => {
    const system = emptyArrow(1, 1, 0);
    system.shared[0] = 2;
    expect(factorArrow(system, 0.5)?.solve(Float64Array.of(3))[0]).toBeCloseTo(1, 12);
  });

  test('refuses a matrix that is not positive definite', () => {
    const system = emptyArrow(1, 1, 1);
    system.shared[0] = 1;
    (system.borders[0] as Float64Array)[0] = 2;
    (system.diagonals[0] as Float64Array)[0] = 1;
    expect(factorArrow(system)).toBeNull();
  });

  test('leaves the system as it was', () => {
    const { system } = randomArrow(3, 2, 2, 9);
    const before = Float64Array.from(system.shared);
    factorArrow(system, 0.1);
    expect(system.shared).toEqual(before);
  });
});
