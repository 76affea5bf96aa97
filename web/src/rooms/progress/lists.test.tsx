import * as wire from '@inchstep/contract/endpoints';
import type { RosterRow } from '@inchstep/contract/progress';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, ME, Refused, to } from '../../testing/screen.tsx';
import { Queue } from './Queue.tsx';
import { RosterLine } from './RosterLine.tsx';
import { RosterScreen } from './RosterScreen.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const row = (firstName: string, more: Partial<RosterRow> = {}): RosterRow => ({
  studentId: firstName.toLowerCase(),
  name: `${firstName} Test`,
  nextLesson: null,
  focus: [],
  drills: [],
  stage: null,
  moved: null,
  limits: [],
  state: 'working',
  handedness: 'right',
  ageYears: 44,
  archived: false,
  ...more,
});

describe('the queue', () => {
  const line = (studentName: string, reason: string, more: object = {}) => ({
    id: studentName,
    studentId: `id-${studentName}`,
    studentName,
    checkinId: null,
    reason,
    waitingHours: 5,
    note: '',
    ...more,
  });
  test('says why each stands where it stands and leads to the right place', async () => {
    fakeServer({
      [to(wire.progress.listQueue)]: {
        week: { came: 0, answered: 0 },
        version: '1',
        rows: [
          line('Odette', 'pain', { checkinId: 'c1', note: 'Low on the left side.' }),
          line('Priya', 'gate_waiting'),
          line('Rafael', 'silent', { waitingHours: 24 * 12 }),
        ],
      },
    });
    draw(<Queue />);
    const places = (await screen.findAllByRole('link')).map((a) => a.getAttribute('href'));
    expect(places).toEqual([
      '/students/id-Odette/checkins/c1',
      '/students/id-Priya/ladder',
      '/students/id-Rafael',
    ]);
    expect(screen.getByText('Pain reported')).toBeTruthy();
    expect(screen.getByText('Low on the left side.')).toBeTruthy();
    expect(screen.getByText('12 days')).toBeTruthy();
  });
  test('empty is said, not left blank', async () => {
    fakeServer({ [to(wire.progress.listQueue)]: { week: { came: 0, answered: 0 }, version: '1', rows: [] } });
    draw(<Queue />);
    expect(await screen.findByText('Nothing waits')).toBeTruthy();
  });
});

/** The name itself, not its echo for screen readers on the button. */
const NAME = { selector: '.text-lg' };

describe('the roster', () => {
  const all = [row('Gus'), row('Mei', { limits: ['knee'], state: 'silent' }), row('Old', { archived: true })];
  const roster = () => draw(<RosterScreen />);
  test('shows who is here, what to be careful with, and where each stands', async () => {
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.progress.listRoster)]: { version: '1', rows: all } });
    roster();
    expect(await screen.findByText('Gus Test', NAME)).toBeTruthy();
    expect(screen.getByText('Care: knee')).toBeTruthy();
    expect(screen.getByText('Gone quiet')).toBeTruthy();
    expect(screen.queryByText('Old Test', NAME)).toBeNull();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Archived' }));
    expect(screen.getByText('Old Test', NAME)).toBeTruthy();
    expect(screen.queryByText('Gus Test', NAME)).toBeNull();
  });
  test('a few letters narrow it, and nobody found says what to do', async () => {
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.progress.listRoster)]: { version: '1', rows: all } });
    roster();
    await screen.findByText('Gus Test', NAME);
    const find = screen.getByRole('textbox', { name: 'Find a student' });
    fireEvent.change(find, { target: { value: 'mei' } });
    expect(screen.queryByText('Gus Test', NAME)).toBeNull();
    fireEvent.change(find, { target: { value: 'zz' } });
    expect(screen.getByText('Nobody found')).toBeTruthy();
  });
  test('archiving asks nothing and is one request', async () => {
    const log = fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.progress.listRoster)]: { version: '1', rows: all },
      [to(wire.intake.archiveStudent, { id: 'gus' })]: all[0],
    });
    roster();
    fireEvent.click(await screen.findByRole('button', { name: 'Archive Gus Test' }));
    await waitFor(() => expect(log.filter((a) => a.method === 'POST')).toHaveLength(1));
  });
  test('empty, and failing', async () => {
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.progress.listRoster)]: { version: '1', rows: [] } });
    roster();
    expect(await screen.findByText('Nobody on the roster yet')).toBeTruthy();
    cleanup();
    fakeServer({ [to(wire.progress.listRoster)]: new Refused(500, 'broken', 'The program tripped.') });
    roster();
    expect((await screen.findByRole('alert')).textContent).toContain('The program tripped.');
  });
  test('of two thousand only those in sight are drawn, and any is found by a few letters', async () => {
    const many = Array.from({ length: 2000 }, (_, i) => row(`Player ${i}`));
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.progress.listRoster)]: { version: '1', rows: many } });
    roster();
    const find = await screen.findByRole('textbox', { name: 'Find a student' });
    await waitFor(() => expect(document.querySelector('ul.panel')).toBeTruthy());
    expect(document.querySelectorAll('li').length).toBeLessThan(60);
    fireEvent.change(find, { target: { value: 'player 1999' } });
    expect(await screen.findByText('Player 1999 Test', NAME)).toBeTruthy();
  });
  test('where a student stands, in one line', async () => {
    const one = row('Priya', { focus: ['lead_knee_collapse'], drills: ['knee_swap'], stage: 'slow' });
    draw(<RosterLine row={one} today="2027-03-10" />);
    expect(await screen.findByText('At work')).toBeTruthy();
    expect(screen.getByText(/Lead knee falls in: Knee swap/)).toBeTruthy();
  });
});
