import type { FileHandle } from 'node:fs/promises';
import { Refusal } from '../../platform/errors.ts';

const SEGMENT = 0x18538067;
const CLUSTER = 0x1f43b675;
/** Elements inside which the walk goes on. */
const OPENED = new Set([SEGMENT, CLUSTER]);
const MOST_ELEMENTS = 500_000;
const WINDOW = 256 * 1024;

interface Vint {
  readonly value: number;
  readonly length: number;
  readonly unknown: boolean;
}

/**
 * Walks a WebM file's elements, which may be of unknown size in a film that was written as it was taken. Every
 * one must have a name and end inside the file, and there must be an end to them.
 */
export async function scanElements(file: FileHandle, bytes: number): Promise<void> {
  const read = windowed(file, bytes);
  let at = 0;
  let segments = 0;
  for (let count = 0; at < bytes; count++) {
    if (count > MOST_ELEMENTS) throw new Refusal('clip_no_sense', { part: 'too many elements' });
    const head = await read(at);
    const id = vint(head, 0, false);
    const size = id && vint(head, id.length, true);
    if (!id || id.length > 4 || !size) throw new Refusal('clip_cut_off');
    if (id.value === SEGMENT) segments++;
    const body = at + id.length + size.length;
    const opened = OPENED.has(id.value);
    if (size.unknown ? !opened : body + size.value > bytes) throw new Refusal('clip_cut_off');
    at = opened ? body : body + size.value;
  }
  if (segments !== 1) throw new Refusal('clip_cut_off');
}

/** Up to twelve bytes at a place, read in large pieces. */
function windowed(file: FileHandle, bytes: number): (at: number) => Promise<Buffer> {
  let from = 0;
  let held = Buffer.alloc(0);
  return async (at) => {
    if (at < from || at + 12 > from + held.length) {
      const piece = Buffer.alloc(Math.min(WINDOW, bytes - at));
      await file.read(piece, 0, piece.length, at);
      from = at;
      held = piece;
    }
    return held.subarray(at - from, at - from + 12);
  };
}

/** A number of one to eight bytes whose length its first byte tells; an id keeps that mark. */
function vint(bytes: Buffer, at: number, isSize: boolean): Vint | null {
  const first = bytes[at];
  if (first === undefined || first === 0) return null;
  const length = Math.clz32(first) - 23;
  if (at + length > bytes.length) return null;
  let value = isSize ? first & (0xff >> length) : first;
  let ones = isSize && value === 0xff >> length;
  for (let i = 1; i < length; i++) {
    const byte = bytes[at + i] as number;
    value = value * 256 + byte;
    ones = ones && byte === 0xff;
  }
  return { value, length, unknown: ones };
}
