import { FOUND_STATIONS, type Mark, type Station, type View } from '@inchstep/core/capture';
import { gaussian, type IsoDay, seededRandom } from '@inchstep/core/foundation';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import {
  aboutStation,
  againAbout,
  type ErrorEntry,
  type FoundStation,
  proposeMarks,
  type SeenBody,
  seenBody,
  steadyPlaces,
  steadySides,
  type TaughtPlace,
  taughtPlaces,
  UNTAUGHT,
} from '@inchstep/core/measures';

interface KeptPoints {
  readonly u: number[];
  readonly v: number[];
  readonly seen: number[];
}

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
      readonly points: KeptPoints | null;
      readonly mirrored?: KeptPoints | null;
      readonly wider?: KeptPoints | null;
    }[];
  }[];
}

export const DAYS = ['2027-03-01', '2027-03-08'] as const;
/** What a careful hand leaves open, pixels of a picture 540 wide. */
export const HAND_PX = 1.5;

export type ProposedIn = ReturnType<typeof proposeMarks>[number] & { readonly view: ViewKind };

/** What the program would propose at the true frames of the stations it finds. */
export function proposedIn(swing: SeenSwing, errors: readonly ErrorEntry[]): ProposedIn[] {
  const left = swing.golfer.handedness === 'left';
  return swing.views.flatMap(({ kind, frames }) => {
    const at = FOUND_STATIONS.map(
      (station) => [station, swing.stationFrames[station] / swing.framesPerSecond] as const,
    );
    /** Whether the program would look there, and so often. */
    const isLookedAt = (time: number, far: (station: Station) => number) =>
      at.some(([station, moment]) => Math.abs(time - moment) <= far(station) + 1e-3);
    const look = (way: 'points' | 'mirrored' | 'wider') =>
      steadySides(
        frames.flatMap((frame): SeenBody[] => {
          const points = isLookedAt(frame.time, way === 'points' ? aboutStation : againAbout)
            ? frame[way]
            : null;
          return points ? [seenBody(frame.time, points, left)] : [];
        }),
        kind,
        left,
      );
    const bodies = steadyPlaces(look('points'), { kind, again: [...look('mirrored'), ...look('wider')] });
    const found = new Map(
      FOUND_STATIONS.flatMap((station): [Station, FoundStation][] => {
        const time = swing.stationFrames[station] / swing.framesPerSecond;
        const near = bodies.findIndex((body) => Math.abs(body.time - time) < 0.6 / swing.framesPerSecond);
        return near < 0 ? [] : [[station, { frame: near, sdS: 0 }]];
      }),
    );
    return proposeMarks(bodies, kind, found, errors, left).map((mark) => ({ ...mark, view: kind }));
  });
}

/** The same places as a hand would set them after the network, for teaching: off by what a careful hand is off. */
export function checkedIn(swing: SeenSwing): TaughtPlace[] {
  const random = seededRandom(
    [...swing.key].reduce((sum, letter) => (31 * sum + letter.charCodeAt(0)) % 1e9, 7),
  );
  return placesOf(swing, () => HAND_PX * gaussian(random));
}

/** Errors of the network at every proposed place, in shares of the body: what the parts of the model are read from. */
export const errorsIn = (swing: SeenSwing): TaughtPlace[] => placesOf(swing, () => 0);

function placesOf(swing: SeenSwing, offPx: () => number): TaughtPlace[] {
  const marks = proposedIn(swing, UNTAUGHT).flatMap((mark) => {
    const real = trueMark(swing, mark);
    return real ? [{ ...mark, u: real.u + offPx(), v: real.v + offPx(), sdPx: HAND_PX }] : [];
  });
  return taughtPlaces([{ id: swing.key, recordedOn: dayOf(swing), marks }], swing.golfer.handedness);
}

export const dayOf = ({ day }: Pick<SeenSwing, 'day'>): IsoDay => DAYS[day] ?? DAYS[0];

export const trueMark = (
  swing: SeenSwing,
  { view, station, landmark }: Pick<ProposedIn, 'view' | 'station' | 'landmark'>,
): Mark | undefined =>
  swing.views
    .find(({ kind }) => kind === view)
    ?.marks.find((mark) => mark.station === station && mark.landmark === landmark);
