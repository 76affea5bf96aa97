import type { Capture, Landmark, Station } from '../capture/index.ts';
import { BACK_PEAK_STATIONS, POSE_MEASURES } from './definitions.ts';
import type { Verdict } from './verdict.ts';

/** What would settle a measure that is missing or undecided. */
export type NeedWhat =
  | { readonly kind: 'station'; readonly station: Station }
  | { readonly kind: 'mark'; readonly station: Station; readonly landmark: Landmark }
  | { readonly kind: 'view'; readonly view: 'face_on' | 'down_the_line' }
  | { readonly kind: 'sticks'; readonly view: string }
  | { readonly kind: 'track' };

export interface Need {
  readonly what: NeedWhat;
  readonly wouldSettle: readonly string[];
}

/** Missing stations, marks and views, each with the measures that wait for it; most useful first. */
export function needsOf(
  capture: Capture,
  measures: readonly { readonly id: string; readonly verdict: Verdict }[],
  trackMeasures: readonly string[],
): Need[] {
  const waiting = new Map<string, { what: NeedWhat; ids: Set<string> }>();
  const want = (what: NeedWhat, id: string) => {
    const key = JSON.stringify(what);
    const entry = waiting.get(key) ?? { what, ids: new Set<string>() };
    entry.ids.add(id);
    waiting.set(key, entry);
  };
  const stations = new Set(capture.marks.map((mark) => mark.station));
  const marked = new Set(capture.marks.map((mark) => `${mark.station}/${mark.landmark}`));
  for (const { id, needs } of POSE_MEASURES) {
    const missing = needs.filter(([station]) => !stations.has(station));
    for (const [station] of missing) want({ kind: 'station', station }, id);
    if (missing.length > 0) continue;
    for (const [station, landmarks] of needs) {
      for (const landmark of landmarks) {
        if (!marked.has(`${station}/${landmark}`)) want({ kind: 'mark', station, landmark }, id);
      }
    }
  }
  if (!BACK_PEAK_STATIONS.some((station) => station !== 'top' && stations.has(station))) {
    want({ kind: 'station', station: 'arm_back' }, 'shift_back_peak');
    want({ kind: 'station', station: 'arm_back' }, 'bearing_back');
  }
  for (const measure of measures) {
    if (measure.verdict === 'cant_tell') wantForDoubt(capture, measure.id, want);
  }
  for (const id of trackMeasures) want({ kind: 'track' }, id);
  return [...waiting.values()]
    .map(({ what, ids }) => ({ what, wouldSettle: [...ids] }))
    .sort((a, b) => b.wouldSettle.length - a.wouldSettle.length);
}

/** A second view first; with both views there, sticks on the ground in each. */
function wantForDoubt(capture: Capture, id: string, want: (what: NeedWhat, id: string) => void): void {
  const kinds = new Set(capture.views.map((view) => view.kind));
  const missing = (['face_on', 'down_the_line'] as const).find((kind) => !kinds.has(kind));
  if (missing) {
    want({ kind: 'view', view: missing }, id);
    return;
  }
  for (const view of capture.views) {
    if (view.groundMarks.length < 2) want({ kind: 'sticks', view: view.id }, id);
  }
}
