import { setTimeout as wait } from 'node:timers/promises';

const FREE_TRIES = 3;
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4000;
const FORGET_AFTER_MS = 15 * 60_000;
const MOST_CLIENTS = 10_000;
const AT_ONCE = 2;

/**
 * Wrong passphrases slow a client down and never shut anybody out: each try waits longer after more wrong
 * ones, up to a few seconds, and only two are tried at a time, taken in turn from clients, not from a queue
 * that one of them could fill.
 */
export class SlowDoor {
  private readonly wrong = new Map<string, { count: number; at: number }>();
  private readonly lanes = new Map<string, (() => void)[]>();
  private trying = 0;
  private readonly now: () => number;
  private readonly pause: (ms: number) => Promise<unknown>;

  constructor(now: () => number = Date.now, pause: (ms: number) => Promise<unknown> = (ms) => wait(ms)) {
    this.now = now;
    this.pause = pause;
  }

  /** Milliseconds that this client's next try waits. */
  waitMs(client: string): number {
    const known = this.wrong.get(client);
    if (!known || this.now() - known.at > FORGET_AFTER_MS || known.count < FREE_TRIES) return 0;
    return Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (known.count - FREE_TRIES));
  }

  /** Runs a try in its turn; a failing one counts. */
  async attempt<T>(client: string, tryIt: () => Promise<T>): Promise<T> {
    const ms = this.waitMs(client);
    if (ms > 0) await this.pause(ms);
    await this.turn(client);
    try {
      const answer = await tryIt();
      this.wrong.delete(client);
      return answer;
    } catch (error) {
      this.count(client);
      throw error;
    } finally {
      this.trying--;
      this.callNext();
    }
  }

  private count(client: string): void {
    if (this.wrong.size >= MOST_CLIENTS) this.wrong.clear();
    this.wrong.set(client, { count: (this.wrong.get(client)?.count ?? 0) + 1, at: this.now() });
  }

  private async turn(client: string): Promise<void> {
    if (this.trying >= AT_ONCE) {
      await new Promise<void>((go) => {
        this.lanes.set(client, [...(this.lanes.get(client) ?? []), go]);
      });
    }
    this.trying++;
  }

  /** The first of the next client; that client goes to the end of the line. */
  private callNext(): void {
    const [entry] = this.lanes;
    if (!entry) return;
    const [client, [go, ...rest]] = entry;
    this.lanes.delete(client);
    if (rest.length > 0) this.lanes.set(client, rest);
    go?.();
  }
}
