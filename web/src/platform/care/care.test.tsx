import type { Arrival, Care } from '@inchstep/contract/care';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { fakeServer, to } from '../../testing/screen.tsx';
import { DataScreen } from './DataScreen.tsx';
import { Arrived } from './TakeIn.tsx';
import { countsText, sizeText, untilText } from './words.ts';

afterEach(cleanup);

const care = (more: Partial<Care> = {}): Care => ({
  now: '2027-03-10T10:00:00.000Z',
  backupDir: '/srv/backups',
  backups: [
    { name: 'b', at: '2027-03-10T03:00:00.000Z', bytes: 7e6, verifiedAt: '2027-03-10T03:00:09.000Z' },
    { name: 'a', at: '2027-03-08T03:00:00.000Z', bytes: 6e6, verifiedAt: null },
  ],
  running: null,
  trouble: null,
  verified: null,
  storage: {
    dataDir: '/srv/data',
    databaseBytes: 2e6,
    clipBytes: 5e6,
    clips: 13,
    letters: 2,
    freeBytes: 9e10,
  },
  erasures: [],
  sessions: [
    {
      id: 's1',
      device: 'Chrome on Linux',
      createdAt: '',
      lastUsedAt: '2027-03-10T09:00:00.000Z',
      here: true,
    },
    {
      id: 's2',
      device: 'Safari on iPad',
      createdAt: '',
      lastUsedAt: '2027-03-08T09:00:00.000Z',
      here: false,
    },
  ],
  links: [],
  contact: '',
  ...more,
});
const student = { id: 'mei', profile: { firstName: 'Mei', familyName: 'Tanaka' } };

function show(state: Care, more: Record<string, unknown> = {}) {
  const log = fakeServer({
    [to(wire.care.readCare)]: state,
    [to(wire.intake.listStudents)]: [student],
    [to(wire.capture.listClips, { id: 'mei' })]: [],
    ...more,
  });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={['/data?student=mei']}>
        <DataScreen />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return log;
}

describe('data and devices', () => {
  test('backups with date and size, which were read back, and how much is kept', async () => {
    show(care());
    expect(await screen.findByText('read back whole')).toBeTruthy();
    expect(screen.getByText('not read back yet')).toBeTruthy();
    expect(screen.getByRole('img', { name: 'Backups of 2 of the last 28 days' })).toBeTruthy();
    expect(screen.getByRole('img', { name: /1\.9 MB of record, 4\.8 MB in 13 films/ })).toBeTruthy();
    expect(screen.getByText('The record has not been looked through yet.')).toBeTruthy();
  });
  test('no folder: says how to get one, and offers no button that can’t work', async () => {
    show(care({ backupDir: null, backups: [] }));
    expect(await screen.findByText(/Start the program with BACKUP_DIR/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Back up now' })).toBeNull();
  });
  test('what is not whole is named, with what to do', async () => {
    const found = [{ code: 'clip_missing', about: 'x', count: 2 }];
    show(care({ verified: { at: '2027-03-10T09:00:00.000Z', ok: false, rows: 9, clips: 3, found } }));
    expect(await screen.findByText('2 clips are missing')).toBeTruthy();
    expect(screen.getByText(/restore a backup/)).toBeTruthy();
  });
  test('while something runs, how far it is; another can’t be begun', async () => {
    show(care({ running: { what: 'backup', done: 3, of: 12 } }));
    const bar = (await screen.findByRole('progressbar', { name: 'backup' })) as HTMLProgressElement;
    expect([bar.value, bar.max]).toEqual([3, 12]);
    expect(screen.getByRole('button', { name: 'Back up now' }).hasAttribute('disabled')).toBe(true);
  });
  test('erasing says first what goes, then asks once, and counts down with the way back', async () => {
    const waiting = {
      id: '11111111-2222-4333-8444-555555555555',
      what: 'student' as const,
      name: 'Mei Tanaka',
      askedAt: '2027-03-10T09:59:00.000Z',
      dueAt: '2027-03-10T10:09:00.000Z',
      doneAt: null,
      receipt: null,
    };
    const log = show(care({ erasures: [waiting] }), {
      [to(wire.care.previewErasure, { what: 'student', subjectId: 'mei' })]: {
        name: 'Mei Tanaka',
        counts: { clips: 2, set_logs: 12, clipBytes: 7e5 },
        backups: 2,
      },
      [to(wire.care.askErasure)]: { ok: true },
      [to(wire.care.takeBackErasure, { id: waiting.id })]: { ok: true },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Erase this student …' }));
    const box = await screen.findByText(
      /goes from this program, with 2 clips, 12 practice sets, 0\.7 MB of film/,
    );
    expect(
      within(box.closest('[role="alert"]') as HTMLElement).getByText(/2 backups in the folder hold it/),
    ).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Erase in 10 minutes' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({ what: 'student', subjectId: 'mei' }),
    );
    expect(screen.getByText('9:00')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(log.some((a) => a.url.endsWith('/take-back'))).toBe(true));
  });
  test('this session can’t be ended by mistake, others can', async () => {
    const log = show(care(), { [to(wire.care.endSession, { id: 's2' })]: { ok: true } });
    expect(await screen.findByText('this one')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'End: Chrome on Linux' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'End: Safari on iPad' }));
    await waitFor(() =>
      expect(log.some((a) => a.url === urlOf(wire.care.endSession, { id: 's2' }))).toBe(true),
    );
  });
});

describe('a record that came as a file', () => {
  const arrival: Arrival = {
    ticket: '11111111-2222-4333-8444-555555555555',
    studentId: '21111111-2222-4333-8444-555555555555',
    name: 'Mei Tanaka',
    rows: 640,
    clips: 1,
    drills: [
      { id: 'own_a', name: 'Coin', state: 'new', differs: [] },
      {
        ...{ id: 'own_b', name: 'Wall', state: 'other' },
        differs: [{ path: 'words.cue', ours: '"Stay"', theirs: '"Jump"' }],
      },
    ],
    mail: 'mei@golf.example',
    unsent: 2,
  };
  const draw = (more: Partial<Arrival> = {}) => {
    const log = fakeServer({
      [to(wire.care.keepArrival, { id: arrival.ticket })]: { name: 'Mei Tanaka' },
      [to(wire.care.dropArrival, { id: arrival.ticket })]: { ok: true },
    });
    const done: string[] = [];
    render(
      <QueryClientProvider client={new QueryClient()}>
        <Arrived arrival={{ ...arrival, ...more }} onDone={() => done.push('done')} />
      </QueryClientProvider>,
    );
    return { log, done };
  };
  test('says what it holds, what is not sent, and what becomes of each drill', () => {
    draw();
    const text = document.body.textContent ?? '';
    for (const said of [
      'This file is complete: 640 entries and 1 clip.',
      'Letters used to go to mei@golf.example.',
      '2 letters were still waiting. They won’t be sent from this program.',
      'The drill “Coin” is new here. It’s added to your library',
      'The drill “Wall” differs from yours. Your version stays.',
    ])
      expect(text).toContain(said);
    const cells = screen.getAllByRole('cell', { hidden: true }).map((cell) => cell.textContent);
    expect(cells).toEqual(['words.cue', '"Stay"', '"Jump"']);
  });
  test.each([
    ['Import Mei Tanaka', 'keep'],
    ['Cancel import', 'drop'],
  ])('%s', async (name, word) => {
    const { log, done } = draw({ drills: [], mail: null, unsent: 0 });
    expect(document.body.textContent).not.toContain('still waiting');
    fireEvent.click(screen.getByRole('button', { name }));
    await waitFor(() => expect(done).toEqual(['done']));
    expect(log.map(({ url }) => url)).toEqual([
      urlOf(word === 'keep' ? wire.care.keepArrival : wire.care.dropArrival, { id: arrival.ticket }),
    ]);
  });
});

describe('words of the care', () => {
  test.each([
    [{}, 'the profile'],
    [{ clips: 1, set_logs: 2 }, '1 clip, 2 practice sets'],
    [{ clips: 2, clipBytes: 3 * 1024 ** 2, writes: 9 }, '2 clips, 3.0 MB of film'],
  ])('%j', (counts, text) => {
    expect(countsText(counts)).toBe(text);
  });
  test('sizes and the time that is left', () => {
    expect([sizeText(0), sizeText(50 * 1024 ** 2), sizeText(3 * 1024 ** 3)]).toEqual([
      '0.0 MB',
      '50 MB',
      '3.0 GB',
    ]);
    expect(untilText('2027-03-10T10:09:05Z', '2027-03-10T10:00:00Z')).toBe('9:05');
    expect(untilText('2027-03-10T09:00:00Z', '2027-03-10T10:00:00Z')).toBe('0:00');
  });
});
