import type { Landmark, Mark, Station } from '@inchstep/core/capture';
import { measureCapture } from '@inchstep/core/measures';
import { simulate } from '../simulate.ts';
import { randomGolfer } from './coverage.ts';

const FIVE: readonly Station[] = ['address', 'top', 'delivery', 'impact', 'finish'];

/** Which marks a coach places: true = placed. Views are face_on and down_the_line. */
type Rule = (mark: Mark, kind: string) => boolean;

const among = (landmark: Landmark, ...wanted: readonly Landmark[]): boolean => wanted.includes(landmark);
const hips: Rule = ({ landmark }) => among(landmark, 'lead_hip', 'trail_hip');
const knees: Rule = ({ landmark }) => among(landmark, 'lead_knee', 'trail_knee');
const ankles: Rule = ({ landmark }) => among(landmark, 'lead_ankle', 'trail_ankle');
const at =
  (...stations: readonly Station[]): Rule =>
  ({ station }) =>
    stations.includes(station);
const front: Rule = (_, kind) => kind === 'face_on';
const any =
  (...rules: readonly Rule[]): Rule =>
  (mark, kind) =>
    rules.some((rule) => rule(mark, kind));
const all =
  (...rules: readonly Rule[]): Rule =>
  (mark, kind) =>
    rules.every((rule) => rule(mark, kind));
const only =
  (...landmarks: readonly Landmark[]): Rule =>
  ({ landmark }) =>
    among(landmark, ...landmarks);

const FEW: Rule = any(
  hips,
  all(only('seat'), at('address', 'top', 'delivery', 'impact')),
  all(knees, front),
  all(ankles, front, at('address')),
  all(only('neck'), front, at('address', 'top')),
);

/** Sets of marks from everything down to the fewest that still say much. */
export const MARK_SETS: readonly (readonly [name: string, rule: Rule])[] = [
  ['everything the list asks', () => true],
  [
    'feet only at address and finish',
    any(
      all(
        only('lead_heel', 'trail_heel', 'lead_toe', 'trail_toe', 'lead_ankle', 'trail_ankle'),
        at('address', 'finish'),
      ),
      (m) => !/heel|toe|ankle/.test(m.landmark),
    ),
  ],
  ['hips, knees, seat, ankles and neck once', FEW],
  ['hips and seat alone', any(hips, only('seat'))],
];

export interface FewerMarks {
  readonly name: string;
  readonly marks: number;
  /** Measures with a verdict, of those that all marks give one to. */
  readonly kept: number;
  readonly held: number;
}

/** How many marks, and how much they still tell, over random golfers. */
export function fewerMarks(golfers: number): FewerMarks[] {
  return MARK_SETS.map(([name, rule]) => {
    let [marks, told, wanted, held, asked] = [0, 0, 0, 0, 0];
    for (let seed = 1; seed <= golfers; seed++) {
      const [swing] = simulate(randomGolfer(200_000 + seed, { stations: FIVE }));
      if (!swing) throw new Error('fewerMarks: no swing came');
      const { capture, truth } = swing;
      const kinds = new Map(capture.views.map((view) => [view.id, view.kind]));
      const kept = capture.marks.filter((mark) => rule(mark, kinds.get(mark.view) ?? ''));
      const full = measureCapture(capture).measures.filter((m) => m.verdict !== 'cant_tell');
      const few = measureCapture({ ...capture, marks: kept }).measures;
      marks += kept.length;
      wanted += full.length;
      told += full.filter((m) => few.some((f) => f.id === m.id && f.verdict !== 'cant_tell')).length;
      for (const { id, lo95, hi95 } of few) {
        const real = truth.measures[id];
        if (real === undefined) continue;
        asked++;
        if (lo95 <= real && real <= hi95) held++;
      }
    }
    return { name, marks: marks / golfers, kept: told / wanted, held: held / asked };
  });
}
