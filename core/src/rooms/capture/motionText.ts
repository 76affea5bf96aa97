import { bad, good, problem, type Result, type Vec3 } from '../../foundation/index.ts';
import { isLost, LOST, MOTION_UNITS, type MotionUnit, type RawMotion } from './motion.ts';

export type MotionFileProblem =
  | 'motion_unreadable'
  | 'motion_no_points'
  | 'motion_too_short'
  | 'motion_time_order';

/** Fewer frames than these hold no swing. */
const FEWEST_FRAMES = 20;

/**
 * A table with one row a frame: a time column (`time`, `time_s`, `t` or `frame` with a rate) and three
 * columns a marker, `name_x, name_y, name_z`; a unit may stand behind: `name_x_in`, `name_x (mm)`.
 */
export function readMotionTable(rows: readonly (readonly string[])[]): Result<RawMotion, MotionFileProblem> {
  const [header = [], ...lines] = rows;
  const names = header.map((cell) => cell.trim().toLowerCase());
  const timeAt = names.findIndex((name) => /^(t|time)([ _([].*)?$/.test(name));
  if (timeAt < 0)
    return bad([
      problem('motion_unreadable', 'header', { part: 'header', expected: 'a column called time_s' }),
    ]);
  const columns = new Map<string, Partial<Record<'x' | 'y' | 'z', number>>>();
  const units = new Set<string>();
  header.forEach((cell, at) => {
    const parts = /^(.+)[_. ]([xyz])(?:[_ ]?\(?\[?(in|cm|mm|m)\)?\]?)?$/i.exec(cell.trim());
    if (!parts) return;
    const [, name, axis, unit] = parts as unknown as [string, string, string, string | undefined];
    columns.set(name, { ...columns.get(name), [axis.toLowerCase()]: at });
    if (unit) units.add(unit.toLowerCase());
  });
  const inMs = /ms\b/.test(names[timeAt] ?? '');
  const number = (cell: string | undefined) =>
    cell === undefined || cell.trim() === '' ? Number.NaN : Number(cell.replace(',', '.'));
  const filled = lines.filter((line) => line.some((cell) => cell.trim() !== ''));
  const times = filled.map((line) => number(line[timeAt]) / (inMs ? 1000 : 1));
  const markers = new Map<string, Vec3[]>();
  for (const [name, { x, y, z }] of columns) {
    if (x === undefined || y === undefined || z === undefined) continue;
    markers.set(
      name,
      filled.map((line) => seenOrLost([number(line[x]), number(line[y]), number(line[z])])),
    );
  }
  const unit = units.size === 1 ? (([...units][0] ?? '') as MotionUnit) : null;
  return checkRaw({ times, markers, unit });
}

/** TRC: tab-separated, five lines of header, names over every third column. */
export function readTrc(text: string): Result<RawMotion, MotionFileProblem> {
  const lines = text.split(/\r?\n/).map((line) => line.split('\t'));
  const keys = lines[1] ?? [];
  const values = lines[2] ?? [];
  const told = (key: string) => values[keys.findIndex((k) => k.trim() === key)]?.trim();
  const names = lines[3] ?? [];
  if (!lines[0]?.[0]?.startsWith('PathFileType') || names[0]?.trim() !== 'Frame#') {
    return bad([
      problem('motion_unreadable', 'header', {
        part: 'header',
        expected: 'PathFileType and Frame# lines of a TRC file',
      }),
    ]);
  }
  const frames = lines.slice(5).filter((line) => /^\s*\d+\s*$/.test(line[0] ?? ''));
  const times = frames.map((line) => Number(line[1]));
  const markers = new Map<string, Vec3[]>();
  for (let at = 2; at < names.length; at++) {
    const name = names[at]?.trim();
    if (!name) continue;
    markers.set(
      name,
      frames.map((line) => seenOrLost([cell(line[at]), cell(line[at + 1]), cell(line[at + 2])])),
    );
  }
  const unit = told('Units') as MotionUnit;
  return checkRaw({ times, markers, unit: MOTION_UNITS.includes(unit) ? unit : null });
}

const cell = (text: string | undefined): number =>
  text === undefined || text.trim() === '' ? Number.NaN : Number(text);
const seenOrLost = (point: Vec3): Vec3 => (isLost(point) ? LOST : point);

/** What every motion file must hold, however it was written. */
export function checkRaw(raw: RawMotion): Result<RawMotion, MotionFileProblem> {
  const { times, markers } = raw;
  if (markers.size === 0) return bad([problem('motion_no_points', 'markers')]);
  if (times.length < FEWEST_FRAMES)
    return bad([problem('motion_too_short', 'frames', { frames: times.length, fewest: FEWEST_FRAMES })]);
  const late = times.findIndex((t, i) => !Number.isFinite(t) || (i > 0 && t <= (times[i - 1] as number)));
  if (late >= 0) return bad([problem('motion_time_order', `frames[${late}].time`, { frame: late + 1 })]);
  return good(raw);
}
