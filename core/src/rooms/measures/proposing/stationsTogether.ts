import { FOUND_STATIONS, type Station } from '../../capture/index.ts';

/** When a swing's stations are in one clip, seconds of that clip. */
export type StationMoments = ReadonlyMap<Station, number>;

/** A station as it was found. */
export interface FoundStation {
  readonly frame: number;
  /** How far it may be early or late, seconds (one sd); 0 where a hand has named it. */
  readonly sdS: number;
}

/** What either view shows surely, and by which two clips of one swing are put on one clock. */
const TIED_BY: readonly Station[] = ['top', 'impact'];
/** Clips whose downswings differ by more are not of one swing, or one of them is wrong. */
const AGREE_SECONDS = 0.07;
/** Found in both, neither surely: the middle of both is nearer. Address and finish stand still, so that each view's own will do. */
const MEETS: readonly Station[] = ['arm_back', 'arm_down', 'delivery'];

/**
 * A view's stations with what the other view of the same swing says of them: one that was not found here is taken from there, arm levels
 * and delivery are met halfway. Nothing is changed where the two clips don't show the same swing.
 */
export function withOtherView(own: StationMoments, other: StationMoments): Map<Station, number> {
  const apart = TIED_BY.flatMap((station) => {
    const [here, there] = [own.get(station), other.get(station)];
    return here === undefined || there === undefined ? [] : [here - there];
  });
  const found = new Map(own);
  if (apart.length < TIED_BY.length || Math.max(...apart) - Math.min(...apart) > AGREE_SECONDS) return found;
  const later = apart.reduce((sum, seconds) => sum + seconds, 0) / apart.length;
  for (const station of FOUND_STATIONS) {
    const [here, there] = [own.get(station), other.get(station)];
    if (there === undefined) continue;
    if (here === undefined) found.set(station, there + later);
    else if (MEETS.includes(station)) found.set(station, (here + there + later) / 2);
  }
  return found;
}
