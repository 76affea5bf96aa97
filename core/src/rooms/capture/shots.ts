import { bad, good, type Problem, problem, type Result } from '../../foundation/index.ts';
import type { Hand } from '../intake/index.ts';
import {
  SHOT_FIELDS,
  SHOT_UNIT_FACTOR,
  type ShotField,
  type ShotFieldId,
  type ShotUnit,
  shotField,
} from './shotFields.ts';

/** Where a quantity stands in a file, and how it is written there. */
export interface ColumnMatch {
  readonly field: ShotFieldId;
  readonly column: string;
  readonly unit: ShotUnit;
  /** The file's plus is the program's minus. */
  readonly flipped: boolean;
}

export interface GuessedMatch extends ColumnMatch {
  /** The header names the unit; else it was guessed from the size of the numbers. */
  readonly unitTold: boolean;
}

/** Values in the program's units and signs; what the file lacks is missing. */
export type Shot = Readonly<Partial<Record<ShotFieldId, number>>>;

type ShotsProblem =
  | 'shots_no_rows'
  | 'shots_no_match'
  | 'shots_no_column'
  | 'shots_not_a_number'
  | 'shots_out_of_range'
  | 'named_twice';

type Rows = readonly (readonly string[])[];

const plainWords = (text: string): string =>
  text
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim();

const UNIT_WRITTEN: readonly (readonly [ShotUnit, RegExp])[] = [
  ['km/h', /km\/?h|kph/i],
  ['m/s', /m\/s|mps/i],
  ['mph', /mph/i],
  ['deg', /deg|°/i],
  ['mm', /\bmm\b/i],
  ['cm', /\bcm\b/i],
  ['yd', /\by(ar)?ds?\b/i],
  ['ft', /\b(ft|feet)\b/i],
  ['in', /\b(in|inch(es)?)\b|"/i],
  ['m', /\bm(et(er|re)s?)?\b/i],
];

/** Which column holds what, guessed from the header words, and its unit from header or size. */
export function guessColumns([header = [], ...rows]: Rows): GuessedMatch[] {
  const taken = new Set<number>();
  return SHOT_FIELDS.flatMap((field) => {
    const at = bestColumn(field, header, taken);
    if (at < 0) return [];
    taken.add(at);
    const column = header[at] as string;
    const told = unitInHeader(field, column);
    const values = rows.flatMap((row) => {
      const value = readNumber(row[at] ?? '');
      return value === null ? [] : [value];
    });
    return [
      {
        field: field.id,
        column,
        unit: told ?? unitBySize(field, values),
        unitTold: told !== null || field.units.length === 1,
        flipped: false,
      },
    ];
  });
}

function bestColumn(field: ShotField, header: readonly string[], taken: ReadonlySet<number>): number {
  const words = header.map((cell) => ` ${plainWords(cell)} `);
  for (const name of field.called) {
    const at = words.findIndex(
      (text, i) =>
        !taken.has(i) &&
        name.split(' ').every((word) => text.includes(` ${word} `) || text.includes(` ${word}s `)) &&
        !field.not.some((word) => text.includes(` ${word} `)),
    );
    if (at >= 0) return at;
  }
  return -1;
}

function unitInHeader(field: ShotField, column: string): ShotUnit | null {
  const spaced = column.replaceAll('_', ' ');
  return (
    UNIT_WRITTEN.find(([unit, written]) => field.units.includes(unit) && written.test(spaced))?.[0] ?? null
  );
}

/** The unit in which most of the values are usual; the kept one where several do. */
function unitBySize(field: ShotField, values: readonly number[]): ShotUnit {
  const [lo, hi] = field.usual;
  const share = (unit: ShotUnit) =>
    values.filter((v) => v * SHOT_UNIT_FACTOR[unit] >= lo && v * SHOT_UNIT_FACTOR[unit] <= hi).length;
  return field.units.reduce((best, unit) => (share(unit) > share(best) ? unit : best));
}

/** "3.2", "3,2", "-3.2°", "3.2 R", "2.1L", "1.2 ahead"; null for an empty cell or words. */
export function readNumber(cell: string): number | null {
  const found = /^([LR])?\s*([+-]?\d+(?:[.,]\d+)?)(.*)$/i.exec(cell.trim());
  if (!found) return null;
  const value = Number((found[2] as string).replace(',', '.'));
  const turned = /(^|[^a-z])(l|left|behind|heel)\b/i.test(`${found[1] ?? ''} ${found[3]}`);
  return turned ? -value : value;
}

/** Shots of a table by a coach's column match; every cell is read or named, nothing is guessed here. */
export function readShots(
  rows: Rows,
  matches: readonly ColumnMatch[],
  hand: Hand,
): Result<Shot[], ShotsProblem> {
  const [header = [], ...all] = rows;
  const lines = all.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (lines.length === 0) return bad([problem('shots_no_rows', 'rows')]);
  if (matches.length === 0) return bad([problem('shots_no_match', 'matches')]);
  const problems: Problem<ShotsProblem>[] = [];
  const places = matches.map((match, i) => {
    const at = header.indexOf(match.column);
    if (at < 0) problems.push(problem('shots_no_column', `matches[${i}].column`, { column: match.column }));
    if (matches.findIndex((m) => m.field === match.field) !== i)
      problems.push(problem('named_twice', `matches[${i}].field`, { id: match.field }));
    return { ...match, at };
  });
  if (problems.length > 0) return bad(problems);
  const shots = lines.map((row, line) => {
    const shot: Partial<Record<ShotFieldId, number>> = {};
    for (const match of places) {
      const cell = row[match.at] ?? '';
      if (isBlank(cell)) continue;
      const value = readNumber(cell);
      if (value === null) {
        problems.push(notANumber(line, match.column, cell));
        continue;
      }
      const kept = inProgramUnits(value, match, hand);
      if (isPossible(match.field, kept)) shot[match.field] = kept;
      else problems.push(outOfRange(line, match, value));
    }
    return shot;
  });
  return problems.length > 0 ? bad(problems.slice(0, MOST_NAMED)) : good(shots.filter(isFilled));
}

const MOST_NAMED = 5;
const isBlank = (cell: string): boolean => /^[\s\-–—]*$/.test(cell) || /^n\/?a$/i.test(cell.trim());
const isFilled = (shot: Shot): boolean => Object.keys(shot).length > 0;

const notANumber = (line: number, column: string, cell: string) =>
  problem('shots_not_a_number', `rows[${line + 1}].${column}`, {
    row: line + 2,
    column,
    value: cell.slice(0, 40),
  });
const outOfRange = (line: number, { column, unit }: ColumnMatch, value: number) =>
  problem('shots_out_of_range', `rows[${line + 1}].${column}`, { row: line + 2, column, value, unit });

function inProgramUnits(value: number, match: ColumnMatch, hand: Hand): number {
  const mirrored = shotField(match.field).sided && hand === 'left';
  return value * SHOT_UNIT_FACTOR[match.unit] * (mirrored !== match.flipped ? -1 : 1);
}

/** Twice as far out as anything usual is a wrong unit or a misread, not a shot. */
function isPossible(id: ShotFieldId, value: number): boolean {
  const [lo, hi] = shotField(id).usual;
  return value <= 2 * hi && value >= (lo < 0 ? 2 * lo : 0);
}
