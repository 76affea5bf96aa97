/**
 * Exact sums over binary variables by variable elimination, with all single-variable marginals
 * from one backward pass (the derivative of the sum with respect to each factor's entries).
 * The order of elimination and all index tables are worked out once for a graph's shape, so that
 * the same graph can be summed many times with other numbers. Factors may hold negative entries;
 * only the total must be positive.
 */
export interface Factor {
  readonly variables: readonly number[];
  /** 2^n values; variable k of the scope is bit k of the index. */
  readonly table: Float64Array;
}

interface Bucket {
  /** Size of the joint table over the scope and the variable itself (its bit is the highest). */
  readonly joint: number;
  /** Which tables meet here (given factors first, then messages), with index maps. */
  readonly inputs: readonly { readonly table: number; readonly map: Uint32Array }[];
  /** Where the message goes; -1 = it is a constant. */
  readonly message: number;
  readonly variable: number;
}

export interface Plan {
  readonly variableCount: number;
  readonly factorCount: number;
  readonly buckets: readonly Bucket[];
  /** Length of every table: factors, then messages. */
  readonly sizes: readonly number[];
}

export interface Marginals {
  /** P(variable = 1), by variable. */
  readonly one: Float64Array;
  readonly total: number;
  /** Derivative of the total along each entry of each given factor. */
  readonly slopes: readonly Float64Array[];
}

export function marginals(variableCount: number, factors: readonly Factor[]): Marginals {
  const plan = planSums(
    variableCount,
    factors.map((factor) => factor.variables),
  );
  return runSums(
    plan,
    factors.map((factor) => factor.table),
  );
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
  const buckets: Bucket[] = [];
  while (left.size > 0) {
    const variable = smallestNext(left, neighbours);
    left.delete(variable);
    const scope = [...(neighbours[variable] as Set<number>)];
    const order = [...scope, variable];
    const inputs = [...(holders[variable] as Set<number>)].map((table) => {
      const variables = tables[table] as readonly number[];
      for (const v of variables) holders[v]?.delete(table);
      return { table, map: indexMap(variables, order) };
    });
    joinNeighbours(variable, scope, neighbours);
    const message = scope.length === 0 ? -1 : tables.length;
    if (message >= 0) {
      tables.push(scope);
      for (const v of scope) holders[v]?.add(message);
    }
    buckets.push({ joint: 1 << order.length, inputs, message, variable });
  }
  return {
    variableCount,
    factorCount: scopes.length,
    buckets,
    sizes: tables.map((scope) => 1 << scope.length),
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

/** One pass forward for the total, one back for every derivative and marginal. */
export function runSums(plan: Plan, factors: readonly Float64Array[]): Marginals {
  const { messages, joints, slopes } = scratchOf(plan);
  const tables = [...factors, ...messages];
  let total = 1;
  for (const [k, bucket] of plan.buckets.entries()) {
    const joint = joints[k] as Float64Array;
    multiply(bucket, tables, joint);
    const half = bucket.joint >> 1;
    if (bucket.message < 0) {
      total *= (joint[0] as number) + (joint[1] as number);
      continue;
    }
    const message = tables[bucket.message] as Float64Array;
    for (let i = 0; i < half; i++) message[i] = (joint[i] as number) + (joint[i + half] as number);
  }
  return backward(plan, tables, joints, slopes, total);
}

/** Room for the sums of a plan, taken once: the same plan is summed dozens of times in a diagnosis. */
interface Scratch {
  readonly messages: readonly Float64Array[];
  readonly joints: readonly Float64Array[];
  readonly slopes: readonly Float64Array[];
}
const SCRATCH = new WeakMap<Plan, Scratch>();

function scratchOf(plan: Plan): Scratch {
  const known = SCRATCH.get(plan);
  if (known) return known;
  const made = {
    messages: plan.sizes.slice(plan.factorCount).map((size) => new Float64Array(size)),
    joints: plan.buckets.map(({ joint }) => new Float64Array(joint)),
    slopes: plan.sizes.map((size) => new Float64Array(size)),
  };
  SCRATCH.set(plan, made);
  return made;
}

function multiply(bucket: Bucket, tables: readonly Float64Array[], joint: Float64Array): void {
  joint.fill(1);
  for (const { table, map } of bucket.inputs) {
    const values = tables[table] as Float64Array;
    for (let i = 0; i < joint.length; i++) {
      joint[i] = (joint[i] as number) * (values[map[i] as number] as number);
    }
  }
}

function backward(
  plan: Plan,
  tables: readonly Float64Array[],
  joints: readonly Float64Array[],
  slopes: readonly Float64Array[],
  total: number,
): Marginals {
  for (const slope of slopes) slope.fill(0);
  const one = new Float64Array(plan.variableCount);
  for (let k = plan.buckets.length - 1; k >= 0; k--) {
    const bucket = plan.buckets[k] as Bucket;
    const joint = joints[k] as Float64Array;
    const half = bucket.joint >> 1;
    // Parts of the graph that don't touch multiply the total: the slope is the others' product.
    const above =
      bucket.message < 0
        ? Float64Array.of(total / ((joint[0] as number) + (joint[1] as number)))
        : (slopes[bucket.message] as Float64Array);
    let up = 0;
    for (let i = 0; i < half; i++) up += (above[i] as number) * (joint[i + half] as number);
    one[bucket.variable] = Math.min(1, Math.max(0, up / total));
    spreadSlopes(bucket, tables, slopes, above);
  }
  // Copies: the room is used again.
  return { one, total, slopes: slopes.slice(0, plan.factorCount).map((slope) => slope.slice()) };
}

/** Each input's slope is what is above times the product of all other inputs. */
function spreadSlopes(
  bucket: Bucket,
  tables: readonly Float64Array[],
  slopes: readonly Float64Array[],
  above: Float64Array,
): void {
  const { inputs, joint } = bucket;
  const mask = (joint >> 1) - 1;
  const count = inputs.length;
  // Looked up once: what follows runs through tens of thousands of entries.
  const maps = inputs.map(({ map }) => map);
  const values = inputs.map(({ table }) => tables[table] as Float64Array);
  const outs = inputs.map(({ table }) => slopes[table] as Float64Array);
  const suffix = new Float64Array(count + 1);
  suffix[count] = 1;
  for (let i = 0; i < joint; i++) {
    for (let f = count - 1; f >= 0; f--)
      suffix[f] =
        (suffix[f + 1] as number) *
        ((values[f] as Float64Array)[(maps[f] as Bucket['inputs'][number]['map'])[i] as number] as number);
    let prefix = above[i & mask] as number;
    for (let f = 0; f < count; f++) {
      const at = (maps[f] as Bucket['inputs'][number]['map'])[i] as number;
      const out = outs[f] as Float64Array;
      out[at] = (out[at] as number) + prefix * (suffix[f + 1] as number);
      prefix *= (values[f] as Float64Array)[at] as number;
    }
  }
}
