import buffer from 'node:buffer';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { beforeEach, describe, expect, test } from '@jest/globals';
import { forgetCopies, keepCopy, readCopy } from './copyStore.ts';

// The browser's own can be read; the stand-in page's can't.
Object.assign(globalThis, { Blob: buffer.Blob, File: buffer.File });

/** A file store in memory: as much of the browser's own as is used here. */
class Folder {
  readonly files = new Map<string, File>();
  readonly folders = new Map<string, Folder>();
  clock = 0;
  full = false;

  async getDirectoryHandle(name: string, { create }: { create: boolean }): Promise<Folder> {
    const found = this.folders.get(name) ?? (create ? new Folder() : null);
    if (!found) throw new DOMException('none', 'NotFoundError');
    this.folders.set(name, found);
    return found;
  }
  async getFileHandle(name: string, { create } = { create: false }) {
    if (!this.files.has(name) && !create) throw new DOMException('none', 'NotFoundError');
    return {
      kind: 'file',
      getFile: async () => this.files.get(name) as File,
      createWritable: async () => ({
        write: async (data: Blob) => {
          if (this.full) throw new DOMException('no room', 'QuotaExceededError');
          this.files.set(name, new File([data], name, { lastModified: ++this.clock }));
        },
        close: async () => undefined,
      }),
    };
  }
  async removeEntry(name: string): Promise<void> {
    if (!this.files.delete(name) && !this.folders.delete(name)) throw new DOMException('none');
  }
  async *values() {
    for (const name of this.files.keys()) yield await this.getFileHandle(name);
  }
}

let root: Folder;
let quota: number;
const setStore = (storage: unknown) =>
  Object.defineProperty(navigator, 'storage', { value: storage, configurable: true });
beforeEach(() => {
  root = new Folder();
  quota = 1e9;
  setStore({ getDirectory: async () => root, estimate: async () => ({ quota }) });
});

const facts = (frames: number) => ({
  widthPx: 360,
  heightPx: 640,
  times: Array.from({ length: frames }, (_, i) => i / 30),
});
const pictures = (frames: number, bytes = 20) =>
  Array.from({ length: frames }, (_, i) => new Blob([new Uint8Array(bytes + i).fill(i)]));
const kept = () => [...(root.folders.get('working-copies')?.files.keys() ?? [])].map(decodeURIComponent);

describe('working copies on the disk', () => {
  test('come back frame for frame, with their times', async () => {
    expect(await readCopy(urlOf(wire.capture.clipFile, { id: 'a' }))).toBeNull();
    expect(await keepCopy(urlOf(wire.capture.clipFile, { id: 'a' }), facts(5), pictures(5))).toBe(true);
    const copy = await readCopy(urlOf(wire.capture.clipFile, { id: 'a' }));
    expect(copy?.facts).toEqual(facts(5));
    expect(copy?.frames.map((frame) => frame.size)).toEqual([20, 21, 22, 23, 24]);
    expect(new Uint8Array((await copy?.frames[3]?.arrayBuffer()) as ArrayBuffer)).toEqual(
      new Uint8Array(23).fill(3),
    );
    expect(await readCopy(urlOf(wire.capture.clipFile, { id: 'b' }))).toBeNull();
  });
  test('one that was cut short is no copy', async () => {
    await keepCopy('a', facts(3), pictures(3));
    const folder = root.folders.get('working-copies') as Folder;
    const whole = folder.files.get('a') as File;
    for (const size of [whole.size - 1, whole.size - 40, 3, 0]) {
      folder.files.set('a', new File([whole.slice(0, size)], 'a'));
      expect(await readCopy('a')).toBeNull();
    }
  });
  test('the oldest make room for a new one, and one too large pushes nothing out', async () => {
    quota = 2500;
    for (const name of ['a', 'b', 'c']) await keepCopy(name, facts(2), pictures(2, 150));
    expect(kept()).toEqual(['b', 'c']);
    expect(await keepCopy('d', facts(2), pictures(2, 600))).toBe(false);
    expect(kept()).toEqual(['b', 'c']);
  });
  test('a full disk leaves nothing half-written', async () => {
    await keepCopy('a', facts(1), pictures(1));
    (root.folders.get('working-copies') as Folder).full = true;
    expect(await keepCopy('b', facts(1), pictures(1))).toBe(false);
    expect(kept()).toEqual(['a']);
  });
  test('go on signing out; without a store nothing fails', async () => {
    await keepCopy('a', facts(1), pictures(1));
    await forgetCopies();
    expect(await readCopy('a')).toBeNull();
    await forgetCopies();
    setStore(undefined);
    expect(await keepCopy('a', facts(1), pictures(1))).toBe(false);
    expect(await readCopy('a')).toBeNull();
    await forgetCopies();
  });
});
