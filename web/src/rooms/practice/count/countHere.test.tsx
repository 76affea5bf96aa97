import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import type { GateState } from '@inchstep/contract/practice';
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, Refused, to } from '../../../testing/screen.tsx';
import { CountHere } from './CountHere.tsx';
import { CoachSender } from './coachSets.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const student = { id: 'x', profile: { heightIn: 66 }, limits: [] } as unknown as Student;
const state = { drill: 'knee_swap', stage: 'slow', layer: 2, held: [] } as unknown as GateState;
const drawCount = (more: Partial<GateState> = {}) =>
  draw(
    <>
      <CoachSender />
      <CountHere student={student} state={{ ...state, ...more }} today="2027-03-10" />
    </>,
  );
/** Opens the details: jsdom says nothing of that by itself. */
const open = () => {
  const details = screen.getByText('Count a set now').closest('details') as HTMLDetailsElement;
  details.open = true;
  fireEvent(details, new Event('toggle'));
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name, hidden: true }));
const SETS = to(wire.practice.logSet, { id: 'x' });

test('a coach counts beside the plan with the runner: two presses are one set, with the checkpoint on the screen', async () => {
  const log = fakeServer({ [SETS]: {} });
  drawCount();
  open();
  press('Counted');
  press('Log this set');
  press('Log this set');
  const sets = () => log.flatMap(({ body }) => (body ? [body] : []));
  await waitFor(() => expect(sets()).toHaveLength(1));
  expect(sets()[0]).toMatchObject({ drill: 'knee_swap', stage: 'slow', layer: 2, reps: 'P', felt: null });
});

test('signed out in the middle, the set waits and goes once somebody is signed in again', async () => {
  let signedIn = false;
  const log = fakeServer({
    [SETS]: () => {
      if (!signedIn) throw new Refused(401, 'signed_out', 'Sign in first.');
      return {};
    },
  });
  drawCount();
  open();
  press('Counted');
  press('Log this set');
  expect(await screen.findByText('One set waits for a signal.')).toBeTruthy();
  const ids = () => log.flatMap(({ body }) => (body ? [(body as { id: string }).id] : []));
  signedIn = true;
  fireEvent(window, new Event('online'));
  await waitFor(() => expect(screen.queryByText('One set waits for a signal.')).toBeNull());
  expect(new Set(ids()).size).toBe(1);
});

test('in pain nothing is counted', () => {
  fakeServer({});
  drawCount({ held: [{ code: 'pain' }] as GateState['held'] });
  expect(screen.queryByText('Count a set now')).toBeNull();
});
