/**
 * Working copies of clips, kept in the browser's own file store so that a swing opened again is there at
 * once. One file a clip: every frame as a picture, then the index, then the index's length. A file appears
 * only when it is whole. Where there is no store (no secure origin, a private window, no room) nothing is
 * kept and nothing fails: the copy is made again.
 */
export interface CopyFacts {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Seconds of every frame, in the order they are shown. */
  readonly times: readonly number[];
}

const FOLDER = 'working-copies';
const MOST_BYTES = 1024 ** 3;
/** Never more than this share of what the browser allows. */
const MOST_SHARE = 0.4;
const LENGTH_BYTES = 4;

const nameOf = (url: string): string => encodeURIComponent(url);

async function folder(create: boolean): Promise<FileSystemDirectoryHandle | null> {
  try {
    const root = await navigator.storage.getDirectory();
    return await root.getDirectoryHandle(FOLDER, { create });
  } catch {
    return null;
  }
}

/** The kept copy of a clip, its frames still on the disk; null where there is none. */
export async function readCopy(url: string): Promise<{ facts: CopyFacts; frames: Blob[] } | null> {
  try {
    const handle = await (await folder(false))?.getFileHandle(nameOf(url));
    if (!handle) return null;
    const file = await handle.getFile();
    const end = file.size - LENGTH_BYTES;
    const length = new DataView(await file.slice(end).arrayBuffer()).getUint32(0);
    const { facts, sizes } = JSON.parse(await file.slice(end - length, end).text()) as {
      facts: CopyFacts;
      sizes: number[];
    };
    let at = 0;
    const frames = sizes.map((size) => {
      at += size;
      return file.slice(at - size, at, 'image/jpeg');
    });
    return at === end - length && frames.length === facts.times.length ? { facts, frames } : null;
  } catch {
    return null;
  }
}

/** Keeps a whole copy; older ones make room. False where it could not be kept. */
export async function keepCopy(url: string, facts: CopyFacts, frames: readonly Blob[]): Promise<boolean> {
  const kept = await folder(true);
  if (!kept) return false;
  try {
    const index = new Blob([JSON.stringify({ facts, sizes: frames.map((frame) => frame.size) })]);
    const length = new DataView(new ArrayBuffer(LENGTH_BYTES));
    length.setUint32(0, index.size);
    const whole = new Blob([...frames, index, length.buffer]);
    if (!(await makeRoom(kept, whole.size))) return false;
    const handle = await kept.getFileHandle(nameOf(url), { create: true });
    const writing = await handle.createWritable();
    await writing.write(whole);
    await writing.close();
    return true;
  } catch {
    await kept.removeEntry(nameOf(url)).catch(() => undefined);
    return false;
  }
}

/** Lets the oldest copies go until so many bytes fit. */
async function makeRoom(kept: FileSystemDirectoryHandle, bytes: number): Promise<boolean> {
  const { quota = MOST_BYTES } = await navigator.storage.estimate();
  const most = Math.min(MOST_BYTES, quota * MOST_SHARE);
  if (bytes > most) return false;
  const files: File[] = [];
  for await (const handle of kept.values())
    if (handle.kind === 'file') files.push(await (handle as FileSystemFileHandle).getFile());
  files.sort((a, b) => a.lastModified - b.lastModified);
  let total = files.reduce((sum, file) => sum + file.size, bytes);
  for (const file of files) {
    if (total <= most) break;
    await kept.removeEntry(file.name);
    total -= file.size;
  }
  return true;
}

/** On signing out no student's film stays behind on this machine. */
export async function forgetCopies(): Promise<void> {
  try {
    const root = await navigator.storage.getDirectory();
    await root.removeEntry(FOLDER, { recursive: true });
  } catch {
    // Nothing was kept.
  }
}
