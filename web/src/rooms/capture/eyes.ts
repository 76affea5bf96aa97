import type { Hand } from '@inchstep/core/intake';
import { type SeenBody, seenBody } from '@inchstep/core/measures';
import { type Remote, transfer, wrap } from 'comlink';
import type { BodyPoints, Region } from './decode.ts';
import type { FrameReader } from './frames.worker.ts';
import { framesThread } from './framesThread.ts';
import type { PoseFinder } from './poser.worker.ts';

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

/** Looks at frames of a clip, each pair at a stretch of them; what was seen of one before is kept. */
export class Eyes {
  /** What was seen in the mirror and in a wider crop. */
  readonly more: SeenBody[] = [];
  private readonly seen = new Map<number, { readonly body: SeenBody; readonly region: Region }>();
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

  /** Finds the body in frames in which it was not looked for yet. */
  async find(frames: readonly number[], onShare: (share: number) => void): Promise<void> {
    const open = frames.filter((i) => !this.seen.has(i));
    await this.shared(open, onShare, async ({ poser }, picture, i) => {
      const look = await poser.look(transfer(picture, [picture]));
      if (look) this.seen.set(i, { body: this.bodyIn(look.found, i), region: look.region });
    });
  }

  /** Looks twice more where the body was found: in the mirror and in a wider crop. */
  async lookAgain(frames: readonly number[], onShare: (share: number) => void): Promise<void> {
    const open = frames.filter((i) => this.seen.has(i) && !this.moreOf.has(i));
    await this.shared(open, onShare, async ({ poser }, picture, i) => {
      this.moreOf.add(i);
      const { mirrored, wider } = await poser.again(transfer(picture, [picture]), this.seen.get(i)?.region);
      for (const points of [mirrored, wider]) if (points) this.more.push(this.bodyIn(points, i));
    });
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
        await pair.poser.forget();
        for (const i of part) {
          await look(pair, await pair.reader.frame(i), i);
          onShare(++done / frames.length);
        }
      }),
    );
  }
}

/** Frames in order as so many stretches of about the same length. */
export function stretches(frames: readonly number[], many: number): readonly number[][] {
  const edge = (k: number) => Math.round((k * frames.length) / many);
  return Array.from({ length: many }, (_, k) => frames.slice(edge(k), edge(k + 1)));
}
