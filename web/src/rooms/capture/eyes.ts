import type { Hand } from '@inchstep/core/intake';
import { type BodyTrack, type SeenBody, type Sighting, seenBody } from '@inchstep/core/measures';
import { type Remote, transfer, wrap } from 'comlink';
import type { BodyPoints, Region } from './decode.ts';
import type { FrameReader } from './frames.worker.ts';
import { framesThread } from './framesThread.ts';
import type { FoundBody, PoseFinder } from './poser.worker.ts';

/** A thread that reads frames and one that finds the body in them. */
export interface Pair {
  readonly reader: Remote<FrameReader>;
  readonly poser: Remote<PoseFinder>;
}

/** A network knows one body at a time and a reader is at one place of the clip: each part of a clip has its own two. */
export class Pairs {
  readonly all: readonly Pair[];
  /** Comes, as a refusal, where a network's thread can't run. */
  readonly broken: Promise<never>;
  private readonly threads: readonly Worker[];

  constructor(many: number) {
    const made = Array.from({ length: many }, () => ({
      frames: framesThread(),
      network: new Worker('/networks/poser.js'),
    }));
    this.threads = made.flatMap(({ frames, network }) => [frames, network]);
    this.all = made.map(({ frames, network }) => ({
      reader: wrap<FrameReader>(frames),
      poser: wrap<PoseFinder>(network),
    }));
    this.broken = new Promise<never>((_, fail) => {
      for (const { network } of made) network.onerror = () => fail(new Error('Pairs: a network can’t run'));
    });
    this.broken.catch(() => undefined);
  }

  end(): void {
    for (const thread of this.threads) thread.terminate();
  }
}

/** So many pairs are worth their memory: somebody who waits has all of a machine, what goes on beside his work half of it. */
export const pairsFor = (cores: number, waiting: boolean): number =>
  Math.max(1, Math.min(MOST_PAIRS, waiting ? cores : Math.floor(cores / 2)));
const MOST_PAIRS = 3;

/** A body in a frame of the clip: the square it was found in, and the one that fits it. */
interface SeenAt extends Sighting {
  readonly frame: number;
  readonly within: Region;
  readonly at: Region;
}

/** In every so many frames of the coarse pass it is asked who else is there. */
const ASKS_WHO_EVERY = 6;

/** Looks at frames of a clip, each pair at a stretch of them; what was seen of one before is kept. */
export class Eyes {
  /** What was seen in the mirror and in a wider crop. */
  readonly more: SeenBody[] = [];
  private readonly seen = new Map<number, SeenAt>();
  private readonly moreOf = new Set<number>();
  private readonly pairs: readonly Pair[];
  private readonly times: readonly number[];
  private readonly left: boolean;

  constructor(pairs: readonly Pair[], times: readonly number[], hand: Hand) {
    this.pairs = pairs;
    this.times = times;
    this.left = hand === 'left';
  }

  bodies(): SeenBody[] {
    return [...this.seen].sort(([a], [b]) => a - b).map(([, { body }]) => body);
  }

  /** Everybody in these frames. */
  async everybody(frames: readonly number[], onShare: (share: number) => void): Promise<SeenAt[][]> {
    const seen = new Map<number, SeenAt[]>();
    const known = new Map<Pair, { readonly regions: readonly Region[]; readonly asked: number }>();
    await this.shared(frames, onShare, async (pair, picture, frame) => {
      const { regions, asked } = known.get(pair) ?? { regions: [], asked: 0 };
      const others = asked % ASKS_WHO_EVERY === 0;
      const found = await pair.poser.everybody(transfer(picture, [picture]), regions, others);
      known.set(pair, { regions: found.map(({ points }) => points.next), asked: asked + 1 });
      seen.set(
        frame,
        found.map((one) => this.seenAt(one, frame)),
      );
    });
    return frames.map((frame) => seen.get(frame) ?? []);
  }

  /** From now on the body of this track is the one that is looked for. */
  follow(track: BodyTrack<SeenAt>): void {
    for (const one of track) this.seen.set(one.frame, one);
  }

  /** Finds the body that is followed in frames in which it was not looked for yet. */
  async find(frames: readonly number[], onShare: (share: number) => void): Promise<void> {
    const open = frames.filter((i) => !this.seen.has(i));
    // Never where another pair has seen it meanwhile: the same clip would be read otherwise another time.
    const before = new Map(this.seen);
    const lastOf = new Map<Pair, SeenAt>();
    await this.shared(open, onShare, async (pair, picture, i) => {
      const near = nearestTo(i, [lastOf.get(pair), ...before.values()]);
      const look = near && (await pair.poser.look(transfer(picture, [picture]), near.at));
      if (!look) return;
      const one = this.seenAt(look, i);
      this.seen.set(i, one);
      lastOf.set(pair, one);
    });
  }

  /** Looks twice more where the body was found: in the mirror and in a wider crop. */
  async lookAgain(frames: readonly number[], onShare: (share: number) => void): Promise<void> {
    const open = frames.filter((i) => this.seen.has(i) && !this.moreOf.has(i));
    await this.shared(open, onShare, async ({ poser }, picture, i) => {
      this.moreOf.add(i);
      const { within } = this.seen.get(i) as SeenAt;
      const { mirrored, wider } = await poser.again(transfer(picture, [picture]), within);
      for (const points of [mirrored, wider]) if (points) this.more.push(this.bodyIn(points, i));
    });
  }

  private seenAt({ points, region }: FoundBody, frame: number): SeenAt {
    return { frame, within: region, at: points.next, body: this.bodyIn(points, frame) };
  }

  private bodyIn(points: BodyPoints, i: number): SeenBody {
    return seenBody(this.times[i] as number, points, this.left);
  }

  private async shared(
    frames: readonly number[],
    onShare: (share: number) => void,
    look: (pair: Pair, picture: ImageBitmap, frame: number) => Promise<void>,
  ): Promise<void> {
    let done = 0;
    await Promise.all(
      stretches(frames, this.pairs.length).map(async (part, k) => {
        const pair = this.pairs[k] as Pair;
        await pair.reader.ahead(part);
        for (const i of part) {
          await look(pair, await pair.reader.frame(i), i);
          onShare(++done / frames.length);
        }
      }),
    );
  }
}

/** The one in the nearest frame, the first of two as near. */
const nearestTo = (frame: number, seen: readonly (SeenAt | undefined)[]): SeenAt | null =>
  seen.reduce<SeenAt | null>((best, one) => {
    if (!one) return best;
    return best === null || Math.abs(one.frame - frame) < Math.abs(best.frame - frame) ? one : best;
  }, null);

/** Frames in order as so many stretches of about the same length. */
export function stretches(frames: readonly number[], many: number): readonly number[][] {
  const edge = (k: number) => Math.round((k * frames.length) / many);
  return Array.from({ length: many }, (_, k) => frames.slice(edge(k), edge(k + 1)));
}
