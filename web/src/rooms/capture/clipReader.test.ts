import type { Swing, SwingToLook } from '@inchstep/contract/capture';
import { beforeEach, describe, expect, test } from '@jest/globals';
import type { SwingWork } from './benchState.ts';
import {
  holdForBench,
  type LookNow,
  overtakenBy,
  type ReaderHands,
  readClips,
  whileNoBench,
} from './clipReader.ts';
import type { Looked } from './lookThrough.ts';

const view = (kind: 'face_on' | 'down_the_line', more: object = {}) => ({
  kind,
  clipId: `clip-${kind}`,
  widthPx: 540,
  heightPx: 960,
  camera: {},
  groundMarks: [],
  stationTimes: {},
  ...more,
});
const waits = (id: string, more: object = {}): SwingToLook =>
  ({
    swing: {
      id,
      version: 1,
      club: 'mid_iron',
      track: null,
      discardedAt: null,
      views: [view('face_on')],
      marks: [],
      ...more,
    },
    firstName: 'Priya',
    golfer: { heightIn: 65, handedness: 'right' },
  }) as unknown as SwingToLook;
const found = (kind: 'face_on' | 'down_the_line'): Looked =>
  ({
    ok: true,
    proposal: {
      view: kind,
      stationTimes: { address: 0.4, top: 1.2 },
      marks: [{ view: kind, station: 'top', landmark: 'lead_knee', u: 1, v: 2, sdPx: 5, by: 'network' }],
    },
  }) as unknown as Looked;

let saved: { readonly of: string; readonly version: number; readonly work: SwingWork }[];
let told: (LookNow | null)[];
beforeEach(() => {
  saved = [];
  told = [];
});
const hands = (
  all: readonly SwingToLook[],
  looks: readonly (Looked | null)[],
  more: Partial<ReaderHands> = {},
): ReaderHands => {
  const left = [...looks];
  return {
    list: async () => all,
    look: async (_url, _kind, _golfer, { onProgress }) => {
      onProgress(0.5);
      return left.shift() ?? null;
    },
    save: async (swing, work) => {
      saved.push({ of: swing.id, version: swing.version, work });
      return { ...swing, ...work, version: swing.version + 1 } as unknown as Swing;
    },
    tell: (now) => void told.push(now),
    overtaken: () => ({ comes: new Promise(() => undefined), end: () => undefined }),
    holding: (_, work) => work(new Promise(() => undefined)),
    ...more,
  };
};

describe('the reader of clips', () => {
  test('keeps stations and marks of the newest clip, and says how far it is', async () => {
    expect(await readClips(hands([waits('new'), waits('old')], [found('face_on')]), new Set())).toBe(true);
    expect(saved.map(({ of }) => of)).toEqual(['new']);
    expect(saved[0]?.work.views[0]?.stationTimes).toEqual({ address: 0.4, top: 1.2 });
    expect(saved[0]?.work.marks).toHaveLength(1);
    expect(told.map((now) => now?.share ?? null)).toEqual([0, 0.5, null]);
  });
  test('both views of a swing, each saved by the version that the one before brought', async () => {
    const both = waits('both', { views: [view('face_on'), view('down_the_line')] });
    const heard: unknown[] = [];
    const reader = hands([both], [found('face_on'), found('down_the_line')]);
    const look: ReaderHands['look'] = (url, kind, golfer, how) => {
      heard.push(golfer.other);
      return reader.look(url, kind, golfer, how);
    };
    await readClips({ ...reader, look }, new Set());
    expect(saved.map(({ version }) => version)).toEqual([1, 2]);
    // The second hears when the first has its stations.
    expect(heard).toEqual([{}, { address: 0.4, top: 1.2 }]);
    expect(saved[1]?.work.marks.map(({ view: of }) => of)).toEqual(['face_on', 'down_the_line']);
  });
  test.each(['clip', 'nobody', 'no_swing'] as const)('keeps why nothing was seen: %s', async (trouble) => {
    await readClips(hands([waits('x')], [{ ok: false, trouble }]), new Set());
    expect(saved[0]?.work.views[0]).toMatchObject({ looked: trouble, stationTimes: {} });
    expect(saved[0]?.work.marks).toEqual([]);
  });
  test('a look that could not run says nothing about the clip: it is left for later, and the next one is taken', async () => {
    const leave = new Set<string>();
    const all = [waits('first'), waits('second')];
    await readClips(hands(all, [{ ok: false, trouble: 'network' }]), leave);
    expect([saved, [...leave]]).toEqual([[], ['first']]);
    await readClips(hands(all, [found('face_on')]), leave);
    expect(saved.map(({ of }) => of)).toEqual(['second']);
  });
  test('what somebody saved meanwhile stays theirs', async () => {
    const leave = new Set<string>();
    const save = () => Promise.reject(new Error('changed_meanwhile'));
    await readClips(hands([waits('x')], [found('face_on')], { save }), leave);
    expect([...leave]).toEqual(['x']);
    expect(told.at(-1)).toBeNull();
  });
  test('a bench that takes the swing ends the look, and nothing is saved', async () => {
    await readClips(hands([waits('x')], [null]), new Set());
    expect(saved).toEqual([]);
  });
  test('nothing to look at is said, so that it rests', async () => {
    expect(await readClips(hands([], []), new Set())).toBe(false);
  });
});

describe('what was just filmed goes first', () => {
  const made = (id: string, createdAt: string) => waits(id, { createdAt });
  const old = made('old', '2027-03-01T10:00:00Z');
  test('a newer take ends the look at an older one; nothing of it is saved, and it comes later', async () => {
    let ended = 0;
    const list = [[old], [old], [made('new', '2027-03-08T10:00:00Z'), old]];
    const overtaken = overtakenBy(async () => list.shift() ?? [], old.swing, new Set(), 5);
    const look: ReaderHands['look'] = async (_url, _kind, _golfer, { stopped }) => stopped.then(() => null);
    const ends = { comes: overtaken.comes, end: () => void ended++ };
    await readClips(hands([old], [], { look, overtaken: () => ends }), new Set());
    overtaken.end();
    expect([saved, ended]).toEqual([[], 1]);
  });
  test('an older one, or one that is left for later, doesn’t', async () => {
    const older = made('older', '2027-02-01T10:00:00Z');
    const left = made('left', '2027-03-09T10:00:00Z');
    let asked = 0;
    const all = async () => {
      asked++;
      return [left, older, old];
    };
    const overtaken = overtakenBy(all, old.swing, new Set(['left']), 5);
    let came = false;
    void overtaken.comes.then(() => {
      came = true;
    });
    await new Promise((done) => setTimeout(done, 60));
    overtaken.end();
    expect(asked).toBeGreaterThan(1);
    expect(came).toBe(false);
  });
});

/** The browser's locks, as far as they are needed. */
function fakeLocks() {
  const held = new Map<string, (reason: Error) => void>();
  const request = (
    name: string,
    { ifAvailable, steal }: { readonly ifAvailable?: boolean; readonly steal?: boolean },
    work: (lock: object | null) => unknown,
  ): Promise<unknown> => {
    if (held.has(name) && ifAvailable) return Promise.resolve().then(() => work(null));
    if (steal) held.get(name)?.(new DOMException('stolen', 'AbortError'));
    return new Promise((done, fail) => {
      held.set(name, fail);
      void Promise.resolve(work({}))
        .then(done, fail)
        .finally(() => held.delete(name));
    });
  };
  Object.defineProperty(navigator, 'locks', { value: { request }, configurable: true });
}

describe('a bench goes before the reader', () => {
  test('a swing on the bench is not begun', async () => {
    fakeLocks();
    const release = holdForBench('x');
    await expect(whileNoBench('x', async () => undefined)).rejects.toThrow('a bench has it');
    release();
    await new Promise((done) => setTimeout(done));
    await expect(whileNoBench('x', async () => undefined)).resolves.toBeUndefined();
  });
  test('a bench that opens takes it away from the reader', async () => {
    fakeLocks();
    let ended = false;
    const work = whileNoBench('y', async (stolen) => {
      await stolen;
      ended = true;
    });
    holdForBench('y');
    await expect(work).rejects.toThrow('stolen');
    expect(ended).toBe(true);
  });
});
