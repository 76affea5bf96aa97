import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { workInline } from '../../testing/inlineWorker.ts';
import { pairsFor } from './eyes.ts';
import { usePoser } from './usePoser.ts';

const TIMES = Array.from({ length: 30 }, (_, i) => i / 30);
let load: () => Promise<void>;
let find: () => (object & { next: object }) | null;
let opened: object;
let looks: number;
let threads: { atWork: () => number };
beforeEach(() => {
  load = async () => undefined;
  find = () => null;
  looks = 0;
  opened = { widthPx: 10, heightPx: 20, times: TIMES };
  threads = workInline({
    open: () => opened,
    ahead: () => undefined,
    frame: (index: number) => ({ index }),
    load: () => load(),
    everybody: () => {
      looks++;
      const points = find();
      return points ? [{ points, region: points.next }] : [];
    },
    look: () => {
      looks++;
      const points = find();
      return points && { points, region: points.next };
    },
    again: () => {
      throw new Error('nothing to look at again');
    },
  });
});
afterEach(cleanup);

const start = () => {
  const done = jest.fn();
  const hook = renderHook(() => usePoser());
  act(() => {
    void hook.result.current.propose(
      '/clip',
      'face_on',
      { heightIn: 70, handedness: 'right', errors: [], other: {}, named: {} },
      done,
    );
  });
  return { hook, done };
};

describe('looking for the player', () => {
  test('stopped while the networks are still on their way, it ends at once and keeps nothing', async () => {
    load = () => new Promise(() => undefined);
    const { hook, done } = start();
    await waitFor(() => expect(hook.result.current.share).toBe(0));
    act(() => hook.result.current.stop());
    await waitFor(() => expect(hook.result.current.share).toBeNull());
    expect(threads.atWork()).toBe(0);
    expect(hook.result.current.trouble).toBeNull();
    expect(done).not.toHaveBeenCalled();
  });
  test('leaving the bench stops it, too', async () => {
    load = () => new Promise(() => undefined);
    const { hook } = start();
    // Two threads to each pair, as many pairs as this machine is worth.
    const wanted = 2 * pairsFor(navigator.hardwareConcurrency ?? 1, true);
    await waitFor(() => expect(threads.atWork()).toBe(wanted));
    hook.unmount();
    await waitFor(() => expect(threads.atWork()).toBe(0));
  });
  test('networks that can’t start are told', async () => {
    load = () => Promise.reject(new Error('no wasm here'));
    const { hook, done } = start();
    await waitFor(() => expect(hook.result.current.trouble?.trouble).toBe('network'));
    expect(threads.atWork()).toBe(0);
    expect(done).not.toHaveBeenCalled();
  });
  test('a clip that can’t be read, and one with nobody in it', async () => {
    opened = { trouble: 'codec', codec: 'hevc' };
    const unread = start();
    await waitFor(() => expect(unread.hook.result.current.trouble?.trouble).toBe('clip'));
    opened = { widthPx: 10, heightPx: 20, times: TIMES };
    const empty = start();
    await waitFor(() => expect(empty.hook.result.current.trouble?.trouble).toBe('nobody'));
  });
  test('somebody who stands still makes no swing', async () => {
    const places = Array.from({ length: 33 }, (_, i) => 100 + 10 * i);
    find = () => ({ u: places, v: places, seen: places.map(() => 0.9), next: { u: 9, v: 9, side: 20 } });
    const { hook, done } = start();
    await waitFor(() => expect(hook.result.current.trouble?.trouble).toBe('no_swing'));
    expect(done).not.toHaveBeenCalled();
    // The coarse pass saw nothing, so every frame was looked at, each once.
    expect(looks).toBe(TIMES.length);
  });
});
