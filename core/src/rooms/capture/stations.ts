/** Moments of the swing at which the clip is stopped, in order. Ids are fixed by the formats. */
export const STATIONS = [
  'address',
  'shaft_back',
  'arm_back',
  'top',
  'arm_down',
  'delivery',
  'impact',
  'shaft_through',
  'chest_through',
  'finish',
] as const;
export type Station = (typeof STATIONS)[number];

/** Enough for a diagnosis. */
export const MAIN_STATIONS = [
  'address',
  'top',
  'delivery',
  'impact',
  'finish',
] as const satisfies readonly Station[];

/** What hands and body alone show, without the club. */
export const FOUND_STATIONS = [
  'address',
  'arm_back',
  'top',
  'arm_down',
  'delivery',
  'impact',
  'chest_through',
  'finish',
] as const satisfies readonly Station[];

export const stationRank = (station: Station): number => STATIONS.indexOf(station);
