import {
  LANES,
  type Lane,
  nextSending,
  outcomeOf,
  placeAfter,
  type SendingKind,
  withoutClip,
} from '@inchstep/core/checkins';
import { HttpError } from './httpError.ts';
import { type SendingStore, sendingStore, type Waiting } from './sendingStore.ts';

/** Something of the outbox and how far it is. */
export interface SendingNow extends Pick<Waiting, 'id' | 'what' | 'at' | 'body' | 'heldUntil' | 'refused'> {
  readonly state: 'waits' | 'sends' | 'there' | 'refused';
  /** 0 to 1. */
  readonly share: number;
  /** False where this device has no room to keep it over a closed page. */
  readonly kept: boolean;
}

/** What a carrier may say on the way. */
interface OnTheWay {
  readonly onShare: (share: number) => void;
  /** The name of a clip's pieces, kept for the next try; null = they are gone. */
  readonly onPieces: (pieces: string | null) => Promise<void>;
}
/** Brings one thing to the program; throws an HttpError where that fails. */
export type Carry = (waiting: Waiting, way: OnTheWay) => Promise<void>;

export interface OutboxOptions {
  readonly scope: string;
  readonly carry: Partial<Record<SendingKind, Carry>>;
  readonly onChange: (all: readonly SendingNow[], closed: boolean) => void;
  /** Something has just gone. */
  readonly onTaken?: (waiting: Waiting) => void;
  /** Given by tests. */
  readonly store?: Promise<SendingStore>;
}

type NewSending = Pick<Waiting, 'id' | 'what' | 'body'> &
  Partial<Pick<Waiting, 'file' | 'after' | 'heldUntil'>>;

const AGAIN_MS = 4000;

/**
 * Everything that is on its way from this device, each kept here until the program has taken it, each once. What can't
 * go now goes later by itself; what was refused stays, with its reason, until somebody lets it go.
 */
export class Outbox {
  private readonly options: OutboxOptions;
  private readonly running = new Map<Lane, Promise<void>>();
  private readonly shares = new Map<string, number>();
  private readonly gone = new Map<string, Waiting>();
  private readonly unkept = new Set<string>();
  private isClosed = false;
  private isOver = false;
  private readonly timer: ReturnType<typeof setInterval>;
  private readonly line: BroadcastChannel | null;
  private readonly wake = () => void this.flush();

  constructor(options: OutboxOptions) {
    this.options = options;
    this.timer = setInterval(this.wake, AGAIN_MS);
    window.addEventListener('online', this.wake);
    this.line =
      typeof BroadcastChannel === 'undefined'
        ? null
        : new BroadcastChannel(`inchstep.outbox.${options.scope}`);
    // Another tab put something in or sent it.
    this.line?.addEventListener('message', ({ data }: MessageEvent<Waiting | null>) => {
      if (data) this.takenNow(data);
      void this.tell();
    });
    void this.tell();
    void this.flush();
  }

  /** Keeps it here first, then sends it. Answers, once it is kept, whether it outlives this page. */
  async put({ file = null, after = [], heldUntil = null, ...what }: NewSending): Promise<boolean> {
    const { scope } = this.options;
    const store = await this.store();
    const all = await store.all(scope);
    const before = all.find(({ id }) => id === what.id);
    const at = before?.at ?? placeAfter(all, Date.now());
    const pieces = before?.pieces ?? null;
    const kept = await store.put({ ...what, scope, at, file, after, heldUntil, pieces, refused: null });
    if (!kept) this.unkept.add(what.id);
    await this.told();
    void this.flush();
    return kept;
  }

  /** What was taken back in time, or was refused and is not wanted any more. */
  async letGo(id: string): Promise<void> {
    const store = await this.store();
    await store.drop(id);
    await this.leaveOut(store, id);
    this.gone.delete(id);
    await this.told();
  }

  /** Puts off what can still be taken back no longer: the page goes away. */
  async release(): Promise<void> {
    const store = await this.store();
    for (const waiting of await store.all(this.options.scope))
      if (waiting.heldUntil !== null) await store.put({ ...waiting, heldUntil: null });
    await this.flush();
  }

  close(): void {
    this.isOver = true;
    clearInterval(this.timer);
    window.removeEventListener('online', this.wake);
    this.line?.close();
  }

  async flush(): Promise<void> {
    await Promise.all(LANES.map((lane) => this.flushLane(lane)));
  }

  private flushLane(lane: Lane): Promise<void> {
    const known = this.running.get(lane);
    if (known) return known;
    const run = this.inTurn(lane, () => this.sendAll(lane))
      .catch(() => undefined)
      .finally(() => this.running.delete(lane));
    this.running.set(lane, run);
    return run;
  }

  private store(): Promise<SendingStore> {
    return this.options.store ?? sendingStore();
  }

  /** Of two tabs one sends. */
  private async inTurn(lane: Lane, work: () => Promise<void>): Promise<void> {
    if (!navigator.locks) return work();
    const name = `inchstep.outbox.${this.options.scope}.${lane}`;
    await navigator.locks.request(name, { ifAvailable: true }, (lock) => (lock ? work() : undefined));
  }

  private async sendAll(lane: Lane): Promise<void> {
    const store = await this.store();
    const next = async () => nextSending(await store.all(this.options.scope), lane, Date.now());
    for (let waiting = await next(); waiting && !this.isOver; waiting = await next()) {
      const left = await this.sendOne(store, waiting);
      // The rest of the lane waits with it.
      if (left !== 'taken' && left !== 'refused') return;
      // What waited for a clip may go now.
      if (lane === 'clips') void this.flushLane('words');
    }
  }

  private async sendOne(store: SendingStore, waiting: Waiting) {
    const { id } = waiting;
    this.shares.set(id, 0);
    await this.tell();
    const { outcome, told } = await this.tryOne(store, waiting);
    this.shares.delete(id);
    this.isClosed = outcome === 'closed';
    if (outcome === 'taken') {
      await store.drop(id);
      this.takenNow(waiting);
    } else if (outcome === 'refused') {
      const latest = (await store.all(this.options.scope)).find((one) => one.id === id);
      if (latest) await store.put({ ...latest, refused: told });
      await this.leaveOut(store, id);
    }
    await this.told(outcome === 'taken' ? { ...waiting, file: null } : null);
    return outcome;
  }

  /** What waited for a clip goes without it. */
  private async leaveOut(store: SendingStore, clip: string): Promise<void> {
    for (const waiting of await store.all(this.options.scope)) {
      const left = withoutClip(waiting, clip);
      if (left !== waiting) await store.put(left);
    }
  }

  private async tryOne(store: SendingStore, waiting: Waiting) {
    const carry = this.options.carry[waiting.what];
    if (!carry) throw new Error(`outbox: nobody carries a ${waiting.what}`);
    try {
      await carry(waiting, {
        onShare: (share) => {
          this.shares.set(waiting.id, share);
          void this.tell();
        },
        onPieces: async (pieces) => {
          // One that was let go meanwhile stays away.
          const all = await store.all(waiting.scope);
          if (all.some(({ id }) => id === waiting.id)) await store.put({ ...waiting, pieces });
        },
      });
      return { outcome: 'taken' as const, told: '' };
    } catch (reason) {
      const status = reason instanceof HttpError ? reason.status : 0;
      const code = reason instanceof HttpError ? reason.failure.code : '';
      return { outcome: outcomeOf({ status, code }), told: reason instanceof Error ? reason.message : '' };
    }
  }

  /** It is there, whichever tab brought it. */
  private takenNow(waiting: Waiting): void {
    this.gone.set(waiting.id, waiting);
    this.options.onTaken?.(waiting);
  }

  private async told(taken: Waiting | null = null): Promise<void> {
    await this.tell();
    this.line?.postMessage(taken);
  }

  private async tell(): Promise<void> {
    const waiting = await (await this.store()).all(this.options.scope);
    if (this.isOver) return;
    const here = new Set(waiting.map(({ id }) => id));
    const there = [...this.gone.values()].filter(({ id }) => !here.has(id));
    const all = [...there.map((one) => this.now(one, true)), ...waiting.map((one) => this.now(one, false))];
    this.options.onChange(
      all.sort((a, b) => a.at - b.at),
      this.isClosed,
    );
  }

  private now({ id, what, at, body, heldUntil, refused }: Waiting, there: boolean): SendingNow {
    const share = this.shares.get(id);
    const state = there
      ? 'there'
      : refused !== null
        ? 'refused'
        : share === undefined
          ? ('waits' as const)
          : 'sends';
    const known = { id, what, at, body, heldUntil, refused };
    return { ...known, state, share: there ? 1 : (share ?? 0), kept: !this.unkept.has(id) };
  }
}
