import { STATIONS, type Station } from '../capture/index.ts';
import type { Phase } from '../diagnosis/index.ts';
import {
  type BandContext,
  type BodySizes,
  bodySizes,
  type School,
  type StudentFacts,
} from '../intake/index.ts';
import {
  HOUSE_POSTURES,
  POSE_MEASURES,
  type Pose,
  type Posture,
  type PostureId,
  poseBetween,
  posed,
  poseInBands,
} from '../measures/index.ts';
import type { Drill } from './drillTable.ts';
import { bodyStrokes, CLUB, framesOf, type MoveFigure, pointsOf, stanceOf } from './figureParts.ts';
import { PROPS } from './moveProps.ts';
import { type DrillMove, type MoveStop, moveOf } from './moveTable.ts';
import type { SetupValue } from './setupCard.ts';

interface FigureAsk {
  readonly student: StudentFacts;
  readonly school: School;
  readonly setup: readonly SetupValue[];
  /** The drill it was copied from, where the coach wrote it. */
  readonly basedOn?: string | null;
}

const FRAMES_A_LEG = 6;
/** The stops of the swing in their order; what a measure compares with comes before it. */
const CHAIN = STATIONS.filter((station): station is Stop => station in HOUSE_POSTURES);
type Stop = Exclude<PostureId, 'standing'>;

interface Body {
  readonly heightIn: number;
  readonly sizes: BodySizes;
  readonly stanceIn: number;
  readonly context: BandContext;
}

/**
 * The move of a drill as this student would make it: each pose starts from the house's posture, takes what the
 * drill has otherwise, and is then brought where the measures that the drill moves lie inside this student's
 * bands, every segment keeping its length: by the rule that makes the bench's target poses.
 */
export function figureOf(drill: Drill, ask: FigureAsk): MoveFigure {
  const { student, school } = ask;
  const move = moveOf(drill.id) ?? moveOf(ask.basedOn ?? '') ?? plainMove(drill);
  const body: Body = {
    heightIn: student.heightIn,
    sizes: bodySizes(student),
    stanceIn: stanceOf(ask.setup, student.heightIn),
    context: { ...student, school, club: 'mid_iron' },
  };
  const footBackIn = ask.setup.find(({ id }) => id === 'foot_back')?.valueIn;
  const stops =
    footBackIn === undefined ? move.stops : move.stops.map((stop) => withFootBack(stop, footBackIn, body));
  const poses = posesOf(stops, drill, body);
  const legs = stops.length - 1;
  const parts = {
    heightIn: body.heightIn,
    stanceIn: body.stanceIn,
    props: move.props,
    club: holdsClub(move),
  };
  const shown = Array.from({ length: legs * FRAMES_A_LEG + 1 }, (_, i) => {
    const before = Math.min(Math.floor(i / FRAMES_A_LEG), legs);
    const [from, to] = [stops[before] as MoveStop, (stops[before + 1] ?? stops[before]) as MoveStop];
    return pointsOf(poseBetween(poses, i / FRAMES_A_LEG), [from, to, i / FRAMES_A_LEG - before], parts);
  });
  const { points, frames } = framesOf(shown);
  return {
    tells: move.tells,
    heightIn: body.heightIn,
    stanceIn: body.stanceIn,
    points,
    frames,
    strokes: [
      ...bodyStrokes(body.heightIn),
      ...(parts.club ? CLUB : []),
      ...move.props.flatMap((id) => PROPS[id].strokes),
    ],
    looks: looksOf(drill, move, points),
  };
}

const holdsClub = ({ stops }: DrillMove): boolean => stops.some(({ hands }) => hands === 'club');

/** The drawn foot stands where the card says. */
function withFootBack(stop: MoveStop, backIn: number, { heightIn }: Body): MoveStop {
  return { ...stop, otherwise: { ...stop.otherwise, trailFootIn: [0, (-backIn * 70) / heightIn, 0] } };
}

function posesOf(stops: readonly MoveStop[], drill: Drill, body: Body): Pose[] {
  const house = houseSwing(stops, body);
  return stops.map(({ at, otherwise }, i) => {
    const plain = Object.keys(otherwise).length === 0;
    if (plain && house.has(at as Station)) return house.get(at as Station) as Pose;
    const own = guess(at, otherwise, body);
    if (at === 'standing' || (i === 0 && !plain)) return own;
    // A lower body that the drill has otherwise is meant: of that, only what the drill moves is asked for.
    const meant = Object.keys(otherwise).some((key) => key !== 'shouldersDeg');
    const leaveOut = (id: string) => meant && !drill.moves.includes(id);
    return poseInBands(at, own, house, hipWidth(body), body.context, leaveOut);
  });
}

const guess = (at: PostureId, otherwise: Partial<Posture>, { heightIn, sizes, stanceIn }: Body): Pose =>
  posed({ ...HOUSE_POSTURES[at], ...otherwise }, heightIn, sizes, stanceIn);

const hipWidth = ({ sizes }: Body) => ({ outerHipWidthIn: sizes.outerHipWidthIn, outerHipWidthSdShare: 0 });

/** The swing inside this student's bands, as far as these stops need it. */
function houseSwing(stops: readonly MoveStop[], body: Body): Map<Station, Pose> {
  const last = Math.max(0, ...stops.map(({ at }) => CHAIN.indexOf(at as Stop)));
  const needed = new Set<PostureId>([
    ...stops.map(({ at }) => at),
    'address',
    'top',
    ...(last > CHAIN.indexOf('delivery') ? (['delivery'] as const) : []),
  ]);
  const done = new Map<Station, Pose>();
  for (const at of CHAIN.slice(0, last + 1))
    if (needed.has(at))
      done.set(at, poseInBands(at, guess(at, {}, body), done, hipWidth(body), body.context));
  return done;
}

/** A drill of the coach's own shows its part of the swing. */
const PHASE_WAY: Readonly<Record<Phase, readonly PostureId[]>> = {
  setup: ['standing', 'address'],
  back: ['address', 'top'],
  down: ['top', 'delivery', 'impact'],
  through: ['impact', 'chest_through', 'finish'],
};

const plainMove = ({ phase }: Drill): DrillMove => ({
  tells: 'front',
  stops: PHASE_WAY[phase].map((at) => ({ at, hands: 'crossed', otherwise: {} })),
  props: [],
  looks: [],
});

/** What each checkpoint looks at: as the table says, else what its first measure is read from. */
function looksOf({ layers }: Drill, { looks }: DrillMove, points: readonly string[]): string[] {
  return layers.map(({ measures }, i) => {
    const told = looks[i] ?? readFrom(measures[0] ?? '');
    return points.includes(told) ? told : 'pelvis';
  });
}

function readFrom(measure: string): string {
  const definition = POSE_MEASURES.find(({ id }) => id === measure);
  const landmarks = definition?.needs.find(([station]) => station === definition.station)?.[1] ?? [];
  return landmarks.length === 1 ? (landmarks[0] as string) : 'pelvis';
}
