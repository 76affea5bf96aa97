import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { TakeButton } from './TakeButton.tsx';

afterEach(cleanup);

const student = { id: 's1' } as Student;
const show = (track: (() => MediaStreamTrack | null) | null) => {
  fakeServer({ [to(wire.care.me)]: ME });
  draw(<TakeButton student={student} cameras={track ? [{ kind: 'face_on', track }] : []} />);
};

test('with the camera off there is nothing to record', () => {
  show(null);
  expect(screen.queryByRole('button')).toBeNull();
});
test('a browser that can’t record says so and names the way round', async () => {
  show(() => ({}) as MediaStreamTrack);
  fireEvent.click(screen.getByRole('button', { name: 'Start a take' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/can’t record.*add the clip/);
  expect(screen.getByRole('button', { name: 'Start a take' })).toBeTruthy();
});
test('the key does what the button does', async () => {
  show(() => ({}) as MediaStreamTrack);
  fireEvent.keyDown(document, { key: 'r', code: 'KeyR' });
  expect((await screen.findByRole('alert')).textContent).toMatch(/can’t record/);
});
test('with the camera off the key does nothing', () => {
  show(null);
  fireEvent.keyDown(document, { key: 'r', code: 'KeyR' });
  expect(screen.queryByRole('alert')).toBeNull();
});
