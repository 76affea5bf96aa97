import 'fake-indexeddb/auto';
import { BroadcastChannel } from 'node:worker_threads';
import { seededRandom } from '@inchstep/core/foundation';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { waitFor } from '@testing-library/react';
import { carryClip, type Deliver } from './carryClip.ts';
import { HttpError } from './httpError.ts';
import { Outbox, type OutboxOptions, type SendingNow } from './outbox.ts';
import { sendingStore } from './sendingStore.ts';
import type { sendPieces } from './sendPieces.ts';

const failure = (status: number, code: string) =>
  new HttpError(status, { code, message: `told: ${code}`, problems: [] });
const clip = (id: string, take = id) => ({
  id,
  what: 'clip' as const,
  file: new File([`bytes of ${id}`], `${id}.mp4`, { type: 'video/mp4' }),
  body: { kind: 'face_on', recordedOn: '2027-03-01', note: { takeId: take } },
});

const open: Outbox[] = [];
afterEach(() => {
  for (const box of open.splice(0)) box.close();
});
let scopes = 0;
interface Hands {
  readonly scope?: string;
  readonly endpoint?: string;
  readonly send?: typeof sendPieces;
  readonly deliver?: Deliver;
}
function outbox({ scope = `scope-${++scopes}`, endpoint = '/pieces', send, deliver }: Hands = {}) {
  let told: readonly SendingNow[] = [];
  const options: OutboxOptions = {
    scope,
    carry: {
      clip: carryClip(
        () => endpoint,
        deliver ?? (async () => undefined),
        send ?? (async () => 'a'.repeat(32)),
      ),
    },
    onChange: (sendings) => {
      told = sendings;
    },
  };
  const made = new Outbox(options);
  open.push(made);
  const box = {
    put: async (what: Parameters<Outbox['put']>[0]) => {
      await made.put(what);
      await made.flush();
    },
    letGo: (id: string) => made.letGo(id),
    flush: () => made.flush(),
    close: () => made.close(),
  };
  return { box, options, told: () => told, states: () => told.map(({ state }) => state) };
}

describe('clips on their way', () => {
  test('each is kept on the device until the program has it', async () => {
    let letGo: () => void = () => undefined;
    const { box, options, states } = outbox({
      deliver: () => new Promise<void>((done) => (letGo = () => done())),
    });
    const sent = box.put(clip('one'));
    await waitFor(async () => expect(await (await sendingStore()).all(options.scope)).toHaveLength(1));
    await waitFor(() => expect(states()).toEqual(['sends']));
    letGo();
    await sent;
    expect(states()).toEqual(['there']);
    expect(await (await sendingStore()).all(options.scope)).toEqual([]);
  });
  test('a page that was closed on the way: the next one goes on where the pieces stopped', async () => {
    const urls: (string | null)[] = [];
    const first = outbox({
      send: ({ url, onBegun }) => {
        urls.push(url);
        onBegun('b'.repeat(32));
        return Promise.reject(failure(0, 'offline'));
      },
    });
    await first.box.put(clip('two'));
    expect(first.states()).toEqual(['waits']);
    first.box.close();
    const second = outbox({
      scope: first.options.scope,
      endpoint: '/newer/pieces',
      send: async ({ url }) => {
        urls.push(url);
        return 'b'.repeat(32);
      },
    });
    await waitFor(() => expect(second.states()).toEqual(['there']));
    expect(urls).toEqual([null, `/newer/pieces/${'b'.repeat(32)}`]);
  });
  test('what is refused says why and lets the next one by; it can be let go', async () => {
    const { box, options, told, states } = outbox({
      deliver: async ({ id }) => {
        if (id === 'bad') throw failure(400, 'clip_not_video');
      },
    });
    await box.put(clip('bad'));
    await box.put(clip('good'));
    expect(states()).toEqual(['refused', 'there']);
    expect(told()[0]?.refused).toBe('told: clip_not_video');
    await box.letGo('bad');
    expect(await (await sendingStore()).all(options.scope)).toEqual([]);
  });
  test('what another tab brought is there for the tab that wrote it, too', async () => {
    Object.assign(globalThis, { BroadcastChannel });
    const scope = `scope-${++scopes}`;
    let isOpen = false;
    const shut = () => (isOpen ? Promise.resolve() : Promise.reject(failure(503, 'busy')));
    const writer = outbox({ scope, deliver: () => Promise.reject(failure(503, 'busy')) });
    await writer.box.put(clip('one'));
    const other = outbox({ scope, deliver: shut });
    await waitFor(() => expect(other.states()).toEqual(['waits']));
    isOpen = true;
    await other.box.flush();
    await waitFor(() => expect(writer.states()).toEqual(['there']));
    expect(writer.told()[0]).toMatchObject({ id: 'one', body: { kind: 'face_on' } });
    Object.assign(globalThis, { BroadcastChannel: undefined });
  });
  test('a door that is closed for now loses nothing', async () => {
    let closed = true;
    const { box, states } = outbox({
      deliver: async () => {
        if (closed) throw failure(401, 'camera_closed');
      },
    });
    await box.put(clip('three'));
    expect(states()).toEqual(['waits']);
    closed = false;
    await box.flush();
    expect(states()).toEqual(['there']);
  });
  test.each([
    ['a full disk over there', 507],
    ['a program that stumbles', 500],
    ['one that is busy', 429],
  ])('%s keeps the take here until it can go', async (_, status) => {
    let full = true;
    const { box, options, states } = outbox({
      send: () => (full ? Promise.reject(failure(status, 'disk_full')) : Promise.resolve('e'.repeat(32))),
    });
    await box.put(clip(`kept-${status}`));
    expect(states()).toEqual(['waits']);
    expect(await (await sendingStore()).all(options.scope)).toHaveLength(1);
    full = false;
    await box.flush();
    expect(states()).toEqual(['there']);
  });
  test('a store that is taken away in the middle of a reading: what this page put is still known', async () => {
    const store = await sendingStore();
    const body = { reps: 'FFP' };
    await store.put({
      ...{ id: 'kept-under', scope: 'cleared', at: 1, what: 'set', after: [], heldUntil: null },
      ...{ refused: null, body, file: null, pieces: null },
    });
    const read = jest.spyOn(IDBIndex.prototype, 'getAll').mockImplementationOnce(function (this: IDBIndex) {
      const asked = this.getAll();
      this.objectStore.transaction.abort();
      return asked;
    });
    expect((await store.all('cleared')).map(({ id }) => id)).toEqual(['kept-under']);
    expect(read).toHaveBeenCalledTimes(2);
    await store.drop('kept-under');
    expect(await store.all('cleared')).toEqual([]);
  });
  test('pieces that the program let go are sent from the beginning, once', async () => {
    const urls: (string | null)[] = [];
    let gone = true;
    const { box, states } = outbox({
      send: async ({ url, onBegun }) => {
        urls.push(url);
        onBegun('c'.repeat(32));
        return 'c'.repeat(32);
      },
      deliver: async () => {
        if (!gone) return;
        gone = false;
        throw failure(410, 'pieces_gone');
      },
    });
    await box.put(clip('four'));
    expect(states()).toEqual(['there']);
    expect(urls).toEqual([null, null]);
  });
  test.each([11, 12, 13])(
    'whatever is lost, doubled or late (%s): every clip arrives, as one',
    async (seed) => {
      const random = seededRandom(seed);
      // The program's side: what it took in, by id; an answer may be lost after it did.
      const taken = new Map<string, number>();
      const luck = async (work: () => void) => {
        if (random() < 0.3) throw failure(0, 'offline');
        work();
        if (random() < 0.3) throw failure(0, 'offline');
      };
      const scope = `random-${seed}`;
      const options = {
        scope,
        send: async () => {
          await luck(() => undefined);
          return 'd'.repeat(32);
        },
        deliver: ({ id }: { readonly id: string }) =>
          luck(() => void taken.set(id, (taken.get(id) ?? 0) + 1)),
      };
      let now = outbox(options);
      const ids = Array.from({ length: 8 }, (_, i) => `${seed}-${i}`);
      for (const id of ids) {
        await now.box.put(clip(id));
        if (random() < 0.4) {
          now.box.close();
          now = outbox(options);
        }
        if (random() < 0.3) await now.box.put(clip(id));
      }
      for (let i = 0; i < 400 && (await (await sendingStore()).all(scope)).length > 0; i++)
        await now.box.flush();
      expect([...taken.keys()].sort()).toEqual(ids);
      expect(await (await sendingStore()).all(scope)).toEqual([]);
    },
  );
});
