import * as wire from '@inchstep/contract/endpoints';
import type { NetworkErrors } from '@inchstep/contract/measures';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { Knows } from './Knows.tsx';

afterEach(cleanup);

const STUDENT = { id: 'x', profile: { firstName: 'Ana' } } as never;
const known = (more: Partial<NetworkErrors>): NetworkErrors => ({
  table: [],
  swings: 2,
  places: 80,
  hipsSdIn: 0.42,
  students: 0,
  forgotten: null,
  ...more,
});

test('says how well the network knows a student, and forgets on a press, to be taken back', async () => {
  const id = '6d0f0f0e-0000-4000-8000-000000000001';
  const asked = fakeServer({
    [to(wire.measures.readNetwork, { id: 'x' })]: known({}),
    [to(wire.measures.forgetTeaching, { id: 'x' })]: known({
      hipsSdIn: null,
      swings: 0,
      places: 0,
      forgotten: id,
    }),
  });
  draw(<Knows student={STUDENT} />);
  expect((await screen.findByTestId('knows')).textContent).toBe(
    'Knows Ana’s hips to 0.4 in, from 2 checked swings.',
  );
  fireEvent.click(screen.getByText('Forget'));
  await screen.findByTestId('knows');
  expect(asked.some(({ url }) => url.endsWith('/network/forget'))).toBe(true);
  cleanup();
  fakeServer({ [to(wire.measures.readNetwork, { id: 'x' })]: known({ hipsSdIn: null, forgotten: id }) });
  draw(<Knows student={STUDENT} />);
  expect(await screen.findByText('What was taught of Ana is forgotten.')).toBeTruthy();
  expect(screen.getByText('Take that back')).toBeTruthy();
});

test('of whom nothing was taught nothing is said', async () => {
  fakeServer({
    [to(wire.measures.readNetwork, { id: 'x' })]: known({ hipsSdIn: null, swings: 0, places: 0 }),
  });
  const { container } = draw(<Knows student={STUDENT} />);
  await new Promise((done) => setTimeout(done, 50));
  expect(container.textContent).toBe('');
});

test('what the coach’s other students have taught is said of one who has not', async () => {
  fakeServer({
    [to(wire.measures.readNetwork, { id: 'x' })]: known({
      hipsSdIn: null,
      swings: 0,
      places: 0,
      students: 3,
    }),
  });
  draw(<Knows student={STUDENT} />);
  expect((await screen.findByTestId('knows')).textContent).toMatch(
    /Nothing taught of Ana yet; 3 other students say/,
  );
  expect(screen.queryByText('Forget')).toBeNull();
});
