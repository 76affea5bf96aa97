/**
 * How high "real" has to reach at each look, the second one first: set by `./inchstep bench bars 10000` so that over eight looks a
 * player who does not change hears it in at most 4.5 of 100 seasons, whichever way he strays and whichever of `family` measures
 * says it; of several measures 0.1 to 0.2 more, because the table's own sampling error weighs more there. Checked on other seeds by
 * `./inchstep bench progress`. For whoever knows of the other measures only how many there are.
 */
export const BAR_ROWS: readonly { readonly family: number; readonly bars: readonly number[] }[] = [
  { family: 1, bars: [0.41, 1.2, 1.29, 2.09, 1.72, 2.54, 2.25] },
  { family: 3, bars: [0.53, 1.7, 1.76, 2.54, 2.41, 3.19, 3.42] },
  { family: 5, bars: [0.69, 1.93, 2.01, 2.83, 2.6, 3.66, 3.72] },
  { family: 10, bars: [0.74, 2.34, 2.35, 3.14, 2.83, 3.93, 4.09] },
];
/**
 * The same where the other measures tell how the player's days stray (`together.ts`), by `./inchstep bench bars-beside`: also for one
 * that strays by a step among others that don't. Before the third session nobody can tell; there the rows above are asked.
 */
const BESIDE_ROWS: typeof BAR_ROWS = [
  { family: 2, bars: [0.41, 1.53, 1.5, 2.63, 0.69, 2.57, 1.66] },
  { family: 3, bars: [0.56, 2.24, 2.15, 3.2, 1.58, 3.2, 2.43] },
  { family: 5, bars: [0.56, 2.39, 2.81, 3.74, 2.4, 3.57, 3.45] },
  { family: 10, bars: [0.56, 2.39, 2.81, 3.76, 2.92, 3.64, 3.45] },
];
/** Looks after those cost a bar that keeps the rest of a long record nearly silent. */
const LATER = 2;

/**
 * The bar at the `look`-th occasion (2 is the first that can be compared) when so many measures are looked at together. Between
 * rows and beyond them it goes with the logarithm of the family, as the chance of a largest among many does.
 */
export function barFor(family: number, look: number, beside = false): number {
  const rows = beside ? BESIDE_ROWS : BAR_ROWS;
  const above = rows.findIndex((row) => row.family >= family);
  const i = above < 0 ? rows.length - 1 : Math.max(1, above);
  const [low, high] = [rows[i - 1], rows[i]] as [BarRow, BarRow];
  const share = Math.log(family / low.family) / Math.log(high.family / low.family);
  const [a, b] = [barAt(low, look), barAt(high, look)];
  return a + share * Math.max(b - a, share > 1 ? Math.log(high.family / low.family) : 0);
}

type BarRow = (typeof BAR_ROWS)[number];

function barAt({ bars }: BarRow, look: number): number {
  const known = bars[look - 2];
  return known ?? Math.max(...bars) + LATER;
}
