/** A stream of numbers in [0, 1). Chance is always handed in, never drawn inside the core. */
export type Random = () => number;

/** Seeded stream (mulberry32): the same seed gives the same stream on every machine. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** One standard normal draw (Box-Muller, one of the pair used). */
export function gaussian(random: Random): number {
  const radius = Math.sqrt(-2 * Math.log(1 - random()));
  return radius * Math.cos(2 * Math.PI * random());
}

export const between = (random: Random, low: number, high: number): number => low + (high - low) * random();

export function pick<T>(random: Random, items: readonly T[]): T {
  const item = items[Math.floor(random() * items.length)];
  if (item === undefined) throw new Error('pick: nothing to pick from');
  return item;
}
