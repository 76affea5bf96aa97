import { AsyncLocalStorage } from 'node:async_hooks';
import { existsSync, statfsSync } from 'node:fs';
import { type FileHandle, open, readdir } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import type { ProblemCode } from '@inchstep/contract/words';
import { plainText } from '@inchstep/core/foundation';
import { FileStore } from '@tus/file-store';
import { Server } from '@tus/server';
import { failureOf, machineProblem, Refusal } from './errors.ts';

/** A file of which no piece came for so long is let go. */
const FORGOTTEN_MS = 48 * 3_600_000;
/** Files one sender may have on the way at once. */
const MOST_AT_ONCE = 8;
export const PIECE_ID = /^[0-9a-f]{32}$/;

/** A whole file that came in pieces. */
interface PieceFile {
  readonly stream: Readable;
  readonly fileName: string;
}

/**
 * Files that come in pieces over connections that break, by the open tus protocol. Each belongs to who began it (a
 * student's page, a lesson's phone, the coach's work with a student); to anybody else it isn't there. Only bytes rest
 * here: what they are is said, and looked at, when the whole file is taken.
 */
export class Pieces {
  private readonly folder: string;
  private readonly store: FileStore;
  private readonly tus: Server;
  /** Who the request under way stands for: nothing that it says of itself decides that. */
  private readonly owner = new AsyncLocalStorage<string>();
  private readonly limitBytes: number;
  private readonly beginning = new Map<string, Promise<void>>();

  /** `roomFor` says how many bytes an owner may still bring. */
  constructor(
    dataDir: string,
    limitBytes: number,
    roomFor: (owner: string) => number = () => Number.POSITIVE_INFINITY,
  ) {
    this.limitBytes = limitBytes;
    this.folder = join(dataDir, 'pieces');
    this.store = new FileStore({ directory: this.folder, expirationPeriodInMilliseconds: FORGOTTEN_MS });
    this.tus = new Server({
      path: '/',
      datastore: this.store,
      maxSize: limitBytes,
      allowedOrigins: () => false,
      onResponseError: async (_, error) => {
        const machine = machineProblem(error) ?? (isFull(this.folder) ? 'disk_full' : null);
        return machine ? answerOf(machine) : undefined;
      },
      generateUrl: (request, { id }) => `${new URL(request.url).pathname}/${id}`,
      getFileIdFromRequest: (_, last) => (last && PIECE_ID.test(last) ? last : undefined),
      onUploadCreate: async (_, upload) => {
        const owner = this.asked();
        const onTheWay = await this.idsOf((one) => one === owner);
        if (onTheWay.length >= MOST_AT_ONCE) throw said(429, 'too many files on the way');
        const sizes = await Promise.all(onTheWay.map((id) => this.sizeOf(id)));
        const room = roomFor(owner) - sizes.reduce((sum, size) => sum + size, 0);
        if ((upload.size ?? limitBytes) > room) throw answerOf('clip_quota');
        return { metadata: { fileName: upload.metadata?.fileName ?? '', owner } };
      },
      onIncomingRequest: async (request, id) => {
        // A new one has no owner yet.
        if (request.method === 'POST') return;
        if ((await this.ownerOf(id)) !== this.asked()) throw said(404, 'no such file');
      },
    });
  }

  /** Answers one request of the protocol for `owner`. */
  async handle(owner: string, request: IncomingMessage, response: ServerResponse): Promise<void> {
    const answer = () => this.owner.run(owner, () => this.tus.handle(request, response));
    // Those that are begun are counted one after the other: eight at once are eight, not the first eight of many.
    if (request.method === 'POST') await inTurn(this.beginning, owner, answer);
    else await answer();
  }

  /** A file that is whole, or null: it never came, was forgotten, or is somebody else's. */
  async open(owner: string, id: string): Promise<PieceFile | null> {
    if (!PIECE_ID.test(id) || (await this.ownerOf(id)) !== owner) return null;
    // Opened before anybody reads: asked for twice at once, the other may let the file go while this one begins.
    const file = await open(join(this.folder, id)).catch(() => null);
    const upload = file && (await this.store.getUpload(id).catch(() => null));
    if (!upload) {
      await file?.close();
      return null;
    }
    return {
      stream: await wholeStream(file, upload.size),
      fileName: plainText(upload.metadata?.fileName ?? '') || 'clip.mp4',
    };
  }

  /** Lets a file go; somebody else's stays. */
  async drop(owner: string, id: string): Promise<void> {
    if (PIECE_ID.test(id) && (await this.ownerOf(id)) === owner) await this.remove(id);
  }

  private async remove(id: string): Promise<void> {
    await this.store.remove(id).catch(() => undefined);
  }

  /** Lets go what nobody went on with. Returns how many went. */
  async sweep(): Promise<number> {
    return existsSync(this.folder) ? this.store.deleteExpired() : 0;
  }

  /** Lets go everything that is on the way about one student, whoever sends it. */
  async dropAllAbout(studentId: string): Promise<void> {
    for (const id of await this.idsOf((owner) => owner.includes(studentId))) await this.remove(id);
  }

  private asked(): string {
    const owner = this.owner.getStore();
    if (!owner) throw new Error('Pieces: nobody asks');
    return owner;
  }

  private async sizeOf(id: string): Promise<number> {
    const upload = await this.store.getUpload(id).catch(() => null);
    return upload?.size ?? this.limitBytes;
  }

  private async ownerOf(id: string): Promise<string | null> {
    const upload = await this.store.getUpload(id).catch(() => null);
    return upload?.metadata?.owner ?? null;
  }

  private async idsOf(wanted: (owner: string) => boolean): Promise<string[]> {
    if (!existsSync(this.folder)) return [];
    const ids = (await readdir(this.folder)).filter((name) => PIECE_ID.test(name));
    const owners = await Promise.all(ids.map((id) => this.ownerOf(id)));
    return ids.filter((_, i) => wanted(owners[i] ?? ''));
  }
}

/** What `file` holds; closes it with the stream, and at once where pieces are missing. */
async function wholeStream(file: FileHandle, size: number | undefined): Promise<Readable> {
  if (size === undefined || (await file.stat()).size !== size) {
    await file.close();
    throw new Refusal('pieces_missing');
  }
  const stream = file.createReadStream();
  // Whoever reads hears of an error by reading; one that comes when nobody reads must not end the program.
  stream.on('error', () => undefined);
  return stream;
}

const NO_ROOM_BYTES = 64 * 1024;

/** The store says only that it could not write; whether there was room is the disk's to say. */
function isFull(folder: string): boolean {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize < NO_ROOM_BYTES;
  } catch {
    return false;
  }
}

const said = (status_code: number, body: string) => ({ status_code, body: `${body}\n` });

/** A problem of the one table, as the protocol's server wants it. */
function answerOf(code: ProblemCode): { status_code: number; body: string } {
  const { status, body } = failureOf([{ code, path: '', detail: {} }]);
  return { status_code: status, body: JSON.stringify(body) };
}

/** After whatever of this owner's was begun before it. */
async function inTurn(
  lanes: Map<string, Promise<void>>,
  owner: string,
  work: () => Promise<void>,
): Promise<void> {
  const run = (lanes.get(owner) ?? Promise.resolve()).then(work);
  const settled = run.catch(() => undefined);
  lanes.set(owner, settled);
  await run.finally(() => lanes.get(owner) === settled && lanes.delete(owner));
}
