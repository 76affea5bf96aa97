import { FOUND_STATIONS, type Landmark, MARKS_WANTED, type Station } from '@inchstep/core/capture';
import { VIEW_KINDS, type ViewKind } from '@inchstep/core/intake';
import { type ErrorAxis, PARTS_OF_BODY, partOfBody } from '@inchstep/core/measures';
import { AXES, ErrorReading, type ErrorSeen, mean } from './errorReading.ts';
import { alikeLines, togetherLines } from './errorsTogether.ts';

/** The tables of the network's error as they stand in the core, line by line. */
interface ErrorTables {
  readonly usual: readonly string[];
  readonly spread: readonly string[];
  readonly restTimes: readonly string[];
  readonly learntTimes: readonly string[];
  readonly together: readonly string[];
  readonly alike: readonly string[];
}

/** Of one landmark, as much is its own word; the rest that of its kin, and of all in the view (variances). */
const OWN = { itself: 0.5, kin: 0.35, all: 0.15 };

function drawnTogether(read: Map<string, number>, view: ViewKind, landmark: Landmark, axis: ErrorAxis) {
  const of = (landmarks: readonly Landmark[]) =>
    mean(landmarks.map((one) => (read.get(`${view} ${one} ${axis}`) as number) ** 2));
  const all = MARKS_WANTED[view];
  const kind = (one: Landmark) => one.replace(/^(lead|trail)_/, '');
  const kin = all.filter((one) => kind(one) === kind(landmark));
  return Math.sqrt(OWN.itself * of([landmark]) + OWN.kin * of(kin) + OWN.all * of(all));
}

/** Reads the tables from errors of made-up players: nothing of those who judge may be among them. */
export function errorTables(errors: readonly ErrorSeen[]): ErrorTables {
  const read = new ErrorReading(errors);
  const rows = VIEW_KINDS.flatMap((view) => MARKS_WANTED[view].map((landmark) => ({ view, landmark })));
  const halves = (of: (axis: ErrorAxis) => string) => AXES.map(of).join(' / ');
  const stations = (of: (station: Station) => number, digits: number) =>
    FOUND_STATIONS.map((station) => of(station).toFixed(digits)).join(' ');
  return {
    usual: rows.map(
      ({ view, landmark }) =>
        `${view} ${landmark}: ${halves((axis) => stations((station) => 100 * (read.usual.get(`${view} ${landmark} ${station} ${axis}`) as number), 1))}`,
    ),
    spread: rows.map(
      ({ view, landmark }) =>
        `${view} ${landmark}: ${halves((axis) => [read.all, read.rest].map((of) => (100 * drawnTogether(of, view, landmark, axis)).toFixed(2)).join(' '))}`,
    ),
    restTimes: VIEW_KINDS.flatMap((view) =>
      PARTS_OF_BODY.filter((part) => MARKS_WANTED[view].some((one) => partOfBody(one) === part)).map(
        (part) =>
          `${view} ${part}: ${halves((axis) => stations((station) => read.restTimes.get(`${view} ${part} ${station} ${axis}`) as number, 1))}`,
      ),
    ),
    learntTimes: VIEW_KINDS.map(
      (view) =>
        `${view}: ${halves((axis) => stations((station) => read.learntTimes.get(`${view} ${station} ${axis}`) as number, 1))}`,
    ),
    together: togetherLines(read),
    alike: alikeLines(read),
  };
}
