import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { workInline } from '../../testing/inlineWorker.ts';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { tellLook } from '../capture/lookNow.ts';
import { LessonTakes } from './LessonTakes.tsx';

beforeEach(() => {
  localStorage.clear();
  workInline({ fit: () => null, next: () => [], target: () => null });
});
afterEach(() => {
  act(() => tellLook(null));
  cleanup();
});

const student = { id: 's1', profile: {}, school: {} } as unknown as Student;
const TODAY = '2027-03-10';
const view = (more: object = {}) => ({ kind: 'face_on', clipId: 'c', stationTimes: {}, ...more });
const swing = (id: string, more: object = {}) => ({
  id,
  studentId: 's1',
  recordedOn: TODAY,
  track: null,
  discardedAt: null,
  views: [view()],
  marks: [],
  ...more,
});
const mark = { view: 'face_on', by: 'network' };
const band = { lo: -1, hi: 1, step: 1, unit: 'in' };
const reading = (swingId: string, recordedOn: string, value: number) => ({
  swingId,
  recordedOn,
  club: 'mid_iron',
  speed: 'full',
  stale: false,
  measures: [{ id: 'shift_impact', value, sd: 0.2, station: 'impact', band, verdict: 'high' }],
});
function show(swings: readonly object[], readings: readonly object[] = [], felt = true) {
  fakeServer({
    [to(wire.capture.listSwings, { id: 's1' })]: swings,
    [to(wire.measures.listReadings, { id: 's1' })]: readings,
    [to(wire.prescription.listChoices, { id: 's1' })]: [],
  });
  draw(<LessonTakes student={student} today={TODAY} felt={felt} />);
}
const lines = async () => (await screen.findAllByRole('listitem')).map((li) => li.textContent ?? '');

describe('the takes of a lesson', () => {
  test('newest first, each with how far it is', async () => {
    show(
      [
        swing('d'),
        swing('c', { views: [view({ looked: 'nobody' })] }),
        swing('b', { marks: [mark] }),
        swing('a', { marks: [mark] }),
        swing('old', { recordedOn: '2027-03-01' }),
      ],
      [reading('a', TODAY, 2)],
    );
    await screen.findByText(/1 measure/);
    const told = await lines();
    expect(told[0]).toContain('Take 4face-onWaits to be read.');
    expect(told[1]).toContain('Take 3face-onNobody was found in it');
    expect(told[2]).toContain('Take 2face-onBeing measured.');
    expect(told[3]).toContain('Take 1face-on1 measure, by proposed marks, not checked');
    expect(told.join()).not.toContain('Take 5');
  });
  test('the one that is looked through says how far', async () => {
    show([swing('a')]);
    await lines();
    act(() => tellLook({ swingId: 'a', firstName: 'Gus', view: 'face_on', share: 0.42 }));
    expect((await lines())[0]).toContain('Being looked through, face-on: 42 %.');
  });
  test('today’s swings stand together beside the last day', async () => {
    show(
      [swing('a', { marks: [mark] })],
      [reading('b', TODAY, 2), reading('a', TODAY, 2.4), reading('o', '2027-03-01', 4)],
    );
    expect(await screen.findByText(/2 swings together, beside/)).toBeTruthy();
    expect(screen.getByTestId('measure-shift_impact').textContent).toContain('2.2');
  });
  test('before the student has said what it felt like no tape stands there, unless it is asked for', async () => {
    show([swing('a', { marks: [mark] })], [reading('a', TODAY, 2.4)], false);
    expect(await screen.findByText(/Ask what it felt like/)).toBeTruthy();
    expect(screen.queryByTestId('measure-shift_impact')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Show the tapes' }));
    expect(await screen.findByTestId('measure-shift_impact')).toBeTruthy();
  });
  test('a device that is told not to read says so, and remembers it', async () => {
    show([swing('a')]);
    await lines();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Read new clips on this device' }));
    expect((await lines())[0]).toContain('this device doesn’t read by itself');
    expect(JSON.parse(localStorage.getItem('inchstep.settings') ?? '{}')).toMatchObject({
      readsClips: false,
    });
  });
  test('before the first take nothing stands there', () => {
    show([]);
    expect(screen.queryByText('Today’s takes')).toBeNull();
  });
});
