import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { draw, fakeServer, ME } from '../../testing/screen.tsx';
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

const student = { id: 'x', profile: { firstName: 'Gus', handedness: 'left' } };
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
  ...more,
});
const swing = (id: string, day: string, clipId: string, stationTimes: object) => ({
  id,
  studentId: 'x',
  recordedOn: day,
  club: 'mid_iron',
  speed: 'full',
  marks: [],
  views: [
    { kind: 'face_on', clipId, widthPx: 540, heightPx: 960, camera: {}, groundMarks: [], stationTimes },
  ],
});
const server = (all: object[], more: object = {}) =>
  fakeServer({
    'GET /api/me': ME,
    'GET /api/students/x/checkins': all,
    'GET /api/students/x/swings': [],
    'GET /api/students/x/hold': null,
    'GET /api/students/x/gates': [],
    'GET /api/students/x/links': [],
    'GET /api/checkins/c1/draft?units=in': { text: 'Gus, the shift has come down.' },
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
    const log = server([checkin('c1')], { 'POST /api/checkins/c1/reply': checkin('c1') });
    review();
    const box = (await screen.findByRole('textbox', { name: 'Reply' })) as HTMLTextAreaElement;
    expect(box.value).toBe('Gus, the shift has come down.');
    fireEvent.change(box, { target: { value: '  ' } });
    expect((screen.getByRole('button', { name: 'Send' }) as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(box, { target: { value: 'Gus, keep the post.' } });
    fireEvent.click(screen.getByRole('button', { name: 'Send' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({ text: 'Gus, keep the post.' }),
    );
  });
  test('what was typed is there again after a look elsewhere, and goes with the sending', async () => {
    const answered = checkin('c1');
    let fails = true;
    const log = server([checkin('c1')], {
      'POST /api/checkins/c1/reply': () => {
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
  test('one that was answered shows the answer and offers no second', async () => {
    server([checkin('c1', { reply: { text: 'Good. Go on.', at: '2027-03-09T08:00:00.000Z' } })]);
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

describe('pain', () => {
  test('is said first, with who to see, and a hold is lifted only with a reason', async () => {
    const log = server([checkin('c1', { pain: true, painWhere: 'low back' })], {
      'GET /api/students/x/hold': { where: 'low back', since: '2027-03-08' },
      'POST /api/students/x/hold/lift': null,
    });
    review();
    expect(await screen.findByText(/Pain: low back\. All drills are on hold\./)).toBeTruthy();
    const why = (await screen.findByLabelText('Why the hold is lifted')) as HTMLInputElement;
    expect(why.required).toBe(true);
    expect(screen.getByText(/a doctor or/)).toBeTruthy();
    fireEvent.change(why, { target: { value: 'cleared by her physiotherapist' } });
    fireEvent.click(screen.getByRole('button', { name: 'Lift' }));
    await waitFor(() => {
      const sent = log.find((a) => a.method === 'POST');
      expect(JSON.stringify(sent?.body)).toContain('cleared by her physiotherapist');
    });
  });
});

describe('then and now', () => {
  const withClip = checkin('c1', { clips: [clip('new')] });
  test('the last earlier swing from the same side whose stations are named is laid beside it', async () => {
    server([withClip], {
      'GET /api/students/x/swings': [
        swing('s1', '2027-02-01', 'old1', { address: 0.1 }),
        swing('s2', '2027-02-20', 'old2', { address: 0.1, impact: 1 }),
        swing('s3', '2027-02-25', 'old3', {}),
      ],
    });
    review();
    const choice = (await screen.findByLabelText('Earlier swing')) as HTMLSelectElement;
    expect(choice.value).toBe('s2');
    expect([...choice.options].map((o) => o.value)).toEqual(['s1', 's2']);
    const impact = screen.getByRole('button', { name: 'Impact' });
    fireEvent.click(impact);
    expect(impact.getAttribute('aria-pressed')).toBe('true');
    expect(screen.getByRole('button', { name: /Hold now’s frame as impact/ })).toBeTruthy();
  });
  test('nothing to lay beside it is said', async () => {
    server([withClip]);
    review();
    expect(await screen.findByText(/No earlier face-on clip with named stations/)).toBeTruthy();
  });
  test('the clip goes on the bench as a swing of its own, once', async () => {
    const log = server([withClip], { 'POST /api/students/x/swings': swing('n', '2027-03-08', 'new', {}) });
    review();
    fireEvent.click(await screen.findByRole('button', { name: 'Measure it on the bench' }));
    await waitFor(() => expect(screen.getByText('elsewhere')).toBeTruthy());
    const made = log.filter((a) => a.method === 'POST');
    expect(made).toHaveLength(1);
    expect(made[0]?.body).toMatchObject({
      recordedOn: '2027-03-08',
      views: [{ kind: 'face_on', clipId: 'new' }],
      marks: [],
    });
  });
  test('a clip that is on the bench already is opened there', async () => {
    const log = server([withClip], {
      'GET /api/students/x/swings': [swing('s9', '2027-03-08', 'new', { top: 1 })],
    });
    review();
    fireEvent.click(await screen.findByRole('button', { name: 'Measure it on the bench' }));
    await waitFor(() => expect(screen.getByText('elsewhere')).toBeTruthy());
    expect(log.some((a) => a.method === 'POST')).toBe(false);
  });
});
