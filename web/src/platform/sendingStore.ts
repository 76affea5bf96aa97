import type { Sending } from '@inchstep/core/checkins';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Something that was done or filmed here and is not at the program yet. */
export interface Waiting extends Sending {
  /** Whose queue it waits in: a phone of a lesson, a student's page, the coach's work with a student. */
  readonly scope: string;
  /** What the program is told. */
  readonly body: Readonly<Record<string, unknown>>;
  /** The film of a clip. */
  readonly file: File | null;
  /** Name of its pieces at the program; null before the first. */
  readonly pieces: string | null;
}

/** A clip as earlier versions of the program kept it. */
interface OldClip {
  readonly id: string;
  readonly scope: string;
  readonly at: number;
  readonly kind: string;
  readonly recordedOn: string;
  readonly file: File;
  readonly note: Readonly<Record<string, string>>;
  readonly pieces: string | null;
}

interface Schema extends DBSchema {
  clips: { key: string; value: OldClip; indexes: { scope: string } };
  sendings: { key: string; value: Waiting; indexes: { scope: string } };
  kept: { key: string; value: unknown };
}

/** What waits on this device, over a closed page and an empty battery; in memory alone where nothing may be kept. */
export interface SendingStore {
  /** Answers whether it outlives the page. */
  put(waiting: Waiting): Promise<boolean>;
  all(scope: string): Promise<Waiting[]>;
  drop(id: string): Promise<void>;
}

const inOrder = (all: readonly Waiting[]): Waiting[] => [...all].sort((a, b) => a.at - b.at);

function inMemory(): SendingStore {
  const held = new Map<string, Waiting>();
  return {
    put: async (waiting) => {
      held.set(waiting.id, waiting);
      return false;
    },
    all: async (scope) => inOrder([...held.values()].filter((one) => one.scope === scope)),
    drop: async (id) => void held.delete(id),
  };
}

function inDatabase(db: IDBPDatabase<Schema>): SendingStore {
  // A disk that is full now keeps what it can't hold in memory, until it is sent.
  const spare = inMemory();
  return {
    put: async (waiting) => {
      mine.set(waiting.id, waiting);
      try {
        await db.put('sendings', waiting);
        await spare.drop(waiting.id);
        return true;
      } catch {
        return spare.put(waiting);
      }
    },
    all: async (scope) => {
      // The store was cleared while it was being read: use what this page put there.
      const kept = await rowsOf(db, scope).catch(() =>
        [...mine.values()].filter((one) => one.scope === scope),
      );
      const here = new Set(kept.map(({ id }) => id));
      return inOrder([...kept, ...(await spare.all(scope)).filter(({ id }) => !here.has(id))]);
    },
    drop: async (id) => {
      mine.delete(id);
      await spare.drop(id);
      // A row that couldn't be deleted is sent again under its id and counts once.
      await db.delete('sendings', id).catch(() => undefined);
    },
  };
}

/** Waits for the transaction, too: when a read is aborted, its promise also rejects. */
async function rowsOf(db: IDBPDatabase<Schema>, scope: string): Promise<Waiting[]> {
  const reading = db.transaction('sendings');
  const [rows] = await Promise.all([reading.store.index('scope').getAll(scope), reading.done]);
  return rows;
}

/**
 * What this page has put and not seen go. Where somebody clears the browser's storage under an open page, it is put again;
 * what had gone from another tab meanwhile goes once more under its id, and counts once.
 */
const mine = new Map<string, Waiting>();

let opened: Promise<IDBPDatabase<Schema> | null> | null = null;
let store: Promise<SendingStore> | null = null;

/** This device's store; opened once. */
export function sendingStore(): Promise<SendingStore> {
  store ??= database().then((db) => (db ? inDatabase(db) : inMemory()));
  return store;
}

/** A copy kept for a time without a signal; null where there is none. */
export async function readKept(key: string): Promise<unknown> {
  try {
    const reading = (await database())?.transaction('kept');
    const [kept] = await Promise.all([reading?.store.get(key), reading?.done]);
    return kept ?? null;
  } catch {
    return null;
  }
}
export async function keep(key: string, value: unknown): Promise<void> {
  // What can't be kept is asked for again; nothing is lost with it.
  await (await database())?.put('kept', value, key).catch(() => undefined);
}
export async function forgetKept(key: string): Promise<void> {
  await (await database())?.delete('kept', key).catch(() => undefined);
}

function database(): Promise<IDBPDatabase<Schema> | null> {
  opened ??= open().catch(() => null);
  return opened;
}

/** Opens the store again and puts there what this page had put and not seen go. */
function openAgain(): void {
  opened = null;
  store = null;
  void sendingStore().then((again) => Promise.all([...mine.values()].map((one) => again.put(one))));
}

const open = async (): Promise<IDBPDatabase<Schema>> =>
  openDB<Schema>('inchstep', 2, {
    upgrade: async (db, from, _to, change) => {
      db.createObjectStore('sendings', { keyPath: 'id' }).createIndex('scope', 'scope');
      db.createObjectStore('kept');
      if (from < 1) return;
      for (const old of await change.objectStore('clips').getAll())
        await change.objectStore('sendings').put(broughtUp(old));
      db.deleteObjectStore('clips');
    },
    // Cleared, or lost with its disk.
    terminated: openAgain,
    // A newer program's tab wants the store in another shape, or it is being deleted: this one lets go of it.
    blocking: (_old, _new, event) => {
      (event.target as IDBDatabase | null)?.close();
      openAgain();
    },
  });

const broughtUp = ({ id, scope, at, kind, recordedOn, note, file, pieces }: OldClip): Waiting => ({
  id,
  scope,
  at,
  what: 'clip',
  after: [],
  heldUntil: null,
  refused: null,
  body: { kind, recordedOn, note },
  file,
  pieces,
});
