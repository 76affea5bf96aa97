import { type Capture, checkCapture, MAIN_STATIONS } from '@inchstep/core/capture';
import { diagnose, reason } from '@inchstep/core/diagnosis';
import { plusDays, seededRandom } from '@inchstep/core/foundation';
import { errorTable, measureCapture, nextMarks, UNTAUGHT } from '@inchstep/core/measures';
import { buildPlan, NOTHING_KNOWN, USUAL_ASK } from '@inchstep/core/practice';
import { DRILLS, matchDrills, prescribe } from '@inchstep/core/prescription';
import {
  besideOthers,
  cellEvidence,
  cellOf,
  lookAt,
  type Occasion,
  saidByDay,
  scaleOf,
} from '@inchstep/core/progress';
import { simulate } from '../simulate.ts';
import { knownCase } from './diagnosisCases.ts';
import { MEASURE, occasionsOf, USUAL_PLAYER } from './progressWorld.ts';

interface Speed {
  readonly what: string;
  readonly medianMs: number;
  readonly worstMs: number;
  readonly runs: number;
  readonly goalMs: number | null;
}

/** As often as it takes until the engine has compiled what it will compile. */
const WARM_UP = 40;

/** Times a step over and over in a warm process; the clock is the caller's. */
function time(
  what: string,
  goalMs: number | null,
  runs: number,
  clock: () => number,
  step: (i: number) => void,
): Speed {
  for (let i = 0; i < Math.min(WARM_UP, runs); i++) step(i);
  const taken = Array.from({ length: runs }, (_, i) => {
    const from = clock();
    step(i);
    return clock() - from;
  }).sort((a, b) => a - b);
  return {
    what,
    medianMs: taken[Math.floor(runs / 2)] as number,
    worstMs: taken.at(-1) as number,
    runs,
    goalMs,
  };
}

/** The same capture with one mark a few pixels off. */
const moved = (capture: Capture, i: number): Capture => ({
  ...capture,
  marks: capture.marks.map((mark, k) =>
    k === (7 * i) % capture.marks.length ? { ...mark, u: mark.u + 3 } : mark,
  ),
});

function checkedSwings() {
  return Array.from({ length: 8 }, (_, i) => {
    const [swing] = simulate({
      golfer: { handedness: 'right', heightIn: 66 + i },
      faults: { sway: i % 3 },
      seed: 40 + i,
    });
    const checked = swing && checkCapture(swing.capture);
    if (!checked?.ok) throw new Error('speeds: the stand-in made a capture that is refused');
    return checked.value;
  });
}

/** What later work must not slow down, each on other input than the last run. */
export function speeds(clock: () => number): Speed[] {
  const swings = checkedSwings();
  const cases = Array.from(
    { length: 8 },
    (_, i) => knownCase({ lead_knee_collapse: 2, over_slide: (i % 3) + 0.5 }, 900 + i).file,
  );
  const fits = swings.map((swing) => measureCapture(swing).fit);
  const few = swings.map((swing) => {
    const five = swing.marks.filter((m) => (MAIN_STATIONS as readonly string[]).includes(m.station));
    const capture = { ...swing, marks: five.filter((_, k) => k % 3 === 0) };
    return { capture, fit: measureCapture(capture).fit };
  });
  const at = <T>(list: readonly T[], i: number) => list[i % list.length] as T;
  const withAids = cases.map((file) => ({
    ...file,
    student: {
      ...file.student,
      aids: ['stick', 'chair', 'wall', 'basket', 'wedge', 'bar', 'box', 'phone'] as const,
    },
  }));
  const reasons = withAids.map((file) => reason(file));
  return [
    time('body fit, two views, ten stations', 30, 40, clock, (i) => measureCapture(at(swings, i))),
    time('refit after one moved mark', null, 40, clock, (i) => {
      const fit = at(fits, i);
      measureCapture(moved(at(swings, i), i), fit);
    }),
    time('which mark next, a third of five stations placed', null, 40, clock, (i) => {
      const { capture, fit } = at(few, i);
      nextMarks(capture, fit, MAIN_STATIONS);
    }),
    time('diagnosis with its next looks', 8, 60, clock, (i) => diagnose(at(cases, i))),
    time(`match over ${DRILLS.length} drills, diagnosis included`, null, 60, clock, (i) =>
      prescribe(at(withAids, i), ['lead_knee_collapse']),
    ),
    time(`match over ${DRILLS.length} drills, from a diagnosis`, 5, 60, clock, (i) =>
      matchDrills(at(withAids, i), at(reasons, i), ['lead_knee_collapse']),
    ),
    time('plan of twelve weeks, three drills', 20, 60, clock, (i) =>
      buildPlan(
        {
          ...NOTHING_KNOWN,
          ...USUAL_ASK,
          file: at(cases, i),
          drills: ['knee_swap', 'delivery_freeze', 'crossbar_drive'],
          start: '2027-03-01',
          days: ['mon', 'wed', 'fri', 'sun'],
          minutesPerDay: { sun: 40 },
          placeByDay: { sun: 'range' },
        },
        { ways: false },
      ),
    ),
    ...teachingSpeeds(clock),
    ...progressSpeeds(clock),
  ];
}

/** How the network is expected to err, asked for with every clip: from one checked swing, and from as many as count. */
function teachingSpeeds(clock: () => number): Speed[] {
  const checked = (swings: number) =>
    UNTAUGHT.flatMap(({ view, station, landmark, across, down }) =>
      Array.from({ length: swings }, (_, i) => {
        const on = plusDays('2027-03-01', -7 * i);
        return { view, station, landmark, clip: `${view} ${i}`, on, across: across + 0.01, down };
      }),
    );
  return [1, 8].map((swings) => {
    const taught = checked(swings);
    return time(`how the network errs, ${swings} checked swings`, null, 12, clock, (i) =>
      errorTable(taught, plusDays('2027-03-02', i)),
    );
  });
}

export function progressSpeeds(clock: () => number): Speed[] {
  const seasons = seasonsOf(8);
  const long = seasonsOf(100);
  const at = (list: readonly Occasion[][], i: number) => list[i % list.length] as Occasion[];
  return [
    time('four telling measures judged beside each other, eight sessions each', 5, 60, clock, (i) =>
      judged([0, 1, 2, 3].map((k) => at(seasons, i + k))),
    ),
    time('the same of a hundred sessions', null, 20, clock, (i) =>
      judged([0, 1, 2, 3].map((k) => at(long, i + k))),
    ),
  ];
}

function seasonsOf(sessions: number): Occasion[][] {
  return Array.from({ length: 8 }, (_, i) =>
    occasionsOf(
      USUAL_PLAYER,
      Array.from({ length: sessions }, (_, t) => (i % 2) * Math.min(2, 0.2 * t)),
      seededRandom(60 + i),
    ),
  );
}

/** What is said of each measure after its last session, the others having told how the player's days stray. */
function judged(measures: readonly (readonly Occasion[])[]): void {
  const scale = scaleOf(MEASURE);
  const alone = measures.map((occasions) => cellEvidence(scale, occasions, cellOf(occasions[0] as Occasion)));
  const said = alone.map(saidByDay);
  alone.forEach((evidence, i) => {
    const beside = besideOthers(
      evidence,
      said.filter((_, k) => k !== i),
    );
    lookAt(beside, evidence.occasions.length - 1, scale.step, measures.length);
  });
}
