import { setTimeout as wait } from 'node:timers/promises';
import PQueue from 'p-queue';
import { Refusal } from './errors.ts';

const FREE_TRIES = 3;
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4000;
const FORGET_AFTER_MS = 15 * 60_000;
const MOST_CLIENTS = 10_000;
/** Digests computed at once, and one more that only a device which was let in before can take. */
const AT_ONCE = { stranger: 2, known: 1 } as const;
/** Tries of one client that may wait, and of all together. */
const MOST_IN_LANE = 5;
const MOST_WAITING = 500;

type Pause = (ms: number, signal?: AbortSignal) => Promise<unknown>;

/** Who tries: an address, or a device that this program let in before (it has a lane of its own). */
export interface Trier {
  readonly client: string;
  readonly isKnown?: boolean;
  /** Aborted when the sender has left: what still waits for them is dropped. */
  readonly signal?: AbortSignal;
}

/**
 * Wrong passphrases slow a client down and never shut anybody out. A client's tries go one after the other, each after
 * a wait that grows with the wrong ones before it; clients take turns, and lanes have an end.
 */
export class SlowDoor {
  private readonly wrong = new Map<string, { count: number; at: number }>();
  private readonly lanes = new Map<string, PQueue>();
  private readonly slots = {
    stranger: new PQueue({ concurrency: AT_ONCE.stranger }),
    known: new PQueue({ concurrency: AT_ONCE.known }),
  };
  private waiting = 0;
  private readonly now: () => number;
  private readonly pause: Pause;

  constructor(
    now: () => number = Date.now,
    pause: Pause = (ms, signal) => wait(ms, undefined, { ...(signal ? { signal } : {}) }),
  ) {
    this.now = now;
    this.pause = pause;
  }

  /** Milliseconds that this client's next try waits. */
  waitMs(client: string): number {
    const known = this.wrong.get(client);
    if (!known || this.now() - known.at > FORGET_AFTER_MS || known.count < FREE_TRIES) return 0;
    return Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (known.count - FREE_TRIES));
  }

  /** Runs a try in its turn; a failing one counts. Throws `too_many_requests` where the lane is full. */
  async attempt<T>(trier: Trier, tryIt: () => Promise<T>): Promise<T> {
    const { client, isKnown, signal } = trier;
    const lane = this.lanes.get(client) ?? new PQueue({ concurrency: 1 });
    const isFull = lane.size >= MOST_IN_LANE || (!isKnown && this.waiting >= MOST_WAITING);
    if (isFull) throw new Refusal('too_many_requests');
    this.lanes.set(client, lane);
    this.waiting++;
    try {
      return await inTurn(lane, signal, async () => {
        const ms = this.waitMs(client);
        if (ms > 0) await this.pause(ms, signal);
        return this.slots[isKnown ? 'known' : 'stranger'].add(() => this.counted(client, tryIt));
      });
    } finally {
      this.waiting--;
      if (lane.size === 0 && lane.pending === 0) this.lanes.delete(client);
    }
  }

  private async counted<T>(client: string, tryIt: () => Promise<T>): Promise<T> {
    try {
      const answer = await tryIt();
      this.wrong.delete(client);
      return answer;
    } catch (error) {
      this.count(client);
      throw error;
    }
  }

  private count(client: string): void {
    const count = (this.wrong.get(client)?.count ?? 0) + 1;
    this.wrong.delete(client);
    const [oldest] = this.wrong.keys();
    if (this.wrong.size >= MOST_CLIENTS && oldest !== undefined) this.wrong.delete(oldest);
    this.wrong.set(client, { count, at: this.now() });
  }
}

/** Leaving drops what waits, but not what has begun: else whoever hangs up would have the lane free again at once. */
async function inTurn<T>(lane: PQueue, signal: AbortSignal | undefined, work: () => Promise<T>): Promise<T> {
  const left = new AbortController();
  let begun = false;
  const leave = () => {
    if (!begun) left.abort(signal?.reason);
  };
  if (signal?.aborted) leave();
  signal?.addEventListener('abort', leave, { once: true });
  try {
    return await lane.add(
      async () => {
        begun = true;
        return work();
      },
      { signal: left.signal },
    );
  } finally {
    signal?.removeEventListener('abort', leave);
  }
}
