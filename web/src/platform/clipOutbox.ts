import { type ClipStore, clipStore, type WaitingClip } from './clipStore.ts';
import { post } from './http.ts';
import { HttpError } from './httpError.ts';
import type { sendPieces } from './sendPieces.ts';

/** How far a clip of the outbox is. */
export interface ClipSending {
  readonly id: string;
  readonly note: WaitingClip['note'];
  readonly kind: WaitingClip['kind'];
  readonly share: number;
  readonly state: 'waits' | 'sends' | 'there' | 'refused';
  /** Why it was refused, in words. */
  readonly refused: string | null;
}

/** Takes a whole clip in; `whole` is what the program is told of it. */
export type Deliver = (
  clip: WaitingClip,
  whole: { readonly pieces: string; readonly id: string; readonly kind: string; readonly recordedOn: string },
) => Promise<void>;

export interface OutboxOptions {
  readonly scope: string;
  /** Where pieces are begun: ".../pieces". */
  readonly endpoint: string;
  readonly deliver: Deliver;
  readonly onChange: (sendings: readonly ClipSending[]) => void;
  /** Given by tests. */
  readonly store?: Promise<ClipStore>;
  readonly send?: typeof sendPieces;
}

const AGAIN_MS = 4000;

/**
 * Clips on their way, oldest first, each kept on the device until the program has taken it in. What can't go now goes
 * later by itself; what was refused stays, with its reason, until somebody lets it go.
 */
export class ClipOutbox {
  private sendings: readonly ClipSending[] = [];
  private running: Promise<void> | null = null;
  private readonly timer: ReturnType<typeof setInterval>;
  private readonly options: OutboxOptions;
  private readonly wake = () => void this.flush();

  constructor(options: OutboxOptions) {
    this.options = options;
    this.timer = setInterval(this.wake, AGAIN_MS);
    window.addEventListener('online', this.wake);
    void this.flush();
  }

  /** Keeps a clip here first, then sends it. */
  async put(clip: Omit<WaitingClip, 'scope' | 'at' | 'pieces'>): Promise<void> {
    const waiting = { ...clip, scope: this.options.scope, at: Date.now(), pieces: null };
    this.tell(waiting, { state: 'waits' });
    await (await this.store()).put(waiting);
    await this.flush();
  }

  /** A refused clip that is not wanted any more. */
  async letGo(id: string): Promise<void> {
    await (await this.store()).drop(id);
    this.sendings = this.sendings.filter((one) => one.id !== id);
    this.options.onChange(this.sendings);
  }

  close(): void {
    clearInterval(this.timer);
    window.removeEventListener('online', this.wake);
  }

  flush(): Promise<void> {
    this.running ??= this.inTurn(() => this.sendAll())
      .catch(() => undefined)
      .finally(() => {
        this.running = null;
      });
    return this.running;
  }

  private store(): Promise<ClipStore> {
    return this.options.store ?? clipStore();
  }

  /** Of two tabs one sends. */
  private async inTurn(work: () => Promise<void>): Promise<void> {
    if (!navigator.locks) return work();
    await navigator.locks.request(`inchstep.outbox.${this.options.scope}`, { ifAvailable: true }, (lock) =>
      lock ? work() : undefined,
    );
  }

  private async sendAll(): Promise<void> {
    const store = await this.store();
    const next = async () => (await store.all(this.options.scope)).find(({ id }) => !this.isRefused(id));
    for (let clip = await next(); clip; clip = await next()) if (!(await this.sendOne(store, clip))) return;
  }

  private isRefused(id: string): boolean {
    return this.sendings.some((one) => one.id === id && one.state === 'refused');
  }

  /** False where the line is gone: the rest waits, too. */
  private async sendOne(store: ClipStore, clip: WaitingClip): Promise<boolean> {
    this.tell(clip, { state: 'sends', share: 0 });
    try {
      await this.sendWhole(store, clip);
      await store.drop(clip.id);
      this.tell(clip, { state: 'there', share: 1 });
      return true;
    } catch (reason) {
      // A door that is closed may be opened again, with a newer code: that loses no clip.
      if (!(reason instanceof HttpError && reason.final && reason.status !== 401)) {
        this.tell(clip, { state: 'waits' });
        return false;
      }
      this.tell(clip, { state: 'refused', refused: reason.message });
      return true;
    }
  }

  private async sendWhole(store: ClipStore, clip: WaitingClip, again = true): Promise<void> {
    const { id, kind, recordedOn, file } = clip;
    const { endpoint, deliver } = this.options;
    const send = this.options.send ?? (await import('./sendPieces.ts')).sendPieces;
    const pieces = await send({
      file,
      endpoint,
      // Not the whole address: a newer code or link goes on where the old one stopped.
      url: clip.pieces && `${endpoint}/${clip.pieces}`,
      onBegun: (begun) => void store.put({ ...clip, pieces: begun }),
      onProgress: (share) => this.tell(clip, { state: 'sends', share }),
    });
    try {
      await deliver(clip, { pieces, id, kind, recordedOn });
    } catch (reason) {
      const code = reason instanceof HttpError ? reason.failure.code : '';
      // The program let the pieces go meanwhile, or has not all of them: it begins anew, or goes on.
      if (!again || (code !== 'pieces_gone' && code !== 'pieces_missing')) throw reason;
      await this.sendWhole(store, { ...clip, pieces: code === 'pieces_gone' ? null : pieces }, false);
    }
  }

  private tell({ id, note, kind }: WaitingClip, more: Partial<ClipSending>): void {
    const before = this.sendings.find((one) => one.id === id) ?? {
      id,
      note,
      kind,
      share: 0,
      state: 'waits' as const,
      refused: null,
    };
    const now = { ...before, ...more };
    this.sendings = this.sendings.some((one) => one.id === id)
      ? this.sendings.map((one) => (one.id === id ? now : one))
      : [...this.sendings, now];
    this.options.onChange(this.sendings);
  }
}

/** Tells the program at `url` that a clip's pieces are whole. */
export const postWhole = <T>(url: string, whole: Parameters<Deliver>[1]): Promise<T> => post<T>(url, whole);
