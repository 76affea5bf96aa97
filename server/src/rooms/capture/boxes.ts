import type { FileHandle } from 'node:fs/promises';

/** Top-level boxes of an MP4 or MOV file: which there are, and whether the last one is whole. */
export interface BoxScan {
  readonly names: ReadonlySet<string>;
  readonly breaksOff: boolean;
}

const STARTS = new Set(['ftyp', 'moov', 'mdat', 'wide', 'free', 'skip']);

/** The family a file's first box belongs to, or null when it is no such file. */
export function firstBox(head: Buffer): 'mp4' | 'mov' | null {
  const name = head.toString('latin1', 4, 8);
  if (!STARTS.has(name)) return null;
  return name === 'ftyp' && head.toString('latin1', 8, 12) !== 'qt  ' ? 'mp4' : 'mov';
}

export async function scanBoxes(file: FileHandle, bytes: number): Promise<BoxScan> {
  const names = new Set<string>();
  const head = Buffer.alloc(16);
  let at = 0;
  while (at + 8 <= bytes) {
    await file.read(head, 0, 16, at);
    const short = head.readUInt32BE(0);
    names.add(head.toString('latin1', 4, 8));
    if (short === 0) return { names, breaksOff: false };
    const size = short === 1 ? Number(head.readBigUInt64BE(8)) : short;
    if (size < 8) return { names, breaksOff: true };
    at += size;
  }
  return { names, breaksOff: at !== bytes };
}
