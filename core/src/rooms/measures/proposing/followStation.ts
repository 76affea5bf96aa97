import type { Mark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { NetPlace } from '../teaching/taughtPlaces.ts';

/** So far from where it was seen a place may be carried along its line; beyond, it is another frame's and nobody has looked there. */
const FOLLOWS_SECONDS = 0.055;

type Proposal = Omit<Mark, 'view'> & {
  readonly view: ViewKind;
  readonly by?: 'network' | undefined;
  readonly net?: NetPlace | undefined;
};

/** Stations of a view that a hand has named, or has set a mark at: the others have nothing but proposals, at a moment that is one, too. */
export const namedByHand = (
  stationTimes: Readonly<Partial<Record<Station, number | undefined>>>,
  marks: readonly Proposal[],
  view: ViewKind,
): Partial<Record<Station, number>> =>
  Object.fromEntries(
    Object.entries(stationTimes).filter(([station]) => {
      const here = marks.filter((m) => m.view === view && m.station === station);
      return here.some(({ by }) => by !== 'network') || !here.some(({ moving }) => (moving?.sdS ?? 0) > 0);
    }),
  );

/** A hand names the station of a view, seconds of its clip; `before` is when it was taken to be. */
interface NamedStation {
  readonly view: ViewKind;
  readonly station: Station;
  readonly time: number;
  readonly before: number | undefined;
}

/**
 * Marks of a swing once a hand has named a station: what was proposed there goes with it, as fast as it moved, and its moment is in
 * doubt no longer; what is too far off to be carried is let go. Marks that a hand has set stay where they are.
 */
export const followStation = <M extends Proposal>(marks: readonly M[], named: NamedStation): M[] =>
  marks.flatMap((mark) => {
    const { moving } = mark;
    if (mark.by !== 'network' || mark.view !== named.view || mark.station !== named.station) return [mark];
    const late = named.time - (named.before ?? named.time);
    if (!moving) return late === 0 ? [mark] : [];
    if (Math.abs(named.time - moving.atS) > FOLLOWS_SECONDS) return [];
    const [du, dv] = [moving.uPerS * late, moving.vPerS * late];
    const net = mark.net && { net: { ...mark.net, u: mark.net.u + du, v: mark.net.v + dv } };
    return [{ ...mark, u: mark.u + du, v: mark.v + dv, moving: { ...moving, sdS: 0 }, ...net }];
  });
