import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import type { LookTrouble } from '@inchstep/core/capture';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import {
  type ErrorEntry,
  framesAbout,
  framesPerSecond,
  LOOKS,
  proposeMarks,
  proposeStations,
  type SeenBody,
  seenBody,
  steadyPlaces,
  steadySides,
} from '@inchstep/core/measures';
import { type Remote, transfer, wrap } from 'comlink';
import type { BodyPoints } from './decode.ts';
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

/** Fewer found bodies than this share of the frames are nobody standing there. */
const LEAST_FOUND = 0.6;

/** Looks through a whole clip for the body, in workers; null once it was stopped. `onProgress` hears 0 to 1. */
export async function lookThrough(
  url: string,
  kind: ViewKind,
  golfer: Golfer,
  { onProgress, stopped }: { onProgress: (share: number) => void; stopped: Promise<unknown> },
): Promise<Looked | null> {
  const frames = framesThread();
  const network = new Worker('/networks/poser.js');
  const broken = new Promise<never>((_, fail) => {
    network.onerror = () => fail(new Trouble('network'));
  });
  try {
    const eyes = [wrap<FrameReader>(frames), wrap<PoseFinder>(network)] as const;
    const seen = await Promise.race([
      look(...eyes, url, kind, golfer, onProgress),
      stopped.then(() => null),
      broken,
    ]);
    return seen && proposed(seen, kind, golfer);
  } catch (reason) {
    return { ok: false, trouble: reason instanceof Trouble ? reason.code : 'network' };
  } finally {
    frames.terminate();
    network.terminate();
  }
}

function proposed({ bodies, again }: Seen, kind: ViewKind, golfer: Golfer): Looked {
  const left = golfer.handedness === 'left';
  const steady = steadySides(bodies, kind, left);
  const stations = proposeStations(steady, kind, golfer);
  if (!stations.ok) return { ok: false, trouble: 'no_swing' };
  const times = [...stations.value].map(([s, frame]) => [s, steady[frame]?.time]);
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
  readonly code: ProposalTrouble;

  constructor(code: ProposalTrouble) {
    super(code);
    this.code = code;
  }
}

/** The body in each frame that was looked at, and what was seen of some of them in the mirror and in a wider crop. */
interface Seen {
  readonly bodies: readonly SeenBody[];
  readonly again: readonly SeenBody[];
}

/** Of the whole, so much is the coarse pass, as far as anybody can tell beforehand. */
const COARSE_SHARE = 0.3;

async function look(
  reader: Remote<FrameReader>,
  poser: Remote<PoseFinder>,
  url: string,
  kind: ViewKind,
  golfer: Golfer,
  onProgress: (share: number) => void,
): Promise<Seen> {
  const clip = await reader.open(url);
  if ('trouble' in clip) throw new Trouble('clip');
  await poser.load(`${location.origin}/networks/`);
  const { times } = clip;
  const eyes = new Eyes(reader, poser, times, golfer.handedness === 'left');
  const coarse = framesPerSecond(times, LOOKS.coarsePerSecond);
  await eyes.lookAt(coarse, (share) => onProgress(COARSE_SHARE * share));
  if (eyes.bodies().length < LEAST_FOUND * coarse.length) throw new Trouble('nobody');
  const moments = () => momentsOf(eyes.bodies(), kind, golfer);
  const guessed = moments();
  // A swing too quick for the coarse pass is looked for in every frame.
  const fine = guessed
    ? framesAbout(times, guessed, LOOKS.aboutSeconds)
    : framesPerSecond(times, LOOKS.finePerSecond);
  await poser.forget();
  const [from, rest] = [COARSE_SHARE, 1 - COARSE_SHARE];
  const near = new Set(framesAbout(times, guessed ?? [], LOOKS.againSeconds));
  await eyes.lookAt(fine, (share) => onProgress(from + 0.9 * rest * share), near);
  const told = moments() ?? [];
  const missed = framesAbout(times, told, LOOKS.againSeconds).filter((i) => !near.has(i));
  await poser.forget();
  await eyes.lookAt(missed, (share) => onProgress(from + rest * (0.9 + 0.1 * share)), new Set(missed));
  return { bodies: eyes.bodies(), again: eyes.again };
}

/** Moments of the stations, seconds; null where there is no swing to be seen. */
function momentsOf(bodies: readonly SeenBody[], kind: ViewKind, golfer: Golfer): number[] | null {
  const steady = steadySides(bodies, kind, golfer.handedness === 'left');
  const stations = proposeStations(steady, kind, golfer);
  return stations.ok ? [...stations.value.values()].flatMap((frame) => steady[frame]?.time ?? []) : null;
}

/** Looks at frames in order; what was seen of one before is kept. */
class Eyes {
  readonly again: SeenBody[] = [];
  private readonly seen = new Map<number, SeenBody>();
  private readonly reader: Remote<FrameReader>;
  private readonly poser: Remote<PoseFinder>;
  private readonly times: readonly number[];
  private readonly left: boolean;

  constructor(
    reader: Remote<FrameReader>,
    poser: Remote<PoseFinder>,
    times: readonly number[],
    left: boolean,
  ) {
    this.reader = reader;
    this.poser = poser;
    this.times = times;
    this.left = left;
  }

  bodies(): SeenBody[] {
    return [...this.seen].sort(([a], [b]) => a - b).map(([, body]) => body);
  }

  /** `thrice`: those are also looked at in the mirror and in a wider crop. */
  async lookAt(
    frames: readonly number[],
    onShare: (share: number) => void,
    thrice: ReadonlySet<number> = new Set(),
  ): Promise<void> {
    for (const [k, i] of frames.entries()) {
      if (thrice.has(i) || !this.seen.has(i)) await this.lookOnce(i, thrice.has(i));
      onShare((k + 1) / frames.length);
    }
  }

  private async lookOnce(i: number, thrice: boolean): Promise<void> {
    const picture = await this.reader.frame(i);
    const { found, again } = await this.poser.look(transfer(picture, [picture]), thrice);
    const body = (points: BodyPoints) => seenBody(this.times[i] as number, points, this.left);
    if (found) this.seen.set(i, body(found));
    this.again.push(...again.map(body));
  }
}
