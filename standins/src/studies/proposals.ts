import { MAIN_STATIONS, type Mark, type Station, type View } from '@inchstep/core/capture';
import { type Hand, resolveSchool, type ViewKind } from '@inchstep/core/intake';
import {
  type ErrorEntry,
  errorTable,
  measureCapture,
  proposeMarks,
  type SeenBody,
  seenBody,
  steadyPlaces,
  steadySides,
  type TaughtPlace,
  taughtPlaces,
  UNTAUGHT,
} from '@inchstep/core/measures';

/** One filmed swing of the study with what the network saw in each frame. */
export interface SeenSwing {
  readonly key: string;
  readonly player: string;
  readonly day: number;
  readonly golfer: { readonly handedness: Hand; readonly heightIn: number };
  readonly framesPerSecond: number;
  readonly stationFrames: Readonly<Record<Station, number>>;
  readonly measures: Readonly<Record<string, number>>;
  readonly views: readonly {
    readonly kind: ViewKind;
    readonly view: View;
    readonly marks: readonly Mark[];
    readonly frames: readonly {
      readonly time: number;
      readonly points: { readonly u: number[]; readonly v: number[]; readonly seen: number[] } | null;
    }[];
  }[];
}

const DAYS = ['2027-03-01', '2027-03-08'] as const;
/** What a careful hand leaves open, pixels of a picture 540 wide. */
const HAND_PX = 1.5;

type ProposedIn = ReturnType<typeof proposeMarks>[number] & { readonly view: ViewKind };

/** What the program would propose at the true frames of the main stations. */
export function proposedIn(swing: SeenSwing, errors: readonly ErrorEntry[]): ProposedIn[] {
  const left = swing.golfer.handedness === 'left';
  return swing.views.flatMap(({ kind, frames }) => {
    const bodies = steadyPlaces(
      steadySides(
        frames.flatMap(({ time, points }): SeenBody[] => (points ? [seenBody(time, points, left)] : [])),
        kind,
        left,
      ),
    );
    const at = new Map(
      MAIN_STATIONS.flatMap((station): [Station, number][] => {
        const time = swing.stationFrames[station] / swing.framesPerSecond;
        const near = bodies.findIndex((body) => Math.abs(body.time - time) < 0.6 / swing.framesPerSecond);
        return near < 0 ? [] : [[station, near]];
      }),
    );
    return proposeMarks(bodies, kind, at, errors, left).map((mark) => ({ ...mark, view: kind }));
  });
}

/** The same places as a hand would set them after the network, for teaching. */
export function checkedIn(swing: SeenSwing): TaughtPlace[] {
  const marks = proposedIn(swing, UNTAUGHT).flatMap((mark) => {
    const real = trueMark(swing, mark);
    return real ? [{ ...mark, u: real.u, v: real.v, sdPx: HAND_PX }] : [];
  });
  const recordedOn = DAYS[swing.day] ?? DAYS[0];
  return taughtPlaces([{ id: swing.key, recordedOn, marks }], swing.golfer.handedness);
}

const trueMark = (
  swing: SeenSwing,
  { view, station, landmark }: Pick<ProposedIn, 'view' | 'station' | 'landmark'>,
): Mark | undefined =>
  swing.views
    .find(({ kind }) => kind === view)
    ?.marks.find((mark) => mark.station === station && mark.landmark === landmark);

/** Errors of the network at every proposed place, in shares of the body: what the parts of the model are read from. */
export const errorsIn = (swing: SeenSwing): TaughtPlace[] => checkedIn(swing);

export interface Told {
  readonly hand: number;
  /** Of the verdicts that hand marks give: told the same, told otherwise. */
  readonly told: number;
  readonly wrong: number;
  readonly intervals: number;
  readonly held: number;
}

/** What proposals of a swing tell beside what a hand's marks would. */
export function toldOf(swing: SeenSwing, errors: readonly ErrorEntry[], kinds: readonly ViewKind[]): Told {
  const proposed = proposedIn(swing, errors).filter(({ view }) => kinds.includes(view));
  const views = swing.views.filter(({ kind }) => kinds.includes(kind)).map(({ view }) => view);
  const about = {
    golfer: {
      ...swing.golfer,
      outerHipWidthIn: null,
      hipJointsApartIn: null,
      flexibility: 'usual' as const,
      armSwing: 'usual' as const,
    },
    club: 'mid_iron' as const,
    school: resolveSchool({}),
    views,
  };
  const idOf = (kind: ViewKind) => views.find((view) => view.kind === kind)?.id ?? kind;
  const marks = proposed.map(({ net: _, view, ...mark }) => ({ ...mark, view: idOf(view) }));
  const byHand = proposed.flatMap((mark) => {
    const real = trueMark(swing, mark);
    return real ? [{ ...real, view: idOf(mark.view), sdPx: HAND_PX }] : [];
  });
  const net = measureCapture({ ...about, marks }).measures;
  const hand = new Map(
    measureCapture({ ...about, marks: byHand }).measures.map((one) => [one.id, one.verdict]),
  );
  const count = { hand: 0, told: 0, wrong: 0, intervals: 0, held: 0 };
  for (const verdict of hand.values()) if (verdict !== 'cant_tell') count.hand++;
  for (const { id, verdict, lo95, hi95, band } of net) {
    const real = swing.measures[id];
    if (real === undefined) continue;
    count.intervals++;
    if (lo95 <= real && real <= hi95) count.held++;
    if (verdict === 'cant_tell') continue;
    const side =
      band.lo !== null && real < band.lo ? 'low' : band.hi !== null && real > band.hi ? 'high' : 'in';
    if (verdict !== side) count.wrong++;
    else if ((hand.get(id) ?? 'cant_tell') !== 'cant_tell') count.told++;
  }
  return count;
}

export const taughtBy = (swings: readonly SeenSwing[]): ErrorEntry[] =>
  errorTable(swings.flatMap(checkedIn), DAYS[1]);

const WAYS = [
  ['both views', ['face_on', 'down_the_line']],
  ['face-on alone', ['face_on']],
] as const satisfies readonly (readonly [string, readonly ViewKind[]])[];

/** Each player's second day, untaught and taught by the checked swing of the first. */
export function* proposalStudy(swings: readonly SeenSwing[]) {
  const pairs = swings
    .filter(({ day }) => day === 1)
    .flatMap((second) => {
      const first = swings.find(({ player, day }) => player === second.player && day === 0);
      return first ? [{ first, second }] : [];
    });
  for (const [name, kinds] of WAYS)
    for (const taught of [false, true]) {
      const count = { hand: 0, told: 0, wrong: 0, intervals: 0, held: 0 };
      for (const { first, second } of pairs) {
        const found = toldOf(second, taught ? taughtBy([first]) : UNTAUGHT, kinds);
        for (const key of Object.keys(count) as (keyof Told)[]) count[key] += found[key];
      }
      yield { name, taught, players: pairs.length, ...count };
    }
}
