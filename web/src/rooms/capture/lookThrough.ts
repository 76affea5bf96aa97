import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import type { LookTrouble, Station } from '@inchstep/core/capture';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import {
  aboutStation,
  againAbout,
  bodyTracks,
  type ErrorEntry,
  framesAbout,
  framesPerSecond,
  LOOKS,
  proposeMarks,
  proposeStations,
  type SeenBody,
  type StationMoments,
  steadyPlaces,
  steadySides,
  whoSwings,
} from '@inchstep/core/measures';
import { Eyes, type Pair, Pairs, pairsFor } from './eyes.ts';

export interface Proposal {
  readonly view: ViewKind;
  readonly stationTimes: SwingView['stationTimes'];
  readonly marks: readonly SwingMark[];
}

/** `network`: the look itself could not run; the clip may be fine. */
export type ProposalTrouble = LookTrouble | 'network';
export type Looked =
  | { readonly ok: true; readonly proposal: Proposal }
  /** `swingers`: how many there are, where nobody can tell which of them is the player. */
  | { readonly ok: false; readonly trouble: ProposalTrouble; readonly swingers?: number };

export interface Golfer {
  readonly heightIn: number;
  readonly handedness: Hand;
  /** How the network is expected to err on this player. */
  readonly errors: readonly ErrorEntry[];
  /** When the other view of the swing has its stations, where it has any. */
  readonly other: SwingView['stationTimes'];
  /** When a hand has named stations of this view. */
  readonly named: SwingView['stationTimes'];
  /** Which of those who swing in the picture, from left to right, where the coach has said so. */
  readonly chosen?: number;
}

export interface How {
  /** Hears 0 to 1. */
  readonly onProgress: (share: number) => void;
  readonly stopped: Promise<unknown>;
  /** Somebody waits for it; else it goes on beside other work. */
  readonly waiting: boolean;
}

/** Looks through a whole clip for the body, in workers; null once it was stopped. */
export async function lookThrough(
  url: string,
  kind: ViewKind,
  golfer: Golfer,
  { onProgress, stopped, waiting }: How,
): Promise<Looked | null> {
  const pairs = new Pairs(pairsFor(navigator.hardwareConcurrency ?? 1, waiting));
  try {
    const seen = await Promise.race([
      look(pairs.all, url, kind, golfer, onProgress),
      stopped.then(() => null),
      pairs.broken,
    ]);
    return seen && proposed(seen, kind, golfer);
  } catch (reason) {
    return reason instanceof Trouble ? { ok: false, ...reason.said } : { ok: false, trouble: 'network' };
  } finally {
    pairs.end();
  }
}

function proposed({ bodies, again }: Seen, kind: ViewKind, golfer: Golfer): Looked {
  const left = golfer.handedness === 'left';
  const steady = steadySides(bodies, kind, left);
  const stations = proposeStations(steady, kind, golfer, knownOf(golfer));
  if (!stations.ok) return { ok: false, trouble: 'no_swing' };
  const times = [...stations.value].map(([s, { frame }]) => [s, steady[frame]?.time]);
  const places = steadyPlaces(steady, { kind, again: steadySides(again, kind, left) });
  const marks = proposeMarks(places, kind, stations.value, golfer.errors, left);
  return {
    ok: true,
    proposal: {
      view: kind,
      stationTimes: Object.fromEntries(times),
      marks: marks.map((m) => ({ ...m, view: kind, by: 'network' as const })),
    },
  };
}

class Trouble extends Error {
  readonly said: { readonly trouble: ProposalTrouble; readonly swingers?: number };

  constructor(trouble: ProposalTrouble, swingers?: number) {
    super(trouble);
    this.said = { trouble, ...(swingers !== undefined && { swingers }) };
  }
}

/** The body in each frame that was looked at, and what was seen of some of them in the mirror and in a wider crop. */
interface Seen {
  readonly bodies: readonly SeenBody[];
  readonly again: readonly SeenBody[];
}

/** So much of the whole is done after each pass, as far as anybody can tell beforehand. */
const SHARES = { coarse: 0.25, fine: 0.6 } as const;

async function look(
  pairs: readonly Pair[],
  url: string,
  kind: ViewKind,
  golfer: Golfer,
  onProgress: (share: number) => void,
): Promise<Seen> {
  const opened = await Promise.all(
    pairs.map(async ({ reader, poser }) => {
      const loads = poser.load(`${location.origin}/networks/`);
      loads.catch(() => undefined);
      // The film itself, not the working copy: its pictures are a little coarser, which moves a top by a frame or two.
      const clip = await reader.open(url, undefined, true, false);
      if ('trouble' in clip) throw new Trouble('clip');
      await loads;
      return clip.times;
    }),
  );
  const times = opened[0] ?? [];
  const eyes = new Eyes(pairs, times, golfer.handedness);
  const part = (from: number, to: number) => (share: number) => onProgress(from + (to - from) * share);
  const coarse = framesPerSecond(times, LOOKS.coarsePerSecond);
  const everybody = await eyes.everybody(coarse, part(0, SHARES.coarse));
  const who = whoSwings(bodyTracks(everybody), coarse.length, kind, golfer, golfer.chosen);
  if (who.code === 'nobody') throw new Trouble('nobody');
  if (who.code === 'two_swing') throw new Trouble('two_swing', who.tracks.length);
  eyes.follow(who.track);
  const moments = () => momentsOf(eyes.bodies(), kind, golfer);
  const guessed = moments();
  // A swing too quick for the coarse pass is looked for in every frame.
  const fine = guessed
    ? framesAbout(
        times,
        guessed.map(([station, moment]) => [moment, aboutStation(station)]),
      )
    : framesPerSecond(times, LOOKS.finePerSecond);
  await eyes.find(fine, part(SHARES.coarse, SHARES.fine));
  const near = framesAbout(
    times,
    (moments() ?? []).map(([station, moment]) => [moment, againAbout(station)]),
  );
  await eyes.find(near, () => undefined);
  await eyes.lookAgain(near, part(SHARES.fine, 1));
  return { bodies: eyes.bodies(), again: eyes.more };
}

const momentsIn = (times: SwingView['stationTimes']): StationMoments =>
  new Map(Object.entries(times) as [Station, number][]);
const knownOf = ({ other, named }: Golfer) => ({ other: momentsIn(other), named: momentsIn(named) });

/** Moments of the stations, seconds; null where there is no swing to be seen. */
function momentsOf(
  bodies: readonly SeenBody[],
  kind: ViewKind,
  golfer: Golfer,
): (readonly [Station, number])[] | null {
  const steady = steadySides(bodies, kind, golfer.handedness === 'left');
  const stations = proposeStations(steady, kind, golfer, knownOf(golfer));
  return stations.ok
    ? [...stations.value].map(([station, { frame }]) => [station, steady[frame]?.time ?? 0] as const)
    : null;
}
