import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { useEffect } from 'react';
import { workInline } from '../../testing/inlineWorker.ts';
import { useFrames } from './useFrames.ts';

/** A picture that says which frame it is and whether it was given back. */
const bitmap = (index: number) => ({ index, close: jest.fn() }) as unknown as ImageBitmap;
const indexOf = (picture: ImageBitmap | null) => (picture as unknown as { index: number } | null)?.index;

const TIMES = [0, 0.1, 0.2, 0.3, 0.4];
let asked: number[];
let opens: boolean[];
let release: ((index: number) => void) | null;
let tell: (share: number) => void;
let opened: object;
let copy: object[] | null;
let threads: { atWork: () => number };

beforeEach(() => {
  asked = [];
  opens = [];
  release = null;
  opened = { widthPx: 10, heightPx: 20, times: TIMES };
  copy = null;
  threads = workInline({
    open: async (_: string, onCopied: (share: number) => void, afresh = false) => {
      tell = onCopied;
      opens.push(afresh);
      return opened;
    },
    frame: (index: number) => {
      asked.push(index);
      if (!release) return Promise.resolve(bitmap(index));
      return new Promise((done) => {
        release = () => done(bitmap(index));
      });
    },
    wholeCopy: () => copy,
  });
  globalThis.createImageBitmap = (async (blob: { index: number }) =>
    bitmap(blob.index)) as unknown as typeof createImageBitmap;
});
afterEach(cleanup);

const open = async () => {
  const hook = renderHook(() => useFrames('/clip.mp4'));
  await waitFor(() => expect(hook.result.current.clip).not.toBeNull());
  await waitFor(() => expect(indexOf(hook.result.current.picture)).toBe(0));
  return hook.result;
};

describe('a clip frame by frame', () => {
  test('shows the first frame, then the one asked for, never past an end', async () => {
    const frames = await open();
    act(() => frames.current.go(3));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(3));
    act(() => frames.current.go(99));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(4));
    act(() => frames.current.go(-5));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(0));
    expect(frames.current.index).toBe(0);
  });
  test('while one is being decoded only the newest wish is kept', async () => {
    const frames = await open();
    release = () => undefined;
    act(() => frames.current.go(1));
    await waitFor(() => expect(asked).toEqual([0, 1]));
    act(() => {
      frames.current.go(2);
      frames.current.go(3);
      frames.current.go(4);
    });
    const letGo = release;
    release = null;
    await act(async () => letGo(1));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(4));
    expect(asked).toEqual([0, 1, 4]);
  });
  test('no picture is given back before what shows it has the next one; each is given back', async () => {
    const drawn: (ImageBitmap & { close: jest.Mock })[] = [];
    const hook = renderHook(() => {
      const frames = useFrames('/clip.mp4');
      const { picture } = frames;
      // Whoever draws draws after its own render; by then another picture may have come.
      useEffect(() => {
        if (!picture) return;
        expect((picture as ImageBitmap & { close: jest.Mock }).close).not.toHaveBeenCalled();
        drawn.push(picture as ImageBitmap & { close: jest.Mock });
      });
      return frames;
    });
    await waitFor(() => expect(indexOf(hook.result.current.picture)).toBe(0));
    for (const to of [1, 2, 3]) {
      act(() => {
        hook.result.current.go(to);
        hook.rerender();
      });
      await waitFor(() => expect(indexOf(hook.result.current.picture)).toBe(to));
    }
    const last = hook.result.current.picture;
    const before = drawn.filter((one) => one !== last);
    expect(before.every(({ close }) => close.mock.calls.length === 1)).toBe(true);
    expect((last as ImageBitmap & { close: jest.Mock }).close).not.toHaveBeenCalled();
    hook.unmount();
    expect((last as ImageBitmap & { close: jest.Mock }).close).toHaveBeenCalledTimes(1);
  });
  test('the frame at a time is the one shown at or just before it', async () => {
    const frames = await open();
    expect(frames.current.indexAt(0.2)).toBe(2);
    expect(frames.current.indexAt(0.29)).toBe(2);
    expect(frames.current.indexAt(9)).toBe(4);
    expect(frames.current.indexAt(-1)).toBe(0);
  });
  test('a clip that can’t be read says why', async () => {
    opened = { trouble: 'codec', codec: 'hevc' };
    const hook = renderHook(() => useFrames('/clip.mov'));
    await waitFor(() => expect(hook.result.current.trouble).toEqual({ trouble: 'codec', codec: 'hevc' }));
    expect(hook.result.current.clip).toBeNull();
  });
  test('no clip, no thread', () => {
    renderHook(() => useFrames(null));
    expect(threads.atWork()).toBe(0);
  });
});

describe('the working copy', () => {
  test('its progress is told; when it is whole the decoder goes and frames come from the copy', async () => {
    const frames = await open();
    await act(async () => tell(0.5));
    await waitFor(() => expect(frames.current.copied).toBe(0.5));
    expect(threads.atWork()).toBe(1);
    copy = TIMES.map((_, index) => ({ index }));
    await act(async () => tell(1));
    await waitFor(() => expect(threads.atWork()).toBe(0));
    const before = asked.length;
    act(() => frames.current.go(2));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(2));
    expect(asked).toHaveLength(before);
  });
  test('one that can’t be read any more is made anew, once', async () => {
    const frames = await open();
    copy = TIMES.map((_, index) => ({ index }));
    globalThis.createImageBitmap = (() => Promise.reject(new Error('gone'))) as typeof createImageBitmap;
    await act(async () => tell(1));
    await waitFor(() => expect(threads.atWork()).toBe(0));
    act(() => frames.current.go(2));
    await waitFor(() => expect(opens).toEqual([false, true]));
    // It stays where it was asked to be.
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(2));
    expect(frames.current.index).toBe(2);
    act(() => frames.current.go(3));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(3));
    expect(opens).toHaveLength(2);
  });
  test('one that stayed incomplete keeps the decoder at work', async () => {
    const frames = await open();
    await act(async () => tell(1));
    act(() => frames.current.go(3));
    await waitFor(() => expect(indexOf(frames.current.picture)).toBe(3));
    expect(threads.atWork()).toBe(1);
    expect(asked).toContain(3);
  });
});
