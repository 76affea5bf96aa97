import { STATIONS, type Station } from '@inchstep/core/capture';
import { between, seededRandom } from '@inchstep/core/foundation';
import { fitAt, measureCapture, measuresOf } from '@inchstep/core/measures';
import { FAULT_EFFECTS } from '../golfer/faultEffects.ts';
import { type SimulatedSwing, type SimulateRequest, simulate } from '../simulate.ts';

/** A golfer nobody tuned for: random height, hand and up to two random faults. */
export function randomGolfer(seed: number, more: Partial<SimulateRequest> = {}): SimulateRequest {
  const random = seededRandom(seed);
  const fault = () => FAULT_EFFECTS[Math.floor(random() * FAULT_EFFECTS.length)]?.fault as string;
  return {
    golfer: { handedness: random() < 0.3 ? 'left' : 'right', heightIn: between(random, 62, 76) },
    faults: { [fault()]: between(random, 0, 3), [fault()]: between(random, 0, 2) },
    seed: seed * 31,
    ...more,
  };
}

interface Coverage {
  readonly golfers: number;
  readonly intervals: number;
  /** Share of 95 % intervals that hold the truth. */
  readonly held: number;
  /** Share of measures whose verdict is not "can't tell". */
  readonly told: number;
  /** Share of told verdicts that are wrong about the truth. */
  readonly wrong: number;
  /** Share of intervals that hold the truth, by measure. */
  readonly heldBy: Readonly<Record<string, number>>;
  /** Root mean square error by measure. */
  readonly rms: Readonly<Record<string, number>>;
  /**
   * Error over its floor (information of the same marks at the truth): root mean square of error over
   * the floor's sd, for all measures, for shifts and for turns. 1 is as good as any method can be.
   */
  readonly overFloor: { readonly all: number; readonly shift: number; readonly turn: number };
}

/** The floor's sd of each measure: the same problem told the whole truth. */
function floorSds({ capture, golfer, truth }: SimulatedSwing): Map<string, number> {
  const at = fitAt(capture, {
    camera: (i) => truth.cameras[i]?.camera ?? [],
    landmark: (station, landmark) => golfer.station(station).landmarks[landmark],
  });
  return new Map(measuresOf(at, capture).map((m) => [m.id, m.sd]));
}

const rootMean = (squares: readonly number[]): number =>
  Math.sqrt(squares.reduce((a, b) => a + b, 0) / Math.max(1, squares.length));

const verdictOf = (value: number, lo: number | null, hi: number | null): string =>
  lo !== null && value < lo ? 'low' : hi !== null && value > hi ? 'high' : 'in';

/** How often intervals hold the truth, and how far off the values are, over random golfers and cameras. */
export function coverage(golfers: number, more: Partial<SimulateRequest> = {}, from = 1): Coverage {
  let held = 0;
  let intervals = 0;
  let told = 0;
  let wrong = 0;
  const squares = new Map<string, number[]>();
  const holding = new Map<string, number[]>();
  const overFloor = { all: [] as number[], shift: [] as number[], turn: [] as number[] };
  for (let seed = from; seed < from + golfers; seed++) {
    const [swing] = simulate(randomGolfer(seed, more));
    if (!swing) throw new Error('coverage: no swing came');
    const floors = floorSds(swing);
    for (const { id, value, lo95, hi95, verdict, band } of measureCapture(swing.capture).measures) {
      const truth = swing.truth.measures[id];
      if (truth === undefined) continue;
      intervals++;
      const holds = lo95 <= truth && truth <= hi95;
      if (holds) held++;
      holding.set(id, [...(holding.get(id) ?? []), holds ? 1 : 0]);
      if (verdict !== 'cant_tell') {
        told++;
        if (verdictOf(truth, band.lo, band.hi) !== verdict) wrong++;
      }
      const floor = floors.get(id);
      if (floor) {
        const over = ((value - truth) / floor) ** 2;
        overFloor.all.push(over);
        if (id.startsWith('shift_')) overFloor.shift.push(over);
        if (/^turn_(top|impact|arm_down|address)$/.test(id)) overFloor.turn.push(over);
      }
      squares.set(id, [...(squares.get(id) ?? []), (value - truth) ** 2]);
    }
  }
  const rms = [...squares].map(([id, list]) => [id, rootMean(list)]);
  const heldBy = [...holding].map(([id, list]) => [id, list.reduce((a, b) => a + b, 0) / list.length]);
  return {
    golfers,
    intervals,
    held: held / intervals,
    told: told / intervals,
    wrong: wrong / Math.max(1, told),
    heldBy: Object.fromEntries(heldBy),
    rms: Object.fromEntries(rms),
    overFloor: {
      all: rootMean(overFloor.all),
      shift: rootMean(overFloor.shift),
      turn: rootMean(overFloor.turn),
    },
  };
}

const FIVE: readonly Station[] = ['address', 'top', 'delivery', 'impact', 'finish'];

/** The groups that must each be honest. */
export const COVERAGE_GROUPS: readonly (readonly [name: string, more: Partial<SimulateRequest>])[] = [
  ['two views, ten stations', { stations: STATIONS }],
  ['two views, five stations', { stations: FIVE }],
  [
    'no sticks',
    {
      stations: FIVE,
      views: [
        { kind: 'face_on', sticks: false },
        { kind: 'down_the_line', sticks: false },
      ],
    },
  ],
  ['face-on alone', { stations: FIVE, views: [{ kind: 'face_on' }] }],
  ['down the line alone', { stations: FIVE, views: [{ kind: 'down_the_line' }] }],
  ['a third hidden', { stations: FIVE, hidden: 0.33 }],
  ['left-handed', { stations: FIVE, golfer: { handedness: 'left', heightIn: 69 } }],
];
