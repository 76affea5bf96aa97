import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { useCamera } from './useCamera.ts';

afterEach(cleanup);

/** A device whose camera answers when told to. */
function device(answer: () => Promise<MediaStream>) {
  Object.defineProperty(navigator, 'mediaDevices', {
    value: { getUserMedia: jest.fn(answer) },
    configurable: true,
  });
}
function stream() {
  const track = { stop: jest.fn() };
  return {
    track,
    stream: { getTracks: () => [track], getVideoTracks: () => [track] } as unknown as MediaStream,
  };
}
const video = () => ({
  current: { play: async () => undefined, srcObject: null } as unknown as HTMLVideoElement,
});

describe('the camera', () => {
  test('goes on, gives its track, and is given back when the screen is left', async () => {
    const { track, stream: found } = stream();
    device(async () => found);
    const screen = video();
    const hook = renderHook(() => useCamera(screen));
    await act(() => hook.result.current.start());
    expect(hook.result.current.state).toBe('on');
    expect(screen.current.srcObject).toBe(found);
    expect(hook.result.current.track()).toBe(track);
    hook.unmount();
    expect(track.stop).toHaveBeenCalledTimes(1);
  });
  test.each([
    ['NotAllowedError', 'refused'],
    ['NotFoundError', 'none'],
    ['NotReadableError', 'busy'],
  ])('%s is told as “%s”', async (name, state) => {
    device(async () => Promise.reject(new DOMException('no', name)));
    const screen = video();
    const hook = renderHook(() => useCamera(screen));
    await act(() => hook.result.current.start());
    expect(hook.result.current.state).toBe(state);
    expect(hook.result.current.track()).toBeNull();
  });
  test('left while the browser still asks, it does not stay on behind the coach’s back', async () => {
    const { track, stream: found } = stream();
    let say: (stream: MediaStream) => void = () => undefined;
    device(() => new Promise((done) => (say = done)));
    const screen = video();
    const hook = renderHook(() => useCamera(screen));
    void hook.result.current.start();
    hook.unmount();
    say(found);
    await waitFor(() => expect(track.stop).toHaveBeenCalled());
    expect(screen.current.srcObject).toBeNull();
  });
});
