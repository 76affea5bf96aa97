import { expose, transfer } from 'comlink';
import {
  ALL_FORMATS,
  BlobSource,
  CanvasSink,
  EncodedPacketSink,
  Input,
  type InputVideoTrack,
} from 'mediabunny';

export interface OpenedClip {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Seconds of every frame, in the order they are shown. */
  readonly times: readonly number[];
}

export type ClipTrouble = 'not_video' | 'no_frames' | 'codec' | 'fetch';

/** Frames decoded around the one asked for, so that stepping on or back is at hand. */
const CHUNK_BEFORE = 10;
const CHUNK_AFTER = 14;
/** Bounded: at 540 x 960 a frame is 2 MB. */
const KEEP_BYTES = 220 * 1024 * 1024;

class ClipReader {
  private track: InputVideoTrack | null = null;
  private sink: CanvasSink | null = null;
  private times: number[] = [];
  private readonly kept = new Map<number, ImageBitmap>();

  /** Reads the clip's index; the pictures come when asked for. */
  async open(url: string): Promise<OpenedClip | { trouble: ClipTrouble; codec: string }> {
    const response = await fetch(url);
    if (!response.ok) return { trouble: 'fetch', codec: '' };
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
    return { widthPx: track.displayWidth, heightPx: track.displayHeight, times: this.times };
  }

  /** Exactly this frame, as a picture the page may keep. */
  async frame(index: number): Promise<ImageBitmap> {
    if (!this.kept.has(index)) await this.decodeAround(index);
    const bitmap = this.kept.get(index);
    if (!bitmap) throw new Error(`frame ${index} could not be decoded`);
    const copy = await createImageBitmap(bitmap);
    return transfer(copy, [copy]);
  }

  private async decodeAround(index: number): Promise<void> {
    if (!this.sink || !this.track) throw new Error('no clip is open');
    const from = Math.max(0, index - CHUNK_BEFORE);
    const to = Math.min(this.times.length - 1, index + CHUNK_AFTER);
    const end = (this.times[to] as number) + 1e-4;
    let at = from;
    for await (const { canvas, timestamp } of this.sink.canvases(this.times[from], end)) {
      while (at < to && (this.times[at] as number) < timestamp - 1e-4) at++;
      if (!this.kept.has(at)) this.kept.set(at, await createImageBitmap(canvas as OffscreenCanvas));
      at++;
    }
    this.forget(index);
  }

  private forget(index: number): void {
    const frameBytes = this.track ? this.track.displayWidth * this.track.displayHeight * 4 : 1;
    const most = Math.max(CHUNK_BEFORE + CHUNK_AFTER + 2, Math.floor(KEEP_BYTES / frameBytes));
    const far = [...this.kept.keys()].sort((a, b) => Math.abs(b - index) - Math.abs(a - index));
    while (this.kept.size > most) {
      const key = far.shift() as number;
      this.kept.get(key)?.close();
      this.kept.delete(key);
    }
  }
}

export type FrameReader = ClipReader;
expose(new ClipReader());
