import { open } from 'node:fs/promises';
import { ENCLOSURE_LIMITS, type EnclosureKind } from '@inchstep/core/checkins';
import { ALL_FORMATS, FilePathSource, Input } from 'mediabunny';
import { Refusal } from '../../platform/errors.ts';
import { firstBox } from './boxes.ts';
import { containerOf, EBML, inspectClip } from './inspectClip.ts';

export interface EnclosureFacts {
  readonly ending: 'png' | 'jpg' | 'webm' | 'mp4' | 'mov';
  readonly seconds: number | null;
}
interface EnclosureTask {
  readonly path: string;
  readonly bytes: number;
  readonly kind: EnclosureKind;
}

/** Codecs of a voice that browsers here play. */
const HEARD = new Set(['opus', 'aac']);
const PNG = 0x89504e47;
const JPEG = 0xffd8ff;

/** What a file that is to go along with a letter really is, or a refusal. Reads, never writes; runs on a worker. */
export async function inspectEnclosure({ path, bytes, kind }: EnclosureTask): Promise<EnclosureFacts> {
  const { mostBytes, mostS } = ENCLOSURE_LIMITS[kind];
  if (bytes === 0 || bytes > mostBytes) throw wrong('size');
  if (kind === 'picture') return { ending: await pictureEnding(path), seconds: null };
  const found = kind === 'clip' ? await clipFacts(path, bytes) : await voiceFacts(path, bytes);
  if (mostS !== null && found.seconds > mostS + 2) throw wrong('length');
  return found;
}

const wrong = (part: string) => new Refusal('enclosure_wrong', { part });

async function pictureEnding(path: string): Promise<'png' | 'jpg'> {
  const head = await headOf(path);
  if (head.readUInt32BE(0) === PNG) return 'png';
  if (head.readUIntBE(0, 3) === JPEG) return 'jpg';
  throw wrong('kind');
}

async function clipFacts(path: string, bytes: number) {
  const { container, durationS } = await inspectClip(path, bytes);
  return { ending: container, seconds: durationS };
}

async function voiceFacts(path: string, bytes: number) {
  const head = await headOf(path);
  if (head.readUInt32BE(0) !== EBML && firstBox(head) === null) throw wrong('kind');
  const ending = await containerOf(path, bytes);
  const input = new Input({ source: new FilePathSource(path), formats: ALL_FORMATS });
  try {
    const voice = await input.getPrimaryAudioTrack();
    if (!voice || !HEARD.has(voice.codec ?? '') || (await input.getPrimaryVideoTrack())) throw wrong('kind');
    return { ending, seconds: await voice.computeDuration() };
  } catch (error) {
    throw error instanceof Refusal ? error : wrong('end');
  } finally {
    input.dispose();
  }
}

async function headOf(path: string): Promise<Buffer> {
  const file = await open(path);
  try {
    const head = Buffer.alloc(32);
    await file.read(head, 0, 32, 0);
    return head;
  } finally {
    await file.close();
  }
}
