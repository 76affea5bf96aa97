import { expose, transfer } from 'comlink';
import {
  ALL_FORMATS,
  BlobSource,
  CanvasSink,
  EncodedPacketSink,
  Input,
  type InputVideoTrack,
} from 'mediabunny';
import { type CopyFacts, keepCopy, readCopy } from '../../platform/copyStore.ts';

export type OpenedClip = CopyFacts;

type ClipTrouble = 'not_video' | 'no_frames' | 'codec' | 'consent' | 'fetch';

/** Frames decoded around the one asked for, so that stepping on or back is at hand. */
const CHUNK_BEFORE = 10;
const CHUNK_AFTER = 14;
/** Only until the working copy is there; at 540 x 960 a frame is 2 MB, at 1080 x 1920 it is 8. */
const KEEP_BYTES = 64 * 1024 * 1024;
const LEAST_KEPT = 4;
/** No frame is as short. */
const INSIDE_SECONDS = 0.001;
/** Progress is told after so many frames. */
const TELL_EVERY = 8;
/** Nothing that a mark hangs on is lost at this quality. */
const COPY_QUALITY = 0.93;

class ClipReader {
  private track: InputVideoTrack | null = null;
  private sink: CanvasSink | null = null;
  private times: number[] = [];
  private readonly kept = new Map<number, ImageBitmap>();
  /** A working copy in which every frame stands alone: quick to reach in any order, and small. */
  private readonly copies: (Blob | undefined)[] = [];

  private coming: {
    readonly order: number[];
    readonly canvases: ReturnType<CanvasSink['canvasesAtTimestamps']>;
  } | null = null;

  /** Steps being decoded now: while there are any, copying waits. */
  private stepping: Promise<unknown> = Promise.resolve();

  /**
   * Reads the clip's index; the pictures come when asked for. `onCopied` hears the share copied, 0 to 1.
   * `anew` passes over a working copy that is kept. Without `copies` none is made: who goes through a clip once, and on, has no use
   * for what takes longer than the network.
   */
  async open(
    url: string,
    onCopied: (share: number) => void = () => {},
    anew = false,
    copies = true,
  ): Promise<OpenedClip | { trouble: ClipTrouble; codec: string }> {
    const kept = anew ? null : await readCopy(url);
    if (kept) {
      this.times = [...kept.facts.times];
      this.copies.push(...kept.frames);
      onCopied(1);
      return kept.facts;
    }
    const response = await fetch(url);
    if (!response.ok) return { trouble: response.status === 403 ? 'consent' : 'fetch', codec: '' };
    const input = new Input({ source: new BlobSource(await response.blob()), formats: ALL_FORMATS });
    const track = await input.getPrimaryVideoTrack().catch(() => null);
    if (!track) return { trouble: 'not_video', codec: '' };
    if (!(await track.canDecode())) return { trouble: 'codec', codec: track.codec ?? 'unknown' };
    const times: number[] = [];
    for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, {
      metadataOnly: true,
    }))
      times.push(packet.timestamp);
    if (times.length === 0) return { trouble: 'no_frames', codec: '' };
    this.track = track;
    this.times = times.sort((a, b) => a - b);
    this.sink = new CanvasSink(track, { poolSize: 2 });
    const facts = { widthPx: track.displayWidth, heightPx: track.displayHeight, times: this.times };
    if (!copies) return facts;
    // A clip that can't be copied is still stepped, by decoding around each frame.
    void oneAtATime(async () => {
      // Another reader of the clip may have kept a copy meanwhile: to write it anew would take its frames away.
      if (!anew && (await this.takeKept(url))) return;
      await this.copyAll(track, onCopied);
      await this.keep(url, facts);
    })
      .catch(() => undefined)
      .then(() => onCopied(1));
    return facts;
  }

  /**
   * Decodes straight through once and keeps each frame as a picture of its own: where key frames are a
   * second apart, going back by one otherwise means decoding a second of film.
   */
  private async copyAll(track: InputVideoTrack, onCopied: (share: number) => void): Promise<void> {
    let at = 0;
    onCopied(0);
    for await (const { canvas, timestamp } of new CanvasSink(track, { poolSize: 2 }).canvases()) {
      while (at < this.times.length - 1 && (this.times[at] as number) < timestamp - 1e-4) at++;
      this.copies[at] = await (canvas as OffscreenCanvas).convertToBlob({
        type: 'image/jpeg',
        quality: COPY_QUALITY,
      });
      at++;
      // 1 is told when it is kept, too: on hearing it the page lets this thread go.
      if (at % TELL_EVERY === 0 && at < this.times.length) onCopied(at / this.times.length);
      await this.stepping;
    }
  }

  /** On the disk the copy is there the next time, and weighs nothing now. */
  private async keep(url: string, facts: CopyFacts): Promise<void> {
    const whole = this.wholeCopy();
    if (whole && (await keepCopy(url, facts, whole))) await this.takeKept(url);
  }

  private async takeKept(url: string): Promise<boolean> {
    const kept = await readCopy(url);
    if (kept) this.copies.splice(0, this.copies.length, ...kept.frames);
    return kept !== null;
  }

  /** The whole working copy, or null where a frame could not be copied: then this reader is needed on. */
  wholeCopy(): Blob[] | null {
    const whole = this.times.map((_, i) => this.copies[i]);
    return whole.every((copy) => copy !== undefined) ? (whole as Blob[]) : null;
  }

  /** Frames that are asked for next, in this order, which is the clip's: decoded in one go, none of them twice. */
  ahead(indices: readonly number[]): void {
    void this.coming?.canvases.return(undefined);
    // A moment inside the frame: at its very beginning rounding may give the one before.
    const times = indices.map((i) => (this.times[i] as number) + INSIDE_SECONDS);
    this.coming = this.sink && {
      order: [...indices],
      canvases: this.sink.canvasesAtTimestamps(times),
    };
  }

  /** Exactly this frame, as a picture the page may keep. */
  async frame(index: number): Promise<ImageBitmap> {
    const next = await this.nextAhead(index);
    if (next) return transfer(next, [next]);
    if (!this.kept.has(index) && !this.copies[index]) await this.decode(index);
    const picture = await this.picture(index).catch(async (reason) => {
      // A kept copy that was let go, or written anew, takes its frames with it.
      if (!this.sink || !this.copies[index]) throw reason;
      this.copies.splice(0);
      await this.decode(index);
      return this.picture(index);
    });
    return transfer(picture, [picture]);
  }

  private async nextAhead(index: number): Promise<ImageBitmap | null> {
    if (!this.coming || this.coming.order[0] !== index || this.copies[index]) return null;
    this.coming.order.shift();
    const { value } = await this.coming.canvases.next();
    return value ? createImageBitmap(value.canvas as OffscreenCanvas) : null;
  }

  private async picture(index: number): Promise<ImageBitmap> {
    const from = this.kept.get(index) ?? this.copies[index];
    if (!from) throw new Error(`frame ${index} could not be decoded`);
    return createImageBitmap(from);
  }

  private async decode(index: number): Promise<void> {
    const decoded = this.decodeAround(index);
    this.stepping = decoded.catch(() => undefined);
    await decoded;
  }

  private async decodeAround(index: number): Promise<void> {
    if (!this.sink || !this.track) throw new Error('no clip is open');
    const half = Math.floor(this.most() / 2);
    const from = Math.max(0, index - Math.min(CHUNK_BEFORE, half));
    const to = Math.min(this.times.length - 1, index + Math.min(CHUNK_AFTER, half));
    const end = (this.times[to] as number) + 1e-4;
    let at = from;
    for await (const { canvas, timestamp } of this.sink.canvases(this.times[from], end)) {
      while (at < to && (this.times[at] as number) < timestamp - 1e-4) at++;
      if (!this.kept.has(at)) this.kept.set(at, await createImageBitmap(canvas as OffscreenCanvas));
      at++;
    }
    this.forget(index);
  }

  private most(): number {
    const frameBytes = this.track ? this.track.displayWidth * this.track.displayHeight * 4 : 1;
    return Math.max(LEAST_KEPT, Math.floor(KEEP_BYTES / frameBytes));
  }

  private forget(index: number): void {
    const most = this.most() + 2;
    const far = [...this.kept.keys()].sort((a, b) => Math.abs(b - index) - Math.abs(a - index));
    while (this.kept.size > most) {
      const key = far.shift() as number;
      this.kept.get(key)?.close();
      this.kept.delete(key);
    }
  }
}

/** Two clips are copied one after the other: two decoders at work at once double what the page weighs. */
const oneAtATime = (work: () => Promise<void>): Promise<void> =>
  navigator.locks ? navigator.locks.request('frames', work) : work();

export type FrameReader = ClipReader;
expose(new ClipReader());
