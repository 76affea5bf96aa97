import { type Bucket, type Factor, type Plan, planSums } from './eliminate.ts';

/**
 * Exact sums over binary variables by variable elimination, and the marginals of the variables asked for (the
 * derivative of the sum along each table, from the top down). What a changed factor does not reach is kept from
 * the sum before, and only what stands above the variables asked for is walked on the way back.
 * Factors may hold negative entries; only the total must be positive.
 */
export class Sums {
  private readonly plan: Plan;
  /** Given factors first, then messages. */
  private readonly tables: Float64Array[];
  private readonly joints: readonly Float64Array[];
  private readonly slopes: readonly Float64Array[];
  /** Buckets to be summed anew. */
  private readonly stale: Uint8Array;
  /** Room for products over the widest bucket. */
  private readonly room: Float64Array;
  private readonly otherRoom: Float64Array;

  constructor(plan: Plan, factors: readonly Float64Array[]) {
    this.plan = plan;
    const messages = plan.sizes.slice(plan.factorCount);
    this.tables = [...factors, ...messages.map((size) => new Float64Array(size))];
    this.joints = plan.buckets.map(({ joint }) => new Float64Array(joint));
    this.slopes = plan.sizes.map((size) => new Float64Array(size));
    this.stale = new Uint8Array(plan.buckets.length).fill(1);
    const widest = Math.max(1, ...plan.buckets.map(({ joint }) => joint));
    this.room = new Float64Array(widest);
    this.otherRoom = new Float64Array(widest);
  }

  /** Other numbers for a factor; its size stays. */
  set(factor: number, table: Float64Array): void {
    if (this.tables[factor] === table) return;
    this.tables[factor] = table;
    const { buckets, usedIn } = this.plan;
    for (let k = usedIn[factor] ?? -1; k >= 0 && this.stale[k] === 0; k = (buckets[k] as Bucket).next) {
      this.stale[k] = 1;
    }
  }

  /** The sum over every assignment. */
  total(): number {
    this.settle();
    return this.plan.buckets.reduce((all, { message }, k) => (message < 0 ? all * this.topOf(k) : all), 1);
  }

  /** P(variable = 1) of each variable asked for. */
  ones(variables: readonly number[]): Float64Array {
    this.settle();
    const asked = this.above(variables);
    const bucketOne = new Float64Array(asked.length);
    for (let k = asked.length - 1; k >= 0; k--) {
      if (asked[k] === 1) bucketOne[k] = this.descend(k, asked);
    }
    return Float64Array.from(variables, (v) => {
      const p = bucketOne[this.plan.bucketOf[v] as number] as number;
      return Math.min(1, Math.max(0, p));
    });
  }

  /** Forward: each stale bucket once, in order, so that what it takes in is settled before. */
  private settle(): void {
    for (const [k, bucket] of this.plan.buckets.entries()) {
      if (this.stale[k] === 0) continue;
      this.stale[k] = 0;
      const joint = this.joints[k] as Float64Array;
      joint.fill(1);
      for (const { table, map } of bucket.inputs) times(joint, this.tables[table] as Float64Array, map);
      if (bucket.message < 0) continue;
      const half = bucket.joint >> 1;
      const message = this.tables[bucket.message] as Float64Array;
      for (let i = 0; i < half; i++) message[i] = (joint[i] as number) + (joint[i + half] as number);
    }
  }

  /** The buckets of these variables and all that take in what they send. */
  private above(variables: readonly number[]): Uint8Array {
    const { buckets, bucketOf } = this.plan;
    const asked = new Uint8Array(buckets.length);
    for (const v of variables) {
      for (let k = bucketOf[v] as number; k >= 0 && asked[k] === 0; k = (buckets[k] as Bucket).next)
        asked[k] = 1;
    }
    return asked;
  }

  private topOf(k: number): number {
    const joint = this.joints[k] as Float64Array;
    return (joint[0] as number) + (joint[1] as number);
  }

  /** The variable's share of the sum, and the slopes of those of its inputs that are messages asked for. */
  private descend(k: number, asked: Uint8Array): number {
    const bucket = this.plan.buckets[k] as Bucket;
    const { joint: size, message, inputs } = bucket;
    const joint = this.joints[k] as Float64Array;
    // Parts of the graph that don't touch only scale the sum: each starts from its own.
    const above = message < 0 ? Float64Array.of(1 / this.topOf(k)) : (this.slopes[message] as Float64Array);
    const half = size >> 1;
    let one = 0;
    for (let i = 0; i < half; i++) one += (above[i] as number) * (joint[i + half] as number);
    const to = inputs.filter(({ table }) => asked[this.plan.madeIn[table] as number] === 1);
    if (to.length > 0) this.spread(bucket, to, above);
    return one;
  }

  /** The slope of each of these inputs: what is above times the product of all other inputs. */
  private spread({ inputs, joint }: Bucket, to: Bucket['inputs'], above: Float64Array): void {
    const mask = (joint >> 1) - 1;
    const common = this.room;
    for (let i = 0; i < joint; i++) common[i] = above[i & mask] as number;
    for (const input of inputs) {
      if (!to.includes(input)) times(common, this.tables[input.table] as Float64Array, input.map);
    }
    for (const input of to) {
      const product = to.length === 1 ? common : this.otherRoom;
      if (product !== common) product.set(common);
      for (const other of to) {
        if (other !== input) times(product, this.tables[other.table] as Float64Array, other.map);
      }
      gather(product, input.map, this.slopes[input.table] as Float64Array);
    }
  }
}

/** Adds up the entries over a bucket's joint table by the input's entry that they belong to. */
function gather(product: Float64Array, map: Uint32Array, out: Float64Array): void {
  out.fill(0);
  for (let i = 0; i < map.length; i++) {
    const at = map[i] as number;
    out[at] = (out[at] as number) + (product[i] as number);
  }
}

/** Multiplies each entry over a bucket's joint table by the input's entry that belongs to it. */
function times(product: Float64Array, values: Float64Array, map: Uint32Array): void {
  for (let i = 0; i < map.length; i++) {
    product[i] = (product[i] as number) * (values[map[i] as number] as number);
  }
}

/** Total and all marginals of a graph that is summed once. */
export function marginals(variableCount: number, factors: readonly Factor[]) {
  const scopes = factors.map((factor) => factor.variables);
  const tables = factors.map((factor) => factor.table);
  const sums = new Sums(planSums(variableCount, scopes), tables);
  return { total: sums.total(), one: sums.ones(Array.from({ length: variableCount }, (_, v) => v)) };
}
