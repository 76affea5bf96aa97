import { bad, good, type Problem, problem, type Result } from '../../foundation/index.ts';
import { HEIGHT_RANGE_IN } from '../intake/index.ts';
import type { Capture } from './capture.ts';
import { STATIONS, type Station } from './stations.ts';

type CaptureProblem =
  | 'height_out_of_range'
  | 'landmark_not_in_view'
  | 'mark_outside_picture'
  | 'ground_mark_outside_picture'
  | 'unknown_view'
  | 'mark_twice'
  | 'view_twice';

/** Facts that shapes alone can't check; every problem is listed, not only the first. */
export function checkCapture(capture: Capture): Result<Capture, CaptureProblem> {
  const problems: Problem<CaptureProblem>[] = [];
  const { heightIn } = capture.golfer;
  if (heightIn < HEIGHT_RANGE_IN.low || heightIn > HEIGHT_RANGE_IN.high) {
    problems.push(problem('height_out_of_range', 'golfer.heightIn', { heightIn, ...HEIGHT_RANGE_IN }));
  }
  checkViews(capture, problems);
  checkMarks(capture, problems);
  return problems.length > 0 ? bad(problems) : good(capture);
}

function checkViews(capture: Capture, problems: Problem<CaptureProblem>[]): void {
  const seen = new Set<string>();
  capture.views.forEach((view, i) => {
    if (seen.has(view.id)) problems.push(problem('view_twice', `views[${i}].id`, { view: view.id }));
    seen.add(view.id);
    view.groundMarks.forEach((mark, j) => {
      if (isInside(mark.u, mark.v, view)) return;
      problems.push(
        problem('ground_mark_outside_picture', `views[${i}].groundMarks[${j}]`, { u: mark.u, v: mark.v }),
      );
    });
  });
}

function checkMarks(capture: Capture, problems: Problem<CaptureProblem>[]): void {
  const views = new Map(capture.views.map((view) => [view.id, view]));
  const seen = new Set<string>();
  capture.marks.forEach((mark, i) => {
    const view = views.get(mark.view);
    const key = `${mark.view}/${mark.station}/${mark.landmark}`;
    if (!view) {
      problems.push(problem('unknown_view', `marks[${i}].view`, { view: mark.view }));
      return;
    }
    if (seen.has(key)) problems.push(problem('mark_twice', `marks[${i}]`, { mark: key }));
    seen.add(key);
    // The rearmost point of the pelvis has no place in a picture taken from the front.
    if (mark.landmark === 'seat' && view.kind === 'face_on')
      problems.push(problem('landmark_not_in_view', `marks[${i}]`, { landmark: mark.landmark }));
    if (!isInside(mark.u, mark.v, view)) {
      problems.push(
        problem('mark_outside_picture', `marks[${i}]`, {
          u: mark.u,
          v: mark.v,
          widthPx: view.widthPx,
          heightPx: view.heightPx,
        }),
      );
    }
  });
}

const isInside = (u: number, v: number, view: { widthPx: number; heightPx: number }): boolean =>
  u >= 0 && v >= 0 && u <= view.widthPx && v <= view.heightPx;

/** Times at which stations were named, seconds from the clip's start. */
type StationTimes = Partial<Record<Station, number>>;

/** The first pair of stations that stand in the wrong order, or null. */
export function stationsOutOfOrder(times: StationTimes): { earlier: Station; later: Station } | null {
  let last: { station: Station; at: number } | null = null;
  for (const station of STATIONS) {
    const at = times[station];
    if (at === undefined) continue;
    if (last && at <= last.at) return { earlier: last.station, later: station };
    last = { station, at };
  }
  return null;
}
