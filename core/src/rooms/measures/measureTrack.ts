import {
  clamp,
  gaussian,
  good,
  type Random,
  type Result,
  toDeg,
  type Vec3,
  Z95,
} from '../../foundation/index.ts';
import type { Landmark, Motion, Station } from '../capture/index.ts';
import { type BandContext, bandFor, bodySizes, type MeasuredSizes, SIZE_SD_SHARE } from '../intake/index.ts';
import { clockHour, type GolferSizes, POSE_MEASURES } from './definitions.ts';
import type { Measure } from './measureCapture.ts';
import { type SmoothTrack, smoothTrack } from './trackSmooth.ts';
import { findStations, STATION_SD_SECONDS, type StationFrames, type TrackProblem } from './trackStations.ts';
import { judge } from './verdict.ts';

export interface MeasuredTrack {
  readonly measures: readonly Measure[];
  /** Seconds of each station found in the track. */
  readonly stations: Readonly<Partial<Record<Station, number>>>;
  /** Time back over time down; about 3 is usual, no band is set. */
  readonly tempo: number;
  /** Typical noise of one coordinate of the hips, inches. */
  readonly noiseIn: number;
}

/** Tries with fresh noise from which every sd is taken. */
const TRIES = 32;
/** Even a still marker sits on skin and cloth: nothing is known better than this, inches. */
const LEAST_NOISE_IN = 0.15;

/** A bearing less certain than half a radian is none, hours. */
const WIDEST_HOUR = 0.95;

type Values = Map<string, { value: number; station: Station }>;

/**
 * The measures of a track, time measures among them. Each sd comes from doing everything again
 * with the track's own noise added: smoothing, stations and measures.
 */
export function measureTrack(
  motion: Motion,
  golfer: MeasuredSizes,
  context: BandContext,
  random: Random,
): Result<MeasuredTrack, TrackProblem> {
  const track = smoothTrack(motion);
  const found = findStations(track);
  if (!found.ok) return found;
  const sizes = { outerHipWidthIn: bodySizes(golfer).outerHipWidthIn, outerHipWidthSdShare: SIZE_SD_SHARE };
  const values = valuesOf(track, found.value, sizes);
  const tries = Array.from({ length: TRIES }, () => {
    const again = smoothTrack(shaken(motion, track, random), { withNoise: false });
    const stations = findStations(again);
    return stations.ok ? valuesOf(again, mistimed(stations.value, again, random), sizes) : new Map();
  });
  const seconds = (frame: number) => track.startSeconds + frame * track.stepSeconds;
  const at = (station: Station) => seconds(found.value.get(station) as number);
  return good({
    measures: [...values].flatMap(([id, { value, station }]) => judged(id, station, value, tries, context)),
    stations: Object.fromEntries([...found.value].map(([station, frame]) => [station, seconds(frame)])),
    tempo: (at('top') - at('address')) / (at('impact') - at('top')),
    noiseIn: track.noiseIn.get('lead_hip') ?? LEAST_NOISE_IN,
  });
}

function judged(
  id: string,
  station: Station,
  value: number,
  tries: readonly Values[],
  context: BandContext,
): Measure[] {
  const isHour = id.startsWith('bearing_');
  // The clock goes round: 11:50 and 12:10 are twenty minutes apart.
  const off = tries.flatMap((t) => {
    const again = t.get(id)?.value;
    if (again === undefined) return [];
    return [isHour ? ((again - value + 18) % 12) - 6 : again - value];
  });
  // A measure that most tries don't have hangs on the noise.
  if (off.length < 0.8 * tries.length) return [];
  // How far noise pulls the value to one side counts as well as how far it scatters.
  const divides = POSE_MEASURES.some((d) => d.id === id && d.dividesByHipWidth);
  const widthSd = divides ? value * SIZE_SD_SHARE : 0;
  const sd = Math.hypot(Math.sqrt(off.reduce((sum, v) => sum + v * v, 0) / off.length), widthSd);
  if (isHour && sd > WIDEST_HOUR) return [];
  const band = bandFor(id, context);
  const { verdict, severity } = judge(value, sd, band);
  return [
    { id, station, value, sd, lo95: value - Z95 * sd, hi95: value + Z95 * sd, verdict, severity, band },
  ];
}

/** The raw motion with noise of its own size added once more. */
function shaken(motion: Motion, track: SmoothTrack, random: Random): Motion {
  const points = [...motion.points].map(([landmark, path]): [Landmark, Vec3[]] => {
    const sd = Math.max(track.noiseIn.get(landmark) ?? 0, LEAST_NOISE_IN);
    return [
      landmark,
      path.map((p) => [
        p[0] + sd * gaussian(random),
        p[1] + sd * gaussian(random),
        p[2] + sd * gaussian(random),
      ]),
    ];
  });
  return { times: motion.times, points: new Map(points) };
}

/** Stations as another eye might have set them. */
function mistimed(stations: StationFrames, track: SmoothTrack, random: Random): StationFrames {
  return new Map(
    [...stations].map(([station, frame]) => {
      const by = ((STATION_SD_SECONDS[station] ?? 0) / track.stepSeconds) * gaussian(random);
      return [station, clamp(Math.round(frame + by), 0, track.frames - 1)];
    }),
  );
}

function valuesOf(track: SmoothTrack, stations: StationFrames, sizes: GolferSizes): Values {
  const values: Values = new Map();
  const place = (station: Station, landmark: Landmark): Vec3 | undefined => {
    const frame = stations.get(station);
    return frame === undefined ? undefined : track.points.get(landmark)?.[frame];
  };
  for (const { id, station, needs, value } of POSE_MEASURES) {
    if (!needs.every(([s, landmarks]) => landmarks.every((l) => place(s, l)))) continue;
    values.set(id, { station, value: value((s, l) => place(s, l) as Vec3, sizes) });
  }
  const pelvis = pelvisPath(track);
  const frame = (station: Station) => stations.get(station) as number;
  const home = pelvis[frame('address')] as Vec3;
  const peak = furthestAway(pelvis, frame('address'), frame('top'));
  const set = (id: string, station: Station, value: number) => values.set(id, { station, value });
  set('shift_back_peak', 'top', (pelvis[peak] as Vec3)[0] - home[0]);
  const hour = (from: Vec3, to: Vec3) => clockHour(to[0] - from[0], to[1] - from[1]);
  set('bearing_back', 'top', hour(home, pelvis[peak] as Vec3));
  set('bearing_forward', 'impact', hour(pelvis[frame('top')] as Vec3, pelvis[frame('impact')] as Vec3));
  const start = startForward(pelvis, frame('address'), frame('delivery'));
  set('transition_lead_ms', 'top', (frame('top') - start) * track.stepSeconds * 1000);
  const hold = turnRateHold(track, stations);
  if (hold !== null) set('turn_rate_hold', 'impact', hold);
  return values;
}

const pelvisPath = ({ points }: SmoothTrack): Vec3[] => {
  const [lead, trail] = [points.get('lead_hip') ?? [], points.get('trail_hip') ?? []];
  return lead.map((l, i) => {
    const t = trail[i] as Vec3;
    return [(l[0] + t[0]) / 2, (l[1] + t[1]) / 2, (l[2] + t[2]) / 2];
  });
};

/** Share of the pelvis's top forward speed under which it has not yet set out. */
const SET_OUT = 0.1;

/**
 * Last frame before the pelvis's fastest move toward the target at which it was not yet under way;
 * a late starter's lies behind the top. The furthest point would hang on noise where the pelvis waits.
 */
function startForward(pelvis: readonly Vec3[], from: number, to: number): number {
  const speed = (i: number) => (pelvis[i + 1] as Vec3)[0] - (pelvis[i - 1] as Vec3)[0];
  let fastest = from + 1;
  for (let i = from + 1; i < to; i++) if (speed(i) > speed(fastest)) fastest = i;
  let start = fastest;
  while (start > from + 1 && speed(start) > SET_OUT * speed(fastest)) start--;
  return start;
}

/** Frame at which the pelvis stood furthest from the target. */
function furthestAway(pelvis: readonly Vec3[], from: number, to: number): number {
  let furthest = from;
  for (let i = from; i <= to; i++) if ((pelvis[i] as Vec3)[0] <= (pelvis[furthest] as Vec3)[0]) furthest = i;
  return furthest;
}

/** Mean turn rate from delivery to impact over the peak rate from top to impact. */
function turnRateHold(track: SmoothTrack, stations: StationFrames): number | null {
  const [top, delivery, impact] = [stations.get('top'), stations.get('delivery'), stations.get('impact')];
  const [lead, trail] = [track.points.get('lead_hip'), track.points.get('trail_hip')];
  if (top === undefined || delivery === undefined || impact === undefined || !lead || !trail) return null;
  if (impact <= delivery) return null;
  const turnDeg = (i: number) => {
    const [l, t] = [lead[i], trail[i]] as [Vec3, Vec3];
    return toDeg(Math.atan2(-(l[1] - t[1]), l[0] - t[0]));
  };
  let most = 0;
  for (let i = top + 1; i < impact; i++) most = Math.max(most, (turnDeg(i + 1) - turnDeg(i - 1)) / 2);
  return most > 0 ? (turnDeg(impact) - turnDeg(delivery)) / (impact - delivery) / most : null;
}
