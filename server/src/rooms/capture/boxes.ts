import type { FileHandle } from 'node:fs/promises';
import { Refusal } from '../../platform/errors.ts';

/** Top-level boxes of an MP4 or MOV file: which there are, and whether the last one is whole. */
export interface BoxScan {
  readonly names: ReadonlySet<string>;
  readonly breaksOff: boolean;
}

const STARTS = new Set(['ftyp', 'moov', 'mdat', 'wide', 'free', 'skip']);
const HEAD = 16;
/** A phone writes a handful; a film in pieces one or two a second. */
const MOST_BOXES = 20_000;
/** More than any swing has: an hour at 60 pictures a second. */
const MOST_SAMPLES = 216_000;
/** A header larger than this is no swing's. */
const MOST_HEADER_BYTES = 32 * 1024 * 1024;

/** The family a file's first box belongs to, or null when it is no such file. */
export function firstBox(head: Buffer): 'mp4' | 'mov' | null {
  const name = head.toString('latin1', 4, 8);
  if (!STARTS.has(name)) return null;
  return name === 'ftyp' && head.toString('latin1', 8, 12) !== 'qt  ' ? 'mp4' : 'mov';
}

/** Walks the file's boxes and looks through the tables of its headers; a table without sense is refused. */
export async function scanBoxes(file: FileHandle, bytes: number): Promise<BoxScan> {
  const names = new Set<string>();
  const head = Buffer.alloc(HEAD);
  let at = 0;
  for (let count = 0; at + 8 <= bytes; count++) {
    if (count > MOST_BOXES) throw new Refusal('clip_no_sense', { part: 'too many boxes' });
    await file.read(head, 0, HEAD, at);
    const short = head.readUInt32BE(0);
    const name = head.toString('latin1', 4, 8);
    names.add(name);
    if (short === 0) return { names, breaksOff: false };
    const size = short === 1 ? Number(head.readBigUInt64BE(8)) : short;
    if (size < 8) return { names, breaksOff: true };
    if (at + size <= bytes && (name === 'moov' || name === 'moof'))
      await checkHeader(file, at + (short === 1 ? 16 : 8), size - (short === 1 ? 16 : 8), name);
    at += size;
  }
  return { names, breaksOff: at !== bytes };
}

async function checkHeader(file: FileHandle, at: number, size: number, name: string): Promise<void> {
  if (size > MOST_HEADER_BYTES) throw new Refusal('clip_no_sense', { part: `${name} too large` });
  const header = Buffer.alloc(Math.max(0, size));
  await file.read(header, 0, header.length, at);
  checkTables(header, { boxes: 0, samples: 0 }, 0);
}

const CONTAINERS = new Set(['trak', 'mdia', 'minf', 'stbl', 'edts', 'mvex', 'traf']);

/** Bytes one entry takes in each table that is as long as it says. */
const ENTRY_BYTES: Readonly<Record<string, number>> = {
  stts: 8,
  ctts: 8,
  stsc: 12,
  stco: 4,
  co64: 8,
  stss: 4,
};

interface Seen {
  boxes: number;
  samples: number;
}

/** Every table must fit its own box, and all together describe a film somebody could have taken. */
function checkTables(body: Buffer, seen: Seen, depth: number): void {
  for (let at = 0; at + 8 <= body.length; ) {
    if (++seen.boxes > MOST_BOXES || depth > 12)
      throw new Refusal('clip_no_sense', { part: 'too many boxes' });
    const size = body.readUInt32BE(at);
    const name = body.toString('latin1', at + 4, at + 8);
    if (size === 0) return;
    if (size < 8 || at + size > body.length) throw new Refusal('clip_no_sense', { part: nameOf(name) });
    const inside = body.subarray(at + 8, at + size);
    if (CONTAINERS.has(name)) checkTables(inside, seen, depth + 1);
    else checkTable(name, inside, seen);
    at += size;
  }
}

const nameOf = (name: string): string => (/^[\w ]{4}$/.test(name) ? name.trim() : 'a box without a name');

function checkTable(name: string, body: Buffer, seen: Seen): void {
  const no = (): never => {
    throw new Refusal('clip_no_sense', { part: name });
  };
  const entryBytes = ENTRY_BYTES[name];
  if (entryBytes !== undefined) {
    const count = body.length >= 8 ? body.readUInt32BE(4) : no();
    if (count * entryBytes > body.length - 8 || count > MOST_SAMPLES) no();
    if (name === 'stts') checkTimes(body, count, no);
  }
  if (name === 'stsz') {
    const [each, count] = body.length >= 12 ? [body.readUInt32BE(4), body.readUInt32BE(8)] : no();
    seen.samples += count;
    if (seen.samples > 4 * MOST_SAMPLES || (each === 0 && count * 4 > body.length - 12)) no();
  }
  if (name === 'trun') {
    const count = body.length >= 8 ? body.readUInt32BE(4) : no();
    seen.samples += count;
    if (seen.samples > MOST_SAMPLES || count > body.length) no();
  }
  if (name === 'mdhd' || name === 'mvhd') {
    const at = body[0] === 1 ? 20 : 12;
    if (body.length < at + 4 || body.readUInt32BE(at) === 0) no();
  }
}

/** Pictures must follow each other in time: a picture that lasts no time at all makes endless speed. */
function checkTimes(body: Buffer, count: number, no: () => never): void {
  let samples = 0;
  let time = 0;
  for (let i = 0; i < count; i++) {
    const many = body.readUInt32BE(8 + 8 * i);
    samples += many;
    time += many * body.readUInt32BE(12 + 8 * i);
  }
  if (samples > 4 * MOST_SAMPLES || (samples > 1 && time === 0)) no();
}
