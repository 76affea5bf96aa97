export const CM_PER_IN = 2.54;

export const inToCm = (inches: number): number => inches * CM_PER_IN;
export const cmToIn = (centimetres: number): number => centimetres / CM_PER_IN;

/** Rounds to `places` decimals; -0 becomes 0. */
export function roundTo(value: number, places: number): number {
  const factor = 10 ** places;
  return Math.round(value * factor) / factor + 0;
}
