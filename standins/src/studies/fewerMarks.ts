import type { Landmark, Mark, Station } from '@inchstep/core/capture';
import { LEADING_MEASURES, LESS_WANTED } from '@inchstep/core/diagnosis';
import { type Measured, measureCapture, nextMarks } from '@inchstep/core/measures';
import { type SimulatedSwing, simulate } from '../simulate.ts';
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
const MARK_SETS: readonly (readonly [name: string, rule: Rule])[] = [
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

interface FewerMarks {
  readonly name: string;
  readonly marks: number;
  /** Measures with a verdict, of those that all marks give one to. */
  readonly kept: number;
  /** The same for the measures a diagnosis stands on. */
  readonly leading: number;
  readonly held: number;
}

/** What a swing's marks, few of them or all, come to. */
interface Tally {
  marks: number;
  told: number;
  wanted: number;
  leadingTold: number;
  leadingWanted: number;
  held: number;
  asked: number;
}

function count(tally: Tally, swing: SimulatedSwing, full: Measured, few: Measured, marks: number): void {
  const told = (all: Measured) => all.measures.filter((m) => m.verdict !== 'cant_tell').map((m) => m.id);
  const fewTold = new Set(told(few));
  tally.marks += marks;
  const both = (ids: readonly string[]) => [ids.length, ids.filter((id) => fewTold.has(id)).length] as const;
  const [all, allTold] = both(told(full));
  const [leading, fewLeading] = both(told(full).filter((id) => LEADING_MEASURES.has(id)));
  tally.wanted += all;
  tally.told += allTold;
  tally.leadingWanted += leading;
  tally.leadingTold += fewLeading;
  for (const { id, lo95, hi95 } of few.measures) {
    const real = swing.truth.measures[id];
    if (real === undefined) continue;
    tally.asked++;
    if (lo95 <= real && real <= hi95) tally.held++;
  }
}

/** Hips first, then always the mark that the program asks for, until so many are placed. */
function asked(
  { capture }: SimulatedSwing,
  most: number,
): { readonly few: Measured; readonly marks: number } {
  const isFront = (view: string) => capture.views.some((v) => v.id === view && v.kind === 'face_on');
  let marks = capture.marks.filter((m) => hips(m, '') && isFront(m.view));
  let few = measureCapture({ ...capture, marks });
  while (marks.length < most) {
    const placed = { ...capture, marks };
    const there = nextMarks(placed, few.fit, FIVE, (id) => (LEADING_MEASURES.has(id) ? 1 : LESS_WANTED))
      .map((n) =>
        capture.marks.find((m) => m.view === n.view && m.station === n.station && m.landmark === n.landmark),
      )
      .find((mark) => mark !== undefined && !marks.includes(mark));
    if (!there) break;
    marks = [...marks, there];
    few = measureCapture({ ...capture, marks }, few.fit);
  }
  return { few, marks: marks.length };
}

/** How many marks, and how much they still tell, over random golfers. */
export function fewerMarks(golfers: number): FewerMarks[] {
  const names = [
    ...MARK_SETS.map(([name]) => name),
    ...ASKED.map((most) => `the ${most} the program asks for`),
  ];
  const tallies = names.map(
    (): Tally => ({ marks: 0, told: 0, wanted: 0, leadingTold: 0, leadingWanted: 0, held: 0, asked: 0 }),
  );
  for (let seed = 1; seed <= golfers; seed++) {
    const [swing] = simulate(randomGolfer(200_000 + seed, { stations: FIVE }));
    if (!swing) throw new Error('fewerMarks: no swing came');
    const { capture } = swing;
    const full = measureCapture(capture);
    const kinds = new Map(capture.views.map((view) => [view.id, view.kind]));
    const few = [
      ...MARK_SETS.map(([, rule]) => {
        const marks = capture.marks.filter((mark) => rule(mark, kinds.get(mark.view) ?? ''));
        return { few: measureCapture({ ...capture, marks }), marks: marks.length };
      }),
      ...ASKED.map((most) => asked(swing, most)),
    ];
    few.forEach((f, i) => {
      count(tallies[i] as Tally, swing, full, f.few, f.marks);
    });
  }
  return tallies.map((t, i) => ({
    name: names[i] as string,
    marks: t.marks / golfers,
    kept: t.told / t.wanted,
    leading: t.leadingTold / t.leadingWanted,
    held: t.held / t.asked,
  }));
}

/** A coach's patience: marks placed where the program asks for them. */
const ASKED = [29, 39, 59];
