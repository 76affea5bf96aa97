import type { Landmark, Station } from '../capture/index.ts';
import type { ViewKind } from '../intake/index.ts';
import type { MeasureDefinition } from './definitions.ts';

/**
 * Measures that lie along the line of sight of one view: from that view alone they hang on what is
 * supposed of bodies, and the fit is surer than it may be (the likeliest pose is not the mean one where
 * a limb is foreshortened). The further sd, in the measure's own unit, makes the interval honest again:
 * about what the error of 70 random stand-in golfers was beyond the fit's own sd.
 */
const BLIND_SD: Readonly<Record<ViewKind, Readonly<Record<string, number>>>> = {
  face_on: {
    knee_flex_address: 15,
    lead_knee_flex_impact: 17,
    hip_extension_chest_through: 12,
    trail_heel_up_finish: 0.6,
  },
  down_the_line: {
    pelvis_offset_address: 2,
    knee_flex_address: 8,
    tilt_address: 1,
    turn_top: 4,
    tilt_top: 2.5,
    lead_knee_in_top: 1,
    lead_knee_roll_delivery: 3.5,
    lead_knee_flex_impact: 8,
    lead_knee_past_ankle_impact: 2.2,
    tilt_impact: 2,
    trail_hip_behind_finish: 1.6,
    knee_gap_finish: 3.5,
    trail_heel_up_finish: 2.2,
    bearing_back: 0.7,
    bearing_forward: 0.7,
  },
};

/** Which views saw a place, by "station/landmark". */
export type SeenBy = ReadonlyMap<string, ReadonlySet<ViewKind>>;

/** Variance to add where fewer than half of a measure's places were seen from the side that shows it. */
export function blindVariance(
  { id, needs }: Pick<MeasureDefinition, 'id' | 'needs'>,
  seenBy: SeenBy,
): number {
  const places = needs.flatMap(([station, landmarks]) => landmarks.map((l) => keyOf(station, l)));
  const missing = (kind: ViewKind) =>
    places.filter((place) => seenBy.get(place)?.has(kind)).length < places.length / 2;
  const sd = Math.max(
    missing('down_the_line') ? (BLIND_SD.face_on[id] ?? 0) : 0,
    missing('face_on') ? (BLIND_SD.down_the_line[id] ?? 0) : 0,
  );
  return sd ** 2;
}

export const keyOf = (station: Station, landmark: Landmark): string => `${station}/${landmark}`;

/** Measures that no front view alone can tell. */
export const BLIND_FROM_THE_FRONT: ReadonlySet<string> = new Set(Object.keys(BLIND_SD.face_on));
