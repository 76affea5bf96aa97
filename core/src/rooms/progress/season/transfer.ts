import { daysBetween, normalDensity } from '../../../foundation/index.ts';
import { judge } from '../../measures/index.ts';
import type { Edges } from './levelBelief.ts';
import { dayLevel, type Occasion } from './occasion.ts';
import { PRACTICE, TRANSFER } from './seasonTable.ts';

/** One way of playing that a change must hold in. */
export interface CellName {
  readonly speed: string;
  readonly aid: 'on' | 'off';
  readonly club: string;
  readonly place: string;
}

interface TransferCell extends CellName {
  /** Filmed there. */
  readonly swings: number;
  /** P(the level there is in band), as far as what was filmed elsewhere tells of it, too. */
  readonly inBand: number;
  /** In steps of the band. */
  readonly mean: number;
  readonly sd: number;
}

export interface Transfer {
  readonly cells: readonly TransferCell[];
  /** The cell whose filming tells most about all of them, and by how many bits; null where none tells anything worth a film. */
  readonly next: (CellName & { readonly bits: number }) | null;
}

const FACTORS = ['speed', 'aid', 'club', 'place'] as const;

/**
 * Where a change holds: level + what speed, aid, club and place each add + what their meeting adds, all shrunk towards
 * nothing, as one Gaussian. Days long ago tell less, because the level has moved since. `wanted` are the cells to be told
 * of; those that nobody filmed are known through the others.
 */
export function transferOf(
  occasions: readonly Occasion[],
  wanted: readonly CellName[],
  edges: Edges,
  step: number,
  shared: number,
  told?: ToldLevel,
): Transfer {
  const names = allNames(occasions.map(nameOf), wanted);
  const { mean, covariance } = cellGaussian(occasions, names, step, shared, told);
  const cells = names.map((name, i): TransferCell => {
    const sd = Math.sqrt(covariance[i]?.[i] as number);
    return {
      ...name,
      swings: occasions.reduce((n, one) => n + (same(nameOf(one), name) ? one.values.length : 0), 0),
      mean: mean[i] as number,
      sd,
      inBand: judge(mean[i] as number, sd, { ...edges, step: 1 }).inBand,
    };
  });
  return { cells, next: occasions.length === 0 ? null : nextFilm(cells, covariance, edges) };
}

/** What the season's model says of the level in the cell that progress is told of, in steps: there, this is what holds. */
interface ToldLevel extends CellName {
  readonly mean: number;
  readonly sd: number;
}

export const nameOf = ({ speed, aid, club, place }: Occasion): CellName => ({
  speed: speed ?? 'full',
  aid: aid ?? 'off',
  club: club ?? '',
  place: place ?? '',
});

const same = (a: CellName, b: CellName): boolean => FACTORS.every((factor) => a[factor] === b[factor]);

function allNames(seen: readonly CellName[], wanted: readonly CellName[]): CellName[] {
  const all: CellName[] = [];
  for (const name of [...seen, ...wanted]) if (!all.some((known) => same(known, name))) all.push(name);
  return all;
}

/** Prior covariance of two cells' levels, steps²: what they share of the level and of each factor. */
function priorOf(a: CellName, b: CellName): number {
  const shared = FACTORS.reduce(
    (sum, factor) => sum + (a[factor] === b[factor] ? TRANSFER.factorSteps ** 2 : 0),
    TRANSFER.anywhereSteps ** 2,
  );
  return shared + (same(a, b) ? TRANSFER.meetingSteps ** 2 : 0);
}

function cellGaussian(
  occasions: readonly Occasion[],
  names: readonly CellName[],
  step: number,
  shared: number,
  told?: ToldLevel,
) {
  const last = occasions.at(-1)?.date ?? '';
  const guess = occasions[0] ? (occasions[0].values[0] as number) / step : 0;
  const mean = names.map(() => guess);
  const covariance = names.map((a) => names.map((b) => priorOf(a, b)));
  for (const one of occasions) {
    if (told && same(told, nameOf(one))) continue;
    const marks = (one.sd / step) ** 2;
    const day = dayLevel(
      one.values.map((value) => value / step),
      TRANSFER.swingSteps ** 2 + (1 - shared) * marks,
    );
    const since = daysBetween(one.date, last) / PRACTICE.daysPerUnit;
    const variance =
      day.variance + shared * marks + TRANSFER.daySteps ** 2 + since * TRANSFER.movesPerWeekSteps ** 2;
    learn(
      mean,
      covariance,
      names.findIndex((name) => same(name, nameOf(one))),
      day.mean,
      variance,
    );
  }
  if (told)
    learn(
      mean,
      covariance,
      names.findIndex((name) => same(name, told)),
      told.mean,
      told.sd ** 2,
    );
  return { mean, covariance };
}

/** One sight of one cell, and what it says of all others. */
function learn(mean: number[], covariance: number[][], at: number, y: number, variance: number): void {
  const c = covariance.map((row) => row[at] as number);
  const s = (c[at] as number) + variance;
  const off = y - (mean[at] as number);
  for (let i = 0; i < mean.length; i++) {
    mean[i] = (mean[i] as number) + ((c[i] as number) / s) * off;
    const row = covariance[i] as number[];
    for (let j = 0; j < mean.length; j++)
      row[j] = (row[j] as number) - ((c[i] as number) * (c[j] as number)) / s;
  }
}

function nextFilm(
  cells: readonly TransferCell[],
  covariance: readonly (readonly number[])[],
  edges: Edges,
): Transfer['next'] {
  const variance = TRANSFER.swingSteps ** 2 / TRANSFER.nextSwings + TRANSFER.daySteps ** 2;
  let best: Transfer['next'] = null;
  cells.forEach(({ speed, aid, club, place }, at) => {
    const s = (covariance[at]?.[at] as number) + variance;
    const bits = cells.reduce((sum, cell, j) => {
      const learnt = (covariance[j]?.[at] as number) ** 2 / s;
      const left = Math.sqrt(Math.max(1e-9, cell.sd ** 2 - learnt));
      return sum + bitsOf(cell.inBand) - expectedBits(cell.mean, Math.sqrt(learnt), left, edges);
    }, 0);
    if (bits > (best?.bits ?? TRANSFER.worthBits)) best = { speed, aid, club, place, bits };
  });
  return best;
}

/** What will still be open of "in band or not", over what a film may show. */
function expectedBits(mean: number, moves: number, sd: number, edges: Edges): number {
  let bits = 0;
  let weight = 0;
  for (let z = -2.5; z <= 2.5; z += 0.5) {
    const w = normalDensity(z, 0, 1);
    weight += w;
    bits += w * bitsOf(judge(mean + z * moves, sd, { ...edges, step: 1 }).inBand);
  }
  return bits / weight;
}

const bitsOf = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));
