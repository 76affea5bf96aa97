/**
 * Exact sums over binary variables by variable elimination, with all single-variable marginals
 * from one backward pass (the derivative of the sum with respect to each variable's own factor).
 * Factors may hold negative entries; only the total must be positive.
 */
export interface Factor {
  readonly variables: readonly number[];
  /** 2^n values; variable k of the scope is bit k of the index. */
  readonly table: Float64Array;
}

interface Bucket {
  readonly variable: number;
  readonly scope: readonly number[];
  readonly factors: Factor[];
  message: Factor;
}

export interface Marginals {
  /** P(variable = 1), by variable. */
  readonly one: Float64Array;
  readonly total: number;
}

export function marginals(variableCount: number, factors: readonly Factor[]): Marginals {
  const probes = Array.from(
    { length: variableCount },
    (_, v): Factor => ({
      variables: [v],
      table: Float64Array.of(1, 1),
    }),
  );
  const { buckets, constant } = eliminateAll(variableCount, [...factors, ...probes]);
  const slopes = backward(buckets, constant);
  const one = new Float64Array(variableCount);
  probes.forEach((probe, v) => {
    const [zero, up] = slopes.get(probe) as Float64Array;
    one[v] = Math.min(1, Math.max(0, (up as number) / ((zero as number) + (up as number))));
  });
  return { one, total: constant };
}

function eliminateAll(count: number, factors: readonly Factor[]) {
  let pool = [...factors];
  const buckets: Bucket[] = [];
  let constant = 1;
  const left = new Set(Array.from({ length: count }, (_, i) => i));
  const neighbours = interactions(count, factors);
  while (left.size > 0) {
    const variable = smallestNext(left, neighbours);
    left.delete(variable);
    const mine = pool.filter((factor) => factor.variables.includes(variable));
    pool = pool.filter((factor) => !factor.variables.includes(variable));
    const scope = [...(neighbours[variable] as Set<number>)];
    joinNeighbours(variable, scope, neighbours);
    const message = sumOut(variable, scope, mine);
    buckets.push({ variable, scope, factors: mine, message });
    if (scope.length === 0) constant *= message.table[0] as number;
    else pool.push(message);
  }
  return { buckets, constant };
}

function interactions(count: number, factors: readonly Factor[]): Set<number>[] {
  const neighbours = Array.from({ length: count }, () => new Set<number>());
  for (const { variables } of factors) {
    for (const a of variables) for (const b of variables) if (a !== b) neighbours[a]?.add(b);
  }
  return neighbours;
}

/** The variable with the fewest neighbours left: small tables first. */
function smallestNext(left: ReadonlySet<number>, neighbours: readonly Set<number>[]): number {
  let best = -1;
  let bestSize = Number.POSITIVE_INFINITY;
  for (const variable of left) {
    const size = (neighbours[variable] as Set<number>).size;
    if (size < bestSize) [best, bestSize] = [variable, size];
  }
  return best;
}

function joinNeighbours(variable: number, scope: readonly number[], neighbours: Set<number>[]): void {
  for (const a of scope) {
    const set = neighbours[a] as Set<number>;
    set.delete(variable);
    for (const b of scope) if (a !== b) set.add(b);
  }
}

/** For each joint index (scope bits, then the variable's own bit) the factor's own index. */
function indexMap(factor: Factor, order: readonly number[]): Uint32Array {
  const map = new Uint32Array(1 << order.length);
  const bit = order.map((variable) => {
    const k = factor.variables.indexOf(variable);
    return k < 0 ? 0 : 1 << k;
  });
  for (let index = 1; index < map.length; index++) {
    const low = index & -index;
    map[index] = (map[index ^ low] as number) | (bit[31 - Math.clz32(low)] as number);
  }
  return map;
}

function sumOut(variable: number, scope: readonly number[], factors: readonly Factor[]): Factor {
  const order = [...scope, variable];
  const joint = new Float64Array(1 << order.length).fill(1);
  for (const factor of factors) {
    const map = indexMap(factor, order);
    for (let i = 0; i < joint.length; i++) {
      joint[i] = (joint[i] as number) * (factor.table[map[i] as number] as number);
    }
  }
  const half = 1 << scope.length;
  const table = new Float64Array(half);
  for (let i = 0; i < half; i++) table[i] = (joint[i] as number) + (joint[i + half] as number);
  return { variables: scope, table };
}

/** Derivative of the total with respect to every factor's entries, latest bucket first. */
function backward(buckets: readonly Bucket[], total: number): Map<Factor, Float64Array> {
  const slopes = new Map<Factor, Float64Array>();
  for (let k = buckets.length - 1; k >= 0; k--) {
    const { variable, scope, factors, message } = buckets[k] as Bucket;
    // Parts of the graph that don't touch multiply the total, so the slope is the others' product.
    const above =
      scope.length === 0
        ? Float64Array.of(total / (message.table[0] as number))
        : (slopes.get(message) as Float64Array);
    const order = [...scope, variable];
    const half = 1 << scope.length;
    const maps = factors.map((factor) => indexMap(factor, order));
    const mine = factors.map((factor) => new Float64Array(factor.table.length));
    const suffix = new Float64Array(factors.length + 1);
    for (let i = 0; i < half * 2; i++) {
      suffix[factors.length] = 1;
      for (let f = factors.length - 1; f >= 0; f--) {
        const value = (factors[f] as Factor).table[(maps[f] as Uint32Array)[i] as number] as number;
        suffix[f] = (suffix[f + 1] as number) * value;
      }
      let prefix = above[i & (half - 1)] as number;
      for (let f = 0; f < factors.length; f++) {
        const at = (maps[f] as Uint32Array)[i] as number;
        const out = mine[f] as Float64Array;
        out[at] = (out[at] as number) + prefix * (suffix[f + 1] as number);
        prefix *= (factors[f] as Factor).table[at] as number;
      }
    }
    factors.forEach((factor, f) => {
      slopes.set(factor, mine[f] as Float64Array);
    });
  }
  return slopes;
}
