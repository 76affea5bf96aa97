import { type Capture, FOUND_STATIONS, type Mark, type Station, type View } from '@inchstep/core/capture';
import { gaussian, type IsoDay, type Random, seededRandom } from '@inchstep/core/foundation';
import { resolveSchool, type ViewKind } from '@inchstep/core/intake';
import {
  bellsTogether,
  coachErrors,
  type ErrorEntry,
  errorTable,
  measureCapture,
  nextMarks,
  placeMeans,
  UNTAUGHT,
} from '@inchstep/core/measures';
import {
  checkedIn,
  DAYS,
  dayOf,
  errorsIn,
  HAND_PX,
  type ProposedIn,
  proposedIn,
  type SeenSwing,
  trueMark,
} from './seenSwing.ts';

/** Where in the swing a measure belongs. */
const PARTS = {
  address: ['address'],
  back: ['shaft_back', 'arm_back', 'top'],
  down: ['arm_down', 'delivery'],
  impact: ['impact'],
  through: ['shaft_through', 'chest_through', 'finish'],
} as const satisfies Readonly<Record<string, readonly Station[]>>;
type Part = keyof typeof PARTS;
const partOf = (at: Station): Part =>
  (Object.keys(PARTS) as Part[]).find((part) => (PARTS[part] as readonly Station[]).includes(at)) as Part;

interface Told {
  readonly hand: number;
  /** Of the verdicts that hand marks give: told the same, told otherwise. */
  readonly told: number;
  readonly wrong: number;
  readonly intervals: number;
  readonly held: number;
  /** Intervals and those that held, by part of the swing. */
  readonly parts: Readonly<Record<Part, readonly [intervals: number, held: number]>>;
}

const noneTold = () => ({
  hand: 0,
  told: 0,
  wrong: 0,
  intervals: 0,
  held: 0,
  parts: Object.fromEntries(Object.keys(PARTS).map((part) => [part, [0, 0]])) as unknown as Record<
    Part,
    [number, number]
  >,
});

const aboutOf = (swing: SeenSwing, views: readonly View[]) => ({
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
});

/** What proposals of a swing tell beside what a hand's marks would, with so many of them set by hand where the program asks. */
function toldOf(
  swing: SeenSwing,
  errors: readonly ErrorEntry[],
  kinds: readonly ViewKind[],
  byHandToo = 0,
  drawn?: Random,
): Told {
  const seen = proposedIn(swing, errors).filter(({ view }) => kinds.includes(view));
  const proposed = drawn ? asLeftOpen(swing, seen, drawn) : seen;
  const views = swing.views.filter(({ kind }) => kinds.includes(kind)).map(({ view }) => view);
  const about = aboutOf(swing, views);
  const idOf = (kind: ViewKind) => views.find((view) => view.kind === kind)?.id ?? kind;
  const setByHand = (mark: Pick<ProposedIn, 'view' | 'station' | 'landmark'>): Mark[] => {
    const real = trueMark(swing, mark);
    return real ? [{ ...real, view: idOf(mark.view), sdPx: HAND_PX }] : [];
  };
  let marks: readonly Mark[] = proposed.map(({ net: _, view, ...mark }) => ({ ...mark, view: idOf(view) }));
  for (let i = 0; i < byHandToo; i++) marks = asked({ ...about, marks }, setByHand, views);
  const hand = measureCapture({ ...about, marks: proposed.flatMap(setByHand) }).measures;
  return counted(swing, measureCapture({ ...about, marks }).measures, hand);
}

/**
 * The same proposals off by just what is left open of them, drawn by chance: the bell that the model says, no more and no less. What is
 * told from these is what any use of such proposals can tell, the fit being as sharp as least squares allow.
 */
function asLeftOpen(swing: SeenSwing, proposed: readonly ProposedIn[], random: Random): ProposedIn[] {
  const bell = bellsTogether(random);
  return proposed.flatMap((mark) => {
    const real = trueMark(swing, mark);
    if (!real) return [];
    const { view, station, landmark } = mark;
    const off = (axis: 'across' | 'down', shared: number, own: number) =>
      shared * bell(view, 'clip', landmark, axis) +
      Math.sqrt(Math.max(0, own ** 2 - mark.handSdPx ** 2)) * bell(view, station, landmark, axis) +
      Math.min(own, mark.handSdPx) * gaussian(random);
    const u = real.u + off('across', mark.sharedSdPx, mark.sdPx);
    const v = real.v + off('down', mark.sharedSdDownPx, mark.sdDownPx);
    return [{ ...mark, u, v }];
  });
}

/** The same marks with the one set by hand that the program would ask for first. */
function asked(
  capture: Capture,
  setByHand: (mark: Pick<ProposedIn, 'view' | 'station' | 'landmark'>) => readonly Mark[],
  views: readonly View[],
): readonly Mark[] {
  const next = nextMarks(capture, measureCapture(capture).fit, [...FOUND_STATIONS]);
  for (const { view, station, landmark } of next) {
    const kind = views.find(({ id }) => id === view)?.kind;
    const [set] = kind ? setByHand({ view: kind, station, landmark }) : [];
    const same = (m: Mark) => m.view === view && m.station === station && m.landmark === landmark;
    if (set) return [...capture.marks.filter((m) => !same(m)), set];
  }
  return capture.marks;
}

type Measures = ReturnType<typeof measureCapture>['measures'];

function counted(swing: SeenSwing, net: Measures, hand: Measures): Told {
  const sure = new Set(hand.flatMap(({ id, verdict }) => (verdict === 'cant_tell' ? [] : [id])));
  const count = { ...noneTold(), hand: sure.size };
  for (const { id, station, verdict, lo95, hi95, band } of net) {
    const real = swing.measures[id];
    if (real === undefined) continue;
    const holds = lo95 <= real && real <= hi95;
    count.intervals++;
    count.parts[partOf(station)][0]++;
    if (holds) count.held++;
    if (holds) count.parts[partOf(station)][1]++;
    if (verdict === 'cant_tell') continue;
    const side =
      band.lo !== null && real < band.lo ? 'low' : band.hi !== null && real > band.hi ? 'high' : 'in';
    if (verdict !== side) count.wrong++;
    else if (sure.has(id)) count.told++;
  }
  return count;
}

const taughtBy = (swings: readonly SeenSwing[], on: IsoDay = DAYS[1]): ErrorEntry[] =>
  errorTable(swings.flatMap(checkedIn), on);

const WAYS = [
  ['both views', ['face_on', 'down_the_line']],
  ['face-on alone', ['face_on']],
] as const satisfies readonly (readonly [string, readonly ViewKind[]])[];

/** How much is taught: what is known of the network on this player, and marks set by hand in the very swing. */
type Teaching =
  | 'untaught'
  | 'other players’ checked swings'
  | 'three marks asked for'
  | 'one checked swing'
  | 'one swing marked exactly'
  | 'two checked swings'
  | 'one checked swing of the same day'
  | 'one of the same day, one of another'
  | 'floor of untaught'
  | 'floor of one checked swing'
  | 'floor of two checked swings';

interface Way {
  readonly teaching: Teaching;
  readonly errorsFor: (swing: SeenSwing) => readonly ErrorEntry[] | null;
  readonly byHand?: number;
  /** Asked of the second swing of the first day, not of the second day's. */
  readonly sameDay?: true;
}

/** Each player's swings of the second day, with what is taught of him from the first, or in the swing itself; and the second of one day. */
export function* proposalStudy(swings: readonly SeenSwing[]) {
  const others = (swing: SeenSwing, day: number) =>
    swings.filter((one) => one.player === swing.player && one.day === day && one.key !== swing.key);
  const first = (swing: SeenSwing) => others(swing, 0);
  const untaught = () => UNTAUGHT;
  const ways: readonly Way[] = [
    { teaching: 'untaught', errorsFor: untaught },
    { teaching: 'other players’ checked swings', errorsFor: (swing) => taughtByOthers(swings, swing) },
    { teaching: 'three marks asked for', errorsFor: untaught, byHand: 3 },
    { teaching: 'one checked swing', errorsFor: (swing) => taughtIf(first(swing), 1, swing) },
    {
      teaching: 'one swing marked exactly',
      errorsFor: (swing) => errorTable(first(swing).slice(0, 1).flatMap(errorsIn), dayOf(swing)),
    },
    { teaching: 'two checked swings', errorsFor: (swing) => taughtIf(first(swing), 2, swing) },
    {
      teaching: 'one checked swing of the same day',
      errorsFor: (swing) => taughtIf(first(swing), 1, swing),
      sameDay: true,
    },
    {
      teaching: 'one of the same day, one of another',
      errorsFor: (swing) => taughtIf([...first(swing), ...others(swing, 1)], 2, swing),
      sameDay: true,
    },
    { teaching: 'floor of untaught', errorsFor: untaught },
    { teaching: 'floor of one checked swing', errorsFor: (swing) => taughtIf(first(swing), 1, swing) },
    { teaching: 'floor of two checked swings', errorsFor: (swing) => taughtTwice(first(swing)) },
  ];
  for (const [name, kinds] of WAYS)
    for (const { teaching, errorsFor, byHand, sameDay } of ways) {
      const count = noneTold();
      const players = new Set<string>();
      const random = seededRandom(4);
      for (const swing of swings) {
        if (sameDay ? swing.day !== 0 || swing.key.endsWith('s0') : swing.day !== 1) continue;
        const errors = errorsFor(swing);
        if (!errors) continue;
        players.add(swing.player);
        const found = toldOf(swing, errors, kinds, byHand, teaching.startsWith('floor') ? random : undefined);
        add(count, found);
      }
      if (players.size > 0) yield { name, teaching, players: players.size, ...count };
    }
}

function add(sum: ReturnType<typeof noneTold>, one: Told): void {
  for (const key of ['hand', 'told', 'wrong', 'intervals', 'held'] as const) sum[key] += one[key];
  for (const part of Object.keys(sum.parts) as Part[]) {
    sum.parts[part][0] += one.parts[part][0];
    sum.parts[part][1] += one.parts[part][1];
  }
}

/** What is known of a player when one swing of each of the others was checked. */
function taughtByOthers(swings: readonly SeenSwing[], { player }: SeenSwing): ErrorEntry[] {
  const firsts = swings.filter((one) => one.player !== player && one.day === 0 && one.key.endsWith('s0'));
  return errorTable([], DAYS[1], coachErrors(firsts.map((one) => placeMeans(checkedIn(one)))));
}

const taughtIf = (swings: readonly SeenSwing[], enough: number, asked: SeenSwing): ErrorEntry[] | null =>
  swings.length < enough ? null : taughtBy(swings.slice(0, enough), dayOf(asked));

/** As well taught as by two swings: the places of one, said once more by another clip. */
function taughtTwice([first]: readonly SeenSwing[]): ErrorEntry[] | null {
  if (!first) return null;
  const places = checkedIn(first);
  return errorTable([...places, ...places.map((one) => ({ ...one, clip: `${one.clip} again` }))], DAYS[1]);
}
