import type { IsoDay } from '../../../foundation/index.ts';
import { FOUND_STATIONS, type Landmark, type Mark, type Station } from '../../capture/index.ts';
import { type Hand, VIEW_KINDS, type ViewKind } from '../../intake/index.ts';
import { type CoachErrors, NO_STUDENTS } from './coachErrors.ts';
import { type ExpectedError, expectedErrors, isTeachable } from './netError.ts';
import type { TaughtPlace } from './places.ts';
import { ownSdOf, type SeenHow, scatterTimes } from './seenHow.ts';
import { ERROR_ROWS } from './teachTable.ts';
import { usualError } from './usualErrors.ts';

/** Where the network saw a place and how, and how tall the body stood in that clip; pixels. */
export interface NetPlace extends SeenHow {
  readonly u: number;
  readonly v: number;
  readonly heightPx: number;
}

/** A swing as it teaches: marks that a hand has checked, with what the network had said. */
export interface TeachingSwing {
  readonly id: string;
  readonly recordedOn: IsoDay;
  readonly marks: readonly (Omit<Mark, 'view'> & {
    readonly view: ViewKind;
    readonly by?: 'network' | undefined;
    readonly net?: NetPlace | undefined;
  })[];
}

/** Further than this share of a body from what is usual is no error of place: another leg, another man. It teaches nothing. */
const NO_ERROR = 0.1;

/** Every place that a hand has checked after the network had said where it was. */
export const taughtPlaces = (swings: readonly TeachingSwing[], hand: Hand): TaughtPlace[] =>
  swings.flatMap(({ id, recordedOn, marks }) =>
    marks.flatMap(({ view, station, landmark, u, v, sdPx, by, net }): TaughtPlace[] => {
      if (by === 'network' || !net || net.heightPx <= 0 || !isTeachable(view, landmark)) return [];
      const across = ((hand === 'left' ? -1 : 1) * (net.u - u)) / net.heightPx;
      const down = (net.v - v) / net.heightPx;
      const usual = usualError(view, landmark, station);
      if (Math.hypot(across - usual.across, down - usual.down) > NO_ERROR) return [];
      const times = scatterTimes(net.scatter);
      const handSd = sdPx / net.heightPx;
      return [
        { view, station, landmark, clip: `${id} ${view}`, on: recordedOn, across, down, handSd, times },
      ];
    }),
  );

/** What is expected of the network at one place. */
export interface ErrorEntry extends ExpectedError {
  readonly view: ViewKind;
  readonly station: Station;
  readonly landmark: Landmark;
}

/** For every place that is proposed, in both views. */
export const errorTable = (
  taught: readonly TaughtPlace[],
  today: IsoDay,
  coach: CoachErrors = NO_STUDENTS,
): ErrorEntry[] =>
  VIEW_KINDS.flatMap((view) => {
    const asked = ERROR_ROWS.filter((row) => row.view === view).flatMap(({ landmark }) =>
      FOUND_STATIONS.map((station) => ({ landmark, station })),
    );
    const errors = expectedErrors(taught, view, asked, today, coach);
    return asked.map((place, i) => ({ view, ...place, ...(errors[i] as ExpectedError) }));
  });

/** Of a player of whom nothing was taught. */
export const UNTAUGHT: readonly ErrorEntry[] = errorTable([], '2000-01-01');

type Proposal = Omit<Mark, 'view'> & {
  readonly view: ViewKind;
  readonly by?: 'network' | undefined;
  readonly net?: NetPlace | undefined;
};

/** The same proposals as they would be had nobody taught anything; marks that a hand has set or checked stay. */
export const asUntaught = <M extends Proposal>(marks: readonly M[], hand: Hand): M[] =>
  marks.map((mark) => {
    const { by, net, view, station, landmark } = mark;
    const usual = UNTAUGHT.find(
      (one) => one.view === view && one.station === station && one.landmark === landmark,
    );
    if (by !== 'network' || !net || !usual) return mark;
    return {
      ...mark,
      u: net.u - (hand === 'left' ? -1 : 1) * usual.across * net.heightPx,
      v: net.v - usual.down * net.heightPx,
      sdPx: ownSdOf(usual.sharedSd, usual.ownSd, net) * net.heightPx,
      sdDownPx: ownSdOf(usual.sharedSdDown, usual.ownSdDown, net) * net.heightPx,
      sharedSdPx: usual.sharedSd * net.heightPx,
      sharedSdDownPx: usual.sharedSdDown * net.heightPx,
      handSdPx: 0,
    };
  });

/** How well a player is known: the sd that is left along either axis at a landmark of a view at address, as a share of his height. */
export function knownTo(table: readonly ErrorEntry[], view: ViewKind, landmark: Landmark): number | null {
  const entry = table.find(
    (one) => one.view === view && one.landmark === landmark && one.station === 'address',
  );
  if (!entry || entry.places === 0) return null;
  const { sharedSd, ownSd, sharedSdDown, ownSdDown } = entry;
  return Math.hypot(sharedSd, ownSd, sharedSdDown, ownSdDown) / Math.SQRT2;
}
