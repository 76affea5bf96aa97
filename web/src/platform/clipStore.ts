import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** A clip that was filmed and is not at the program yet. */
export interface WaitingClip {
  /** Also the clip's id at the program: sent twice it is one. */
  readonly id: string;
  /** Whose queue it waits in: a phone of a lesson, a student's page, the coach's work with a student. */
  readonly scope: string;
  /** When it was put here, ms; the oldest goes first. */
  readonly at: number;
  readonly kind: 'face_on' | 'down_the_line';
  readonly recordedOn: string;
  readonly file: File;
  /** What the sender needs besides: the take, the swing. */
  readonly note: Readonly<Record<string, string>>;
  /** Name of its pieces at the program; null before the first. */
  readonly pieces: string | null;
}

interface Schema extends DBSchema {
  clips: { key: string; value: WaitingClip; indexes: { scope: string } };
}

/** Clips on this device, over a closed page and an empty battery; in memory alone where nothing may be kept. */
export interface ClipStore {
  readonly lasts: boolean;
  put(clip: WaitingClip): Promise<void>;
  all(scope: string): Promise<WaitingClip[]>;
  drop(id: string): Promise<void>;
}

const oldestFirst = (clips: readonly WaitingClip[]): WaitingClip[] => [...clips].sort((a, b) => a.at - b.at);

function inMemory(): ClipStore {
  const clips = new Map<string, WaitingClip>();
  return {
    lasts: false,
    put: async (clip) => void clips.set(clip.id, clip),
    all: async (scope) => oldestFirst([...clips.values()].filter((clip) => clip.scope === scope)),
    drop: async (id) => void clips.delete(id),
  };
}

function inDatabase(db: IDBPDatabase<Schema>): ClipStore {
  // A disk that is full now keeps what it can't hold in memory, until it is sent.
  const spare = inMemory();
  return {
    lasts: true,
    put: async (clip) => {
      try {
        await db.put('clips', clip);
      } catch {
        await spare.put(clip);
      }
    },
    all: async (scope) =>
      oldestFirst([...(await db.getAllFromIndex('clips', 'scope', scope)), ...(await spare.all(scope))]),
    drop: async (id) => {
      await spare.drop(id);
      await db.delete('clips', id);
    },
  };
}

let opened: Promise<ClipStore> | null = null;

/** This device's store; opened once. */
export function clipStore(): Promise<ClipStore> {
  opened ??= open();
  return opened;
}

async function open(): Promise<ClipStore> {
  try {
    const db = await openDB<Schema>('inchstep', 1, {
      upgrade: (fresh) => {
        fresh.createObjectStore('clips', { keyPath: 'id' }).createIndex('scope', 'scope');
      },
      // A newer program's tab wants the store in another shape: this one lets go and opens it anew when asked.
      blocking: (_old, _new, event) => {
        (event.target as IDBDatabase | null)?.close();
        opened = null;
      },
    });
    return inDatabase(db);
  } catch {
    return inMemory();
  }
}
