import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import type { LookTrouble } from '@inchstep/core/capture';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import {
  type ErrorEntry,
  proposeMarks,
  proposeStations,
  type SeenBody,
  seenBody,
  steadyPlaces,
  steadySides,
} from '@inchstep/core/measures';
import { type Remote, transfer, wrap } from 'comlink';
import type { FrameReader } from './frames.worker.ts';
import { framesThread } from './framesThread.ts';
import type { PoseFinder } from './poser.worker.ts';

export interface Proposal {
  readonly view: ViewKind;
  readonly stationTimes: SwingView['stationTimes'];
  readonly marks: readonly SwingMark[];
}

/** `network`: the look itself could not run; the clip may be fine. */
export type ProposalTrouble = LookTrouble | 'network';
export type Looked =
  | { readonly ok: true; readonly proposal: Proposal }
  | { readonly ok: false; readonly trouble: ProposalTrouble };

export interface Golfer {
  readonly heightIn: number;
  readonly handedness: Hand;
  /** How the network is expected to err on this player. */
  readonly errors: readonly ErrorEntry[];
}

/** More frames a second than this tell nothing new about stations. */
const ENOUGH_A_SECOND = 60;
/** Fewer found bodies than this share of the frames are nobody standing there. */
const LEAST_FOUND = 0.6;

/** Looks through a whole clip for the body, in workers; null once it was stopped. `onProgress` hears 0 to 1. */
export async function lookThrough(
  url: string,
  kind: ViewKind,
  golfer: Golfer,
  { onProgress, stopped }: { onProgress: (share: number) => void; stopped: Promise<unknown> },
): Promise<Looked | null> {
  const left = golfer.handedness === 'left';
  const frames = framesThread();
  const network = new Worker('/networks/poser.js');
  const broken = new Promise<never>((_, fail) => {
    network.onerror = () => fail(new Trouble('network'));
  });
  try {
    const eyes = [wrap<FrameReader>(frames), wrap<PoseFinder>(network)] as const;
    const bodies = await Promise.race([
      look(...eyes, url, left, onProgress),
      stopped.then(() => null),
      broken,
    ]);
    return bodies && proposed(bodies, kind, golfer);
  } catch (reason) {
    return { ok: false, trouble: reason instanceof Trouble ? reason.code : 'network' };
  } finally {
    frames.terminate();
    network.terminate();
  }
}

function proposed(bodies: readonly SeenBody[], kind: ViewKind, golfer: Golfer): Looked {
  const steady = steadySides(bodies, kind, golfer.handedness === 'left');
  const stations = proposeStations(steady, kind, golfer);
  if (!stations.ok) return { ok: false, trouble: 'no_swing' };
  const times = [...stations.value].map(([s, frame]) => [s, steady[frame]?.time]);
  const left = golfer.handedness === 'left';
  const marks = proposeMarks(steadyPlaces(steady), kind, stations.value, golfer.errors, left);
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
  readonly code: ProposalTrouble;

  constructor(code: ProposalTrouble) {
    super(code);
    this.code = code;
  }
}

/** Bodies of all frames that are needed. */
async function look(
  reader: Remote<FrameReader>,
  poser: Remote<PoseFinder>,
  url: string,
  leftHanded: boolean,
  onProgress: (share: number) => void,
): Promise<SeenBody[]> {
  const clip = await reader.open(url);
  if ('trouble' in clip) throw new Trouble('clip');
  await poser.load(`${location.origin}/networks/`);
  const { times } = clip;
  const rate = (times.length - 1) / ((times.at(-1) ?? 1) - (times[0] ?? 0));
  const every = Math.max(1, Math.floor(rate / ENOUGH_A_SECOND + 0.01));
  const bodies: SeenBody[] = [];
  let looked = 0;
  for (let i = 0; i < times.length; i += every) {
    const picture = await reader.frame(i);
    const found = await poser.find(transfer(picture, [picture]));
    looked++;
    if (found) bodies.push(seenBody(times[i] as number, found, leftHanded));
    onProgress(i / times.length);
  }
  if (bodies.length < LEAST_FOUND * looked) throw new Trouble('nobody');
  return bodies;
}
