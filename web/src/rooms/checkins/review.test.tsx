import type { Checkin, Review } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { useState } from 'react';
import { type Asked, draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { AnswerPress } from './AnswerPress.tsx';
import { ReviewScreen } from './ReviewScreen.tsx';

/** Clips are read in a worker, which a test has none of: it is asked and never answers. */
class SilentWorker extends EventTarget {
  postMessage() {}
  terminate() {}
  start() {}
}
class SilentChannel {
  readonly port1 = new SilentWorker();
  readonly port2 = new SilentWorker();
}

beforeEach(() => {
  Object.assign(globalThis, { Worker: SilentWorker, MessageChannel: SilentChannel });
  HTMLCanvasElement.prototype.getContext = () => null;
});
afterEach(cleanup);

const student = {
  id: 'x',
  profile: { firstName: 'Gus', handedness: 'left', heightIn: 72, flexibility: 'usual', mail: null },
  school: {},
};
const clip = (id: string, more: object = {}) => ({
  id,
  studentId: 'x',
  kind: 'face_on',
  recordedOn: '2027-03-08',
  widthPx: 540,
  heightPx: 960,
  fileName: `${id}.mp4`,
  ...more,
});
const checkin = (id: string, more: object = {}) => ({
  id,
  studentId: 'x',
  at: '2027-03-08T10:00:00.000Z',
  note: 'It runs on with the ball there.',
  pain: false,
  painWhere: '',
  felt: 6,
  clips: [],
  reply: null,
  enclosures: [],
  ...more,
});
const swing = (id: string, day: string, clipId: string, stationTimes: object) => ({
  id,
  studentId: 'x',
  recordedOn: day,
  club: 'mid_iron',
  speed: 'full',
  discardedAt: null,
  createdAt: day,
  marks: [],
  views: [
    { kind: 'face_on', clipId, widthPx: 540, heightPx: 960, camera: {}, groundMarks: [], stationTimes },
  ],
});
const NEXT = {
  kinds: ['face_on'],
  swings: 3,
  dueOn: '2027-03-17',
  drill: null,
  stage: null,
  club: null,
  aid: null,
  why: '',
};
const moved = (id: string, direction: 'better' | 'worse') => ({
  id,
  unit: 'in',
  before: 2.1,
  after: 0.8,
  verdict: 'real',
  direction,
});
const REVIEW = {
  facts: {
    pain: false,
    better: [moved('shift_top', 'better')],
    worse: [],
    atEdge: ['sway_top'],
    film: 'measured',
    practised: { repsDone: 40, byCoach: 10, repsPlanned: 80, passRate: 0.75, since: '2027-03-01' },
    key: null,
    gate: null,
    leave: [],
    sendNext: NEXT,
  },
  draft: 'Gus, the shift has come down.',
  phrases: ['Breathe out before you go.'],
  felt: 6,
  strikes: [{ strike: 'middle', count: 7 }],
  asked: null,
};
const server = (all: object[], more: object = {}) =>
  fakeServer({
    [to(wire.care.me)]: ME,
    [to(wire.checkins.listCheckins, { id: 'x' })]: all,
    [to(wire.capture.listSwings, { id: 'x' })]: [],
    [to(wire.intake.readHold, { id: 'x' })]: null,
    [to(wire.practice.listGates, { id: 'x' })]: [],
    [to(wire.checkins.listLinks, { id: 'x' })]: [],
    [to(wire.checkins.reviewCheckin, { id: 'c1', query: { units: 'in' } })]: REVIEW,
    [to(wire.progress.listQueue)]: { version: '1', rows: [], week: { came: 0, answered: 0 } },
    [to(wire.checkins.readConversation, { id: 'x' })]: { said: [], letters: [], by: 'folder' },
    [to(wire.checkins.listRequests, { id: 'x' })]: { requests: [], next: NEXT },
    ...more,
  });
const review = (url = '/checkins/c1') =>
  draw(<ReviewScreen />, { path: '/checkins/:checkinId', url, context: { student } });

describe('a check-in that is looked at', () => {
  test('none yet: says how one comes', async () => {
    server([]);
    review();
    expect(await screen.findByText('No check-in yet')).toBeTruthy();
    expect(screen.getByText(/Give the student a private link/)).toBeTruthy();
  });
  test('words, how it felt, and that no clip came', async () => {
    server([checkin('c1')]);
    review();
    expect(await screen.findByText('It runs on with the ball there.')).toBeTruthy();
    expect(screen.getByText('Felt 6 out of 10.')).toBeTruthy();
    expect(screen.getByText('No clip came with this check-in.')).toBeTruthy();
  });
  test('the draft can be changed and is sent as it then stands', async () => {
    const log = server([checkin('c1')], { [to(wire.checkins.sendReply, { id: 'c1' })]: checkin('c1') });
    review();
    const box = (await screen.findByRole('textbox', { name: 'Reply' })) as HTMLTextAreaElement;
    expect(box.value).toBe('Gus, the shift has come down.');
    fireEvent.change(box, { target: { value: '  ' } });
    expect((screen.getByRole('button', { name: 'Send' }) as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(box, { target: { value: 'Gus, keep the post.' } });
    fireEvent.click(screen.getByRole('button', { name: 'Send' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({
        text: 'Gus, keep the post.',
        draft: 'Gus, the shift has come down.',
        replan: true,
        gates: [],
        request: { ...NEXT, byMail: false },
      }),
    );
  });
  test('what was typed is there again after a look elsewhere, and goes with the sending', async () => {
    const answered = checkin('c1');
    let fails = true;
    const log = server([checkin('c1')], {
      [to(wire.checkins.sendReply, { id: 'c1' })]: () => {
        if (fails) throw new TypeError('offline');
        return answered;
      },
    });
    const box = async () => (await screen.findByRole('textbox', { name: 'Reply' })) as HTMLTextAreaElement;
    review();
    fireEvent.change(await box(), { target: { value: 'Gus, keep the post.' } });
    cleanup();
    review();
    expect((await box()).value).toBe('Gus, keep the post.');
    const send = () => fireEvent.click(screen.getByRole('button', { name: 'Send' }));
    const sent = () => log.filter((a) => a.method === 'POST').map((a) => (a.body as { id: string }).id);
    send();
    expect(await screen.findByText(/No connection/)).toBeTruthy();
    fails = false;
    send();
    await waitFor(() => expect(sent()).toHaveLength(2));
    expect(sent()[0]).toBe(sent()[1]);
    await waitFor(async () => expect((await box()).value).toBe('Gus, the shift has come down.'));
  });
  test('each that goes along can be left out; a phrase of the coach’s own is put in with a press', async () => {
    const log = server([checkin('c1')], { [to(wire.checkins.sendReply, { id: 'c1' })]: checkin('c1') });
    review();
    fireEvent.click(await screen.findByRole('button', { name: 'Breathe out before you go.' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Lay the plan anew from today' }));
    fireEvent.click(await screen.findByRole('checkbox', { name: /^Ask for clips/ }));
    const box = screen.getByRole('textbox', { name: 'Reply' });
    fireEvent.keyDown(box, { key: 'Enter', ctrlKey: true });
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({
        text: 'Gus, the shift has come down.\n\nBreathe out before you go.',
        replan: false,
        request: null,
      }),
    );
  });
  test('the facts stand beside it: what moved, what is at its edge, practice, the ball', async () => {
    server([checkin('c1')]);
    review();
    expect(await screen.findByText(/surely better/)).toBeTruthy();
    expect(screen.getByText(/at its edge/)).toBeTruthy();
    expect(screen.getByText('40 of 80 repetitions')).toBeTruthy();
    expect(screen.getByText(/^since .*1/)).toBeTruthy();
    expect(screen.getByText('30 logged by the student, 10 by you')).toBeTruthy();
    expect(screen.getByText(/middle 7/)).toBeTruthy();
    expect(screen.getByText('Nothing was asked for.')).toBeTruthy();
  });
  test('one that can still be taken back says when it goes; taken back, its words are there again', async () => {
    const goesAt = new Date(Date.now() + 300_000).toISOString();
    const reply = { id: 'r', text: 'Good. Go on.', at: '2027-03-09T08:00:00.000Z', goesAt };
    let answered = true;
    server([], {
      [to(wire.checkins.listCheckins, { id: 'x' })]: () => [checkin('c1', answered ? { reply } : {})],
      [to(wire.checkins.takeBackReply, { id: 'c1' })]: () => {
        answered = false;
        return checkin('c1');
      },
    });
    review();
    expect(await screen.findByText(/^Goes at \d\d:\d\d/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    const box = (await screen.findByRole('textbox', { name: 'Reply' })) as HTMLTextAreaElement;
    expect(box.value).toBe('Good. Go on.');
  });
  test('one that was answered shows the answer and offers no second', async () => {
    server([
      checkin('c1', { reply: { text: 'Good. Go on.', at: '2027-03-09T08:00:00.000Z', goesAt: null } }),
    ]);
    review();
    expect(await screen.findByText('Good. Go on.')).toBeTruthy();
    expect(screen.queryByRole('textbox', { name: 'Reply' })).toBeNull();
  });
  test('earlier ones are listed: which hurt, which wait', async () => {
    server([checkin('c1'), checkin('c2', { pain: true }), checkin('c3', { reply: { text: 'Ok.', at: '' } })]);
    review();
    const list = within((await screen.findByText('All check-ins')).closest('section') as HTMLElement);
    const links = list.getAllByRole('link');
    expect(links.map((a) => a.getAttribute('href'))).toEqual(
      ['c1', 'c2', 'c3'].map((id) => `/students/x/checkins/${id}`),
    );
    expect(links[0]?.getAttribute('aria-current')).toBe('page');
    expect(links[1]?.textContent).toContain('(pain)');
    expect(links[2]?.textContent).not.toContain('(open)');
  });
});

describe('the answer', () => {
  const sent = (log: Asked[]) => log.filter((a) => a.method === 'POST' && a.url.endsWith('/reply'));
  function Making() {
    const [making, setMaking] = useState(true);
    return (
      <>
        <button type="button" onClick={() => setMaking(false)}>
          The clip is there
        </button>
        <AnswerPress
          student={student as unknown as Student}
          checkin={checkin('c1') as unknown as Checkin}
          review={REVIEW as unknown as Review}
          today="2027-03-09"
          making={making}
        />
      </>
    );
  }
  const draws = () => {
    const log = server([checkin('c1')], { [to(wire.checkins.sendReply, { id: 'c1' })]: {} });
    draw(<Making />);
    fireEvent.click(screen.getByRole('button', { name: 'Send' }));
    return log;
  };
  test('waits for a clip that is still being made, and goes with it by itself', async () => {
    const log = draws();
    expect(screen.getByText(/An attachment is still being made/)).toBeTruthy();
    expect(sent(log)).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: 'The clip is there' }));
    await waitFor(() => expect(sent(log)).toHaveLength(1));
  });
  test('goes without it where the coach says so, and not at all where he takes it back', async () => {
    const log = draws();
    fireEvent.click(screen.getByRole('button', { name: 'Don’t send yet' }));
    fireEvent.click(screen.getByRole('button', { name: 'The clip is there' }));
    expect(sent(log)).toEqual([]);
    cleanup();
    const next = draws();
    fireEvent.click(screen.getByRole('button', { name: 'Send without it' }));
    await waitFor(() => expect(sent(next)).toHaveLength(1));
  });
});

describe('pain', () => {
  test('is said first, with where it hurts', async () => {
    server([checkin('c1', { pain: true, painWhere: 'low back' })]);
    review();
    expect(await screen.findByText(/Pain: low back\. All drills are paused\./)).toBeTruthy();
  });
});

describe('then and now', () => {
  const withClip = checkin('c1', { clips: [clip('new')] });
  const now = swing('n', '2027-03-08', 'new', { address: 0.1, top: 0.6, impact: 1 });
  test('the last earlier swing from the same side whose stations are named stands beside it', async () => {
    server([withClip], {
      [to(wire.capture.listSwings, { id: 'x' })]: [
        now,
        swing('s1', '2027-02-01', 'old1', { address: 0.1 }),
        swing('s2', '2027-02-20', 'old2', { address: 0.1, impact: 1 }),
        swing('s3', '2027-02-25', 'old3', {}),
      ],
    });
    review();
    const choice = (await screen.findByLabelText('Then')) as HTMLSelectElement;
    expect(choice.value).toBe('s2');
    expect([...choice.options].map((o) => o.value)).toEqual(['s2', 's1']);
    expect(screen.getByRole('button', { name: 'Impact' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Top' })).toBeNull();
    const lines = screen.getByRole('button', { name: 'Lines (L)' });
    fireEvent.keyDown(document, { key: 'l', code: 'KeyL' });
    await waitFor(() => expect(lines.getAttribute('aria-pressed')).toBe('true'));
  });
  test('nothing to stand beside it is said', async () => {
    server([withClip], { [to(wire.capture.listSwings, { id: 'x' })]: [now] });
    review();
    expect(await screen.findByText(/There is no earlier face-on swing/)).toBeTruthy();
  });
  test('a clip whose swing was put aside says so', async () => {
    server([withClip]);
    review();
    expect(await screen.findByText('The swing of this clip was put aside.')).toBeTruthy();
  });
});
