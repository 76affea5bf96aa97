import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw } from '../../testing/screen.tsx';
import { SecondCamera } from './SecondCamera.tsx';
import type { LiveCamera } from './useTakeSender.ts';

afterEach(cleanup);

const stop = jest.fn();
function devices(names: readonly string[], give = async (): Promise<unknown> => stream()) {
  const stream_ = jest.fn(give);
  Object.defineProperty(navigator, 'mediaDevices', {
    configurable: true,
    value: {
      enumerateDevices: async () => [
        { kind: 'audioinput', deviceId: 'mic', label: 'Microphone' },
        ...names.map((label, i) => ({ kind: 'videoinput', deviceId: `cam-${i}`, label })),
      ],
      getUserMedia: stream_,
    },
  });
  HTMLMediaElement.prototype.play = async () => undefined;
  return stream_;
}
const track = { stop };
const stream = () => ({ getTracks: () => [track], getVideoTracks: () => [track] });
function show() {
  const told: (LiveCamera | null)[] = [];
  draw(<SecondCamera kind="down_the_line" firstId="cam-0" onCamera={(camera) => told.push(camera)} />);
  return told;
}
const choose = (id: string) =>
  fireEvent.change(screen.getByLabelText('Second camera, down the line'), { target: { value: id } });

describe('a second camera of the device', () => {
  test('is not asked for where there is one alone', async () => {
    devices(['Built in']);
    show();
    await act(async () => undefined);
    expect(screen.queryByLabelText(/Second camera/)).toBeNull();
  });
  test('is chosen by its name, gives its picture, and is given back', async () => {
    const asked = devices(['Built in', 'Stick by the ball']);
    const told = show();
    await screen.findByRole('option', { name: 'Stick by the ball' });
    expect(screen.queryByRole('option', { name: 'Built in' })).toBeNull();
    choose('cam-1');
    await waitFor(() => expect(told.at(-1)?.kind).toBe('down_the_line'));
    expect(told.at(-1)?.track()).toBe(track);
    expect(asked.mock.calls[0]).toMatchObject([{ video: { deviceId: { exact: 'cam-1' } } }]);
    choose('');
    await waitFor(() => expect(told.at(-1)).toBeNull());
    expect(stop).toHaveBeenCalled();
  });
  test('one that another program holds says so', async () => {
    devices(['Built in', 'Stick by the ball'], () =>
      Promise.reject(new DOMException('busy', 'NotReadableError')),
    );
    show();
    await screen.findByRole('option', { name: 'Stick by the ball' });
    choose('cam-1');
    expect((await screen.findByRole('alert')).textContent).toMatch(/doesn’t answer/);
  });
});
