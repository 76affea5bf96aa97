import {
  LANDMARKS,
  type Motion,
  type PressureTrace,
  SHOT_FIELDS,
  type Shot,
  type ShotFieldId,
} from '@inchstep/core/capture';
import { bad, good, problem, type Result, roundTo } from '@inchstep/core/foundation';
import Papa from 'papaparse';

/**
 * Rows of cells of a CSV text; the delimiter is found, byte order marks and empty lines are dropped. Stops
 * after `mostRows`, so that an endless file costs no more than a long one.
 */
export function readCsv(text: string, mostRows = 0): Result<string[][], 'csv_unreadable'> {
  const { head, wasCut } = mostRows > 0 ? cutAfter(text, mostRows) : { head: text, wasCut: false };
  const { data, errors } = Papa.parse<string[]>(head.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: mostRows,
  });
  // A quote that the cut left open says nothing of the file.
  if (wasCut && data.length >= mostRows) return good(data);
  const broken = errors.find((error) => error.type === 'Quotes');
  if (broken)
    return bad([problem('csv_unreadable', `rows[${broken.row ?? 0}]`, { row: (broken.row ?? 0) + 1 })]);
  return good(data);
}

/** Lines a row may take at most, on average: empty ones between, breaks inside quotes. */
const LINES_A_ROW = 3;

/** The reader splits all of a text before it stops: what can't be wanted is taken off first. */
function cutAfter(text: string, rows: number): { head: string; wasCut: boolean } {
  let at = -1;
  for (let line = 0; line < LINES_A_ROW * rows; line++) {
    at = text.indexOf('\n', at + 1);
    if (at < 0) return { head: text, wasCut: false };
  }
  return { head: text.slice(0, at), wasCut: true };
}

/** Cells of numbers are numbers; a text that a table program would take for a formula is written as text. */
export const writeCsv = (fields: string[], data: (string | number)[][]): string =>
  `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`;

const number = (value: number | undefined, digits: number): string | number =>
  value === undefined || !Number.isFinite(value) ? '' : roundTo(value, digits);

/** Landmarks over time in the ground frame: `time_s`, then `landmark_x_in, _y_in, _z_in`. */
export function motionCsv({ times, points }: Motion): string {
  const present = LANDMARKS.filter((landmark) => points.has(landmark));
  const fields = ['time_s', ...present.flatMap((l) => ['x', 'y', 'z'].map((axis) => `${l}_${axis}_in`))];
  return writeCsv(
    fields,
    times.map((time, i) => [
      number(time, 5),
      ...present.flatMap((l) => [0, 1, 2].map((axis) => number(points.get(l)?.[i]?.[axis as 0 | 1 | 2], 4))),
    ]),
  );
}

/** Header words of the program's own shot files; they are read back without a question. */
export const SHOT_COLUMN: Readonly<Record<ShotFieldId, string>> = {
  lowPointIn: 'low point (in)',
  strikeIn: 'strike across (in)',
  startLineDeg: 'start line (deg)',
  curveDeg: 'curve (deg)',
  pathDeg: 'club path (deg)',
  faceDeg: 'face angle (deg)',
  clubSpeedMph: 'club speed (mph)',
  ballSpeedMph: 'ball speed (mph)',
  carryYd: 'carry (yd)',
};

/** One row a shot, in the program's units; sides as the player sees them (+ is right). */
export function shotsCsv(shots: readonly Shot[], leftHanded: boolean): string {
  const present = SHOT_FIELDS.filter(({ id }) => shots.some((shot) => shot[id] !== undefined));
  return writeCsv(
    ['shot', ...present.map(({ id }) => SHOT_COLUMN[id])],
    shots.map((shot, i) => [
      i + 1,
      ...present.map(({ id, sided }) => {
        const value = shot[id];
        return number(value !== undefined && sided && leftHanded ? -value : value, 3);
      }),
    ]),
  );
}

export const pressureCsv = ({ times, leadPct }: PressureTrace): string =>
  writeCsv(
    ['time_s', 'lead_pct'],
    times.map((time, i) => [number(time, 4), number(leadPct[i], 2)]),
  );
