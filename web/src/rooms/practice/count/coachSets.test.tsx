import * as wire from '@inchstep/contract/endpoints';
import type { SetLog } from '@inchstep/contract/practice';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, Refused, to } from '../../../testing/screen.tsx';
import { CoachSender, dropCoachSet, putCoachSet, useCoachSets } from './coachSets.tsx';
import { othersNow } from './othersCount.ts';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const set = (id: string): SetLog => ({
  id,
  date: '2027-03-10',
  drill: 'knee_swap',
  stage: 'slow',
  reps: 'PP',
  felt: null,
  strike: null,
  layer: 1,
  doneAt: '2027-03-10T10:00:00.000Z',
  device: null,
});
function Count({ student }: { readonly student: string }) {
  return <p>{useCoachSets(student).length} wait</p>;
}

describe('sets of a lesson are sent from every screen', () => {
  test('what was left from before, of two students, and what is put now', async () => {
    putCoachSet('x', set('a'));
    putCoachSet('y', set('b'));
    const log = fakeServer({
      [to(wire.practice.logSet, { id: 'x' })]: {},
      [to(wire.practice.logSet, { id: 'y' })]: {},
    });
    draw(
      <>
        <CoachSender />
        <Count student="x" />
      </>,
    );
    const sent = () => log.map(({ url, body }) => [url, (body as SetLog).id]);
    await waitFor(() => expect(sent()).toHaveLength(2));
    await screen.findByText('0 wait');
    act(() => putCoachSet('x', set('c')));
    await waitFor(() => expect(sent()[2]).toEqual([urlOf(wire.practice.listSets, { id: 'x' }), 'c']));
    await screen.findByText('0 wait');
  });
  test('signed out it waits for the coach to sign in again', async () => {
    let isSignedIn = false;
    putCoachSet('x', set('a'));
    fakeServer({
      [to(wire.practice.logSet, { id: 'x' })]: () =>
        isSignedIn ? {} : new Refused(401, 'signed_out', 'Sign in again.'),
    });
    draw(
      <>
        <CoachSender />
        <Count student="x" />
      </>,
    );
    await new Promise((done) => setTimeout(done, 50));
    expect(screen.getByText('1 wait')).toBeTruthy();
    isSignedIn = true;
    act(() => void window.dispatchEvent(new Event('online')));
    await screen.findByText('0 wait');
  });
});

describe('what the program does not take', () => {
  const drawCount = () =>
    draw(
      <>
        <CoachSender />
        <Refusals />
      </>,
    );
  function Refusals() {
    return useCoachSets('x').map(({ id, refused }) => (
      <button key={id} type="button" onClick={() => dropCoachSet(id)}>
        {id}: {refused ?? 'waits'}
      </button>
    ));
  }
  test('stays with its reason until it is dismissed, and holds up nothing behind it', async () => {
    const log = fakeServer({
      [to(wire.practice.logSet, { id: 'x' })]: ({ body }: { body: unknown }) =>
        (body as SetLog).id === 'in pain' ? new Refused(409, 'pain_hold', 'Drills are paused.') : {},
    });
    putCoachSet('x', set('in pain'));
    putCoachSet('x', set('after'));
    drawCount();
    const refused = await screen.findByText('in pain: Drills are paused.');
    await waitFor(() => expect(log.map(({ body }) => (body as SetLog).id)).toEqual(['in pain', 'after']));
    act(() => refused.click());
    await waitFor(() => expect(screen.queryByRole('button')).toBeNull());
  });
  test('a program that stumbles gets it again under the same id', async () => {
    let stumbles = true;
    const log = fakeServer({
      [to(wire.practice.logSet, { id: 'x' })]: () => (stumbles ? new Refused(503, 'busy', 'Busy.') : {}),
    });
    putCoachSet('x', set('again'));
    drawCount();
    await screen.findByText('again: waits');
    stumbles = false;
    act(() => void window.dispatchEvent(new Event('online')));
    await waitFor(() => expect(screen.queryByRole('button')).toBeNull());
    expect(new Set(log.map(({ body }) => (body as SetLog).id))).toEqual(new Set(['again']));
  });
});

describe('who else counts', () => {
  const NOW = '2027-03-10T10:20:00.000Z';
  const theirs = (more: object = {}) => ({
    ...set('t'),
    from: 'coach' as const,
    device: 'tablet',
    at: '2027-03-10T10:17:00.000Z',
    ...more,
  });
  const asked = { drill: 'knee_swap', day: '2027-03-10', device: 'laptop', now: NOW };
  test.each([
    ['another coach a moment ago', [theirs(), theirs({ at: '2027-03-10T10:05:00.000Z' })], 4],
    ['nobody', [], null],
    ['this very device', [theirs({ device: 'laptop' })], null],
    ['a device that never said which', [theirs({ device: null })], null],
    ['another drill', [theirs({ drill: 'knee_gate' })], null],
    ['an hour ago', [theirs({ at: '2027-03-10T09:10:00.000Z' })], null],
    ['yesterday', [theirs({ date: '2027-03-09' })], null],
  ])('%s', (_, sets, reps) => {
    expect(othersNow(sets, asked)?.reps ?? null).toBe(reps);
  });
  test('the student on a phone is told as such', () => {
    expect(othersNow([theirs({ from: 'student' })], asked)).toEqual({
      reps: 2,
      by: 'student',
      minutesAgo: 3,
    });
  });
});
