import { open } from 'node:fs/promises';
import { ALL_FORMATS, EncodedPacketSink, FilePathSource, Input, type InputVideoTrack } from 'mediabunny';
import { Refusal } from '../../platform/errors.ts';
import { type BoxScan, firstBox, scanBoxes } from './boxes.ts';
import { scanElements } from './elements.ts';

export interface ClipFacts {
  readonly container: 'mp4' | 'mov' | 'webm';
  readonly codec: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly durationS: number;
  readonly frames: number;
  readonly framesPerSecond: number;
}

/** Codecs that browsers here decode frame by frame. */
const READABLE = new Set(['avc', 'vp8', 'vp9', 'av1']);
const CODEC_NAMES: Readonly<Record<string, string>> = { hevc: 'HEVC (H.265)' };
export const EBML = 0x1a45dfa3;

/** What a clip holds, or a refusal that says what is wrong and what to do. Reads, never writes; runs on a worker. */
export async function inspectClip(path: string, bytes: number): Promise<ClipFacts> {
  if (bytes === 0) throw new Refusal('clip_empty');
  const container = await containerOf(path, bytes);
  const input = new Input({ source: new FilePathSource(path), formats: ALL_FORMATS });
  try {
    const track = await videoTrack(input);
    const codec = track.codec ?? 'unknown';
    if (!READABLE.has(codec)) throw new Refusal('clip_codec', { codec: CODEC_NAMES[codec] ?? codec });
    return sensible({ container, codec, ...(await countFrames(track)) });
  } catch (error) {
    // What the reader stumbles over in a file whose head was right is a file that breaks off.
    throw error instanceof Refusal ? error : new Refusal('clip_cut_off');
  } finally {
    input.dispose();
  }
}

async function videoTrack(input: Input): Promise<InputVideoTrack> {
  const track = await input.getPrimaryVideoTrack();
  if (!track) throw new Refusal('clip_no_frames');
  return track;
}

async function countFrames(track: InputVideoTrack) {
  const stats = await track.computePacketStats();
  if (stats.packetCount === 0) throw new Refusal('clip_no_frames');
  const sink = new EncodedPacketSink(track);
  const last = await sink.getPacket(Number.POSITIVE_INFINITY);
  if (!last || last.data.byteLength < last.byteLength) throw new Refusal('clip_cut_off');
  const durationS = await track.computeDuration();
  return {
    widthPx: track.displayWidth,
    heightPx: track.displayHeight,
    durationS,
    frames: stats.packetCount,
    framesPerSecond: stats.averagePacketRate,
  };
}

/** What a film can be; anything else is a file that lies about itself. */
const POSSIBLE: readonly [keyof ClipFacts, low: number, high: number][] = [
  ['widthPx', 16, 16_384],
  ['heightPx', 16, 16_384],
  ['durationS', 0.001, 3600],
  ['frames', 1, 216_000],
  ['framesPerSecond', 0.5, 2000],
];

/** Nothing is kept that can't be shown. */
function sensible(facts: ClipFacts): ClipFacts {
  for (const [name, low, high] of POSSIBLE) {
    const value = facts[name] as number;
    if (!(value >= low && value <= high)) throw new Refusal('clip_no_sense', { part: name });
  }
  return facts;
}

/** The container by its first bytes, walked to its end. */
export async function containerOf(path: string, bytes: number): Promise<ClipFacts['container']> {
  const file = await open(path);
  try {
    const head = Buffer.alloc(32);
    await file.read(head, 0, 32, 0);
    if (head.readUInt32BE(0) === EBML) {
      await scanElements(file, bytes);
      return 'webm';
    }
    const kind = firstBox(head);
    if (kind === null) throw new Refusal('clip_not_video');
    const scan: BoxScan = await scanBoxes(file, bytes);
    if (scan.breaksOff || !scan.names.has('moov')) throw new Refusal('clip_cut_off');
    return kind;
  } finally {
    await file.close();
  }
}
