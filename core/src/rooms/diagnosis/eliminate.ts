/**
 * The order in which a graph of binary variables is summed out, and where every table meets which: worked
 * out once for a graph's shape, so that the same graph can be summed many times with other numbers (`Sums`).
 */
export interface Factor {
  readonly variables: readonly number[];
  /** 2^n values; variable k of the scope is bit k of the index. */
  readonly table: Float64Array;
}

export interface Bucket {
  /** Size of the joint table over the scope and the variable itself (its bit is the highest). */
  readonly joint: number;
  /** Which tables meet here (given factors first, then messages), with index maps. */
  readonly inputs: readonly { readonly table: number; readonly map: Uint32Array }[];
  /** The table that the message is, if it is no constant (-1), and the bucket in which that table is used up. */
  readonly message: number;
  readonly next: number;
  readonly variable: number;
}

export interface Plan {
  readonly variableCount: number;
  readonly factorCount: number;
  readonly buckets: readonly Bucket[];
  /** Length of every table: factors, then messages. */
  readonly sizes: readonly number[];
  /** The bucket that makes each table (-1: it is given), and the one in which it is used up. */
  readonly madeIn: readonly number[];
  readonly usedIn: readonly number[];
  /** The bucket that sums each variable out. */
  readonly bucketOf: readonly number[];
}

/** Works out the order (fewest neighbours first) and where every table meets which. */
export function planSums(variableCount: number, scopes: readonly (readonly number[])[]): Plan {
  const neighbours = interactions(variableCount, scopes);
  const holders = Array.from({ length: variableCount }, () => new Set<number>());
  const tables: (readonly number[])[] = [...scopes];
  tables.forEach((scope, t) => {
    for (const variable of scope) holders[variable]?.add(t);
  });
  const left = new Set(Array.from({ length: variableCount }, (_, i) => i));
  const buckets: Omit<Bucket, 'next'>[] = [];
  const madeIn = scopes.map(() => -1);
  const usedIn: number[] = [];
  const bucketOf: number[] = [];
  while (left.size > 0) {
    const variable = smallestNext(left, neighbours);
    left.delete(variable);
    const scope = [...(neighbours[variable] as Set<number>)];
    const order = [...scope, variable];
    const inputs = [...(holders[variable] as Set<number>)].map((table) => {
      const variables = tables[table] as readonly number[];
      for (const v of variables) holders[v]?.delete(table);
      usedIn[table] = buckets.length;
      return { table, map: indexMap(variables, order) };
    });
    joinNeighbours(variable, scope, neighbours);
    const message = scope.length === 0 ? -1 : tables.length;
    if (message >= 0) {
      tables.push(scope);
      madeIn.push(buckets.length);
      for (const v of scope) holders[v]?.add(message);
    }
    bucketOf[variable] = buckets.length;
    buckets.push({ joint: 1 << order.length, inputs, message, variable });
  }
  return {
    variableCount,
    factorCount: scopes.length,
    buckets: buckets.map((bucket) => ({ ...bucket, next: usedIn[bucket.message] ?? -1 })),
    sizes: tables.map((scope) => 1 << scope.length),
    madeIn,
    usedIn,
    bucketOf,
  };
}

function interactions(count: number, scopes: readonly (readonly number[])[]): Set<number>[] {
  const neighbours = Array.from({ length: count }, () => new Set<number>());
  for (const variables of scopes) {
    for (const a of variables) for (const b of variables) if (a !== b) neighbours[a]?.add(b);
  }
  return neighbours;
}

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

/** For each joint index (bits in `order`) the index in a table over `variables`. */
function indexMap(variables: readonly number[], order: readonly number[]): Uint32Array {
  const map = new Uint32Array(1 << order.length);
  const bit = order.map((variable) => {
    const k = variables.indexOf(variable);
    return k < 0 ? 0 : 1 << k;
  });
  for (let index = 1; index < map.length; index++) {
    const low = index & -index;
    map[index] = (map[index ^ low] as number) | (bit[31 - Math.clz32(low)] as number);
  }
  return map;
}
