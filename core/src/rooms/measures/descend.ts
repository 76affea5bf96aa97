import { type ArrowFactor, factorArrow } from '../../foundation/index.ts';
import type { NormalEquations } from './normalEquations.ts';

export const MAX_ITERATIONS = 40;
/** A gain this small, relative to the cost, moves every unknown by a few hundredths of its sd. */
const COST_TOLERANCE = 2e-5;
/** The last step is taken on trust where it promises at most this much: what is left after it is far less. */
const TRUSTED_TOLERANCE = 1e-3;
/** Damping that no covariance would notice. */
const UNDAMPED = 1e-5;

export interface Descent {
  readonly x: Float64Array;
  /** Gathered at `x`, or at a point so near that nothing is gained by gathering again. */
  readonly equations: NormalEquations;
  /** Of the system without noticeable damping, where the descent left one behind. */
  readonly factor?: ArrowFactor;
  readonly iterations: number;
  readonly stopped: 'converged' | 'too_many_iterations' | 'no_descent';
}

/** Levenberg-Marquardt on the arrow system: from `start` to a minimum of what `gather` adds up, in at most `most` iterations. */
export function descend(
  start: Float64Array,
  gather: (x: Float64Array) => NormalEquations,
  most = MAX_ITERATIONS,
): Descent {
  let x = start;
  let equations = gather(x);
  let damping = 1e-4;
  for (let iteration = 1; iteration <= most; iteration++) {
    const factor = factorArrow(equations.system, damping);
    if (!factor) {
      damping = Math.max(damping * 10, 1e-4);
      continue;
    }
    const step = factor.solve(equations.gradient);
    const next = x.map((value, i) => value - (step[i] as number));
    const promised = step.reduce((sum, s, i) => sum + s * (equations.gradient[i] as number), 0);
    // The last step: it is taken on trust, and its factor serves for the covariance.
    if (damping <= UNDAMPED && promised < TRUSTED_TOLERANCE * (1 + equations.cost))
      return { x: next, equations, factor, iterations: iteration, stopped: 'converged' };
    const tried = gather(next);
    if (tried.cost < equations.cost) {
      const gain = equations.cost - tried.cost;
      x = next;
      equations = tried;
      damping /= 10;
      if (gain < COST_TOLERANCE * (1 + equations.cost))
        return { x, equations, iterations: iteration, stopped: 'converged' };
    } else {
      // A refused step so small that nothing can be gained is convergence, not failure.
      if (tried.cost - equations.cost < COST_TOLERANCE)
        return { x, equations, iterations: iteration, stopped: 'converged' };
      damping *= 8;
      if (damping > 1e8) return { x, equations, iterations: iteration, stopped: 'no_descent' };
    }
  }
  return { x, equations, iterations: most, stopped: 'too_many_iterations' };
}
