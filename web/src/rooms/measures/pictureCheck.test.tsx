import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { workInline } from '../../testing/inlineWorker.ts';
import { draw } from '../../testing/screen.tsx';
import { PictureCheck } from './PictureCheck.tsx';

/** A body in a picture of 1080 x 1920: the network's points are all on one line but head and feet. */
function points(topV: number, footV: number, u = 540) {
  const v = Array.from({ length: 33 }, (_, i) => (i < 11 ? topV : i < 25 ? (topV + footV) / 2 : footV));
  return { u: v.map(() => u), v, seen: v.map(() => 0.95) };
}
let found: ReturnType<typeof points> | null;
let threads: { readonly atWork: () => number };
beforeEach(() => {
  found = points(500, 1300);
  threads = workInline({
    load: async () => undefined,
    everybody: async () => (found ? [{ points: { ...found, next: {} }, region: {} }] : []),
  });
  const picture = { width: 1080, height: 1920 };
  Object.assign(globalThis, { createImageBitmap: async () => picture });
});
afterEach(cleanup);

const video = { current: { videoWidth: 1080 } as HTMLVideoElement };
const show = (running = true) => draw(<PictureCheck video={video} bodyIn={70} running={running} />);
const press = () => fireEvent.click(screen.getByRole('button', { name: 'Check the picture' }));
const told = (text: RegExp) => waitFor(() => expect(screen.getByRole('status').textContent).toMatch(text));

describe('the check of a picture', () => {
  test('is offered while the camera is on, and looks when it is asked', async () => {
    show(false);
    expect(screen.queryByRole('button')).toBeNull();
    cleanup();
    show();
    expect(threads.atWork()).toBe(0);
    press();
    await told(/Whole, upright and large enough\. Belt height: see to it by eye/);
    press();
    await waitFor(() => expect(threads.atWork()).toBe(0));
  });
  test.each([
    ['nobody', null, /Nobody is seen/],
    ['feet cut off', points(900, 1910), /The feet must be in it/],
    ['at the side', points(500, 1300, 20), /Too near the side/],
    ['far away', points(800, 1100), /The body is small/],
  ])('%s is told with the one step', async (_, seen, text) => {
    found = seen;
    show();
    press();
    await told(text);
  });
  test('a phone that is too high is told by how much to lower it, once its level is known', async () => {
    show();
    press();
    await told(/Whole/);
    // Leaning back by 15 degrees its back looks down, and yet the feet are low in the picture: it stands high.
    const gravity = { x: 0, y: 9.81 * Math.cos(0.262), z: 9.81 * Math.sin(0.262) };
    act(() => {
      window.dispatchEvent(
        Object.assign(new Event('devicemotion'), { accelerationIncludingGravity: gravity }),
      );
    });
    await waitFor(
      () => expect(screen.getByRole('status').textContent).toMatch(/Lower the phone about \d+ in/),
      {
        timeout: 3000,
      },
    );
  });
  test('a device that can’t run the network says so', async () => {
    workInline({ load: () => Promise.reject(new Error('no wasm')) });
    show();
    press();
    await told(/can’t be looked at on this device/);
  });
});
