import type { Laid } from '@inchstep/core/measures';
import { sameMoment } from '@inchstep/core/measures';
import { wrap } from 'comlink';
import { BufferTarget, CanvasSource, Output, QUALITY_HIGH, QUALITY_LOW, WebMOutputFormat } from 'mediabunny';
import { ToldError } from '../../platform/httpError.ts';
import { type FrameReader, framesThread, type OpenedClip } from '../capture/index.ts';
import { drawPair, PAIR_HEIGHT, type PairMode, pairWidth } from './drawPair.ts';
import { PAIR_EXPORT_WORDS } from './words.ts';

export interface ClipSide {
  readonly url: string;
  readonly title: string;
  readonly stationTimes: Readonly<Partial<Record<string, number>>>;
}

interface Reader {
  readonly clip: OpenedClip;
  frame(seconds: number): Promise<ImageBitmap>;
  close(): void;
}

/** A reader of its own: the export must not pull the screen's picture along. */
async function openReader(url: string): Promise<Reader> {
  const thread = framesThread();
  const reader = wrap<FrameReader>(thread);
  const clip = await reader.open(url);
  if ('trouble' in clip) {
    thread.terminate();
    throw new ToldError(PAIR_EXPORT_WORDS.noFrames);
  }
  const indexAt = (seconds: number) => {
    const after = clip.times.findIndex((t) => t > seconds + 1e-6);
    return Math.max(0, (after < 0 ? clip.times.length : after) - 1);
  };
  return {
    clip,
    frame: async (seconds) => reader.frame(indexAt(seconds)),
    close: () => thread.terminate(),
  };
}

/** Rest before the first and after the last named station, seconds. */
const MARGIN = 0.25;

/** Both swings as one WebM, every frame of the newer one with the other's same moment. */
export async function exportPair(
  then: ClipSide | null,
  now: ClipSide,
  mode: PairMode,
  laid: Laid | null,
  onProgress: (share: number) => void,
  signal: AbortSignal,
  /** For a phone on a slow line. */
  small = false,
): Promise<Blob> {
  const readers: Reader[] = [];
  try {
    const nowReader = await openReader(now.url);
    readers.push(nowReader);
    const thenReader = then ? await openReader(then.url) : null;
    if (thenReader) readers.push(thenReader);
    const named = Object.values(now.stationTimes).filter((t): t is number => t !== undefined);
    const [from, to] = [Math.min(...named) - MARGIN, Math.max(...named) + MARGIN];
    const times = nowReader.clip.times.filter((t) => named.length < 2 || (t >= from && t <= to));
    const sideOf = (picture: ImageBitmap, clip: OpenedClip, title: string) => ({ ...clip, picture, title });
    const canvas = new OffscreenCanvas(16, PAIR_HEIGHT);
    const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
    const source = new CanvasSource(canvas, {
      codec: 'vp8',
      bitrate: small ? QUALITY_LOW : QUALITY_HIGH,
    });
    output.addVideoTrack(source);
    for (const [i, time] of times.entries()) {
      if (signal.aborted) {
        if (i > 0) await output.cancel();
        throw new DOMException('stopped', 'AbortError');
      }
      const nowPicture = await nowReader.frame(time);
      const other = then ? sameMoment(time, now.stationTimes, then.stationTimes) : null;
      const thenPicture = thenReader && other !== null ? await thenReader.frame(other) : null;
      const nowSide = sideOf(nowPicture, nowReader.clip, now.title);
      const thenSide =
        thenReader && thenPicture && then ? sideOf(thenPicture, thenReader.clip, then.title) : null;
      if (i === 0) {
        canvas.width = pairWidth(thenSide, nowSide, mode, laid);
        await output.start();
      }
      const context = canvas.getContext('2d');
      if (!context) throw new ToldError(PAIR_EXPORT_WORDS.noDrawing);
      drawPair(context, thenSide, nowSide, mode, laid);
      nowPicture.close();
      thenPicture?.close();
      const next = times[i + 1] ?? time + (time - (times[i - 1] ?? time - 1 / 30));
      await source.add(time - (times[0] as number), next - time);
      onProgress((i + 1) / times.length);
    }
    await output.finalize();
    return new Blob([output.target.buffer as ArrayBuffer], { type: 'video/webm' });
  } finally {
    for (const reader of readers) reader.close();
  }
}

/** Hands a file to the browser's own saving. */
export function saveFile(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
