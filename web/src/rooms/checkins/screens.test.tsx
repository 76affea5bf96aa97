import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { to } from '../../testing/screen.tsx';
import 'fake-indexeddb/auto';
import type { Student } from '@inchstep/contract/intake';
import { DRILL_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import type { ViewKind } from '@inchstep/core/intake';
import { buildPlan, NOTHING_KNOWN, type PlanDay, packPlan, USUAL_ASK } from '@inchstep/core/practice';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { addDays, format } from 'date-fns';
import { draw, fakeServer, Refused } from '../../testing/screen.tsx';
import { StudentLinkPanel } from './StudentLinkPanel.tsx';
import { StudentPageScreen } from './StudentPageScreen.tsx';
import { nextView } from './useCheckin.ts';
import { dayThere } from './usePageLine.ts';

let students = 0;
beforeEach(() => {
  students++;
});
afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe('the private link', () => {
  const link = {
    id: 'l',
    createdAt: '2027-03-01',
    expiresAt: '2999-01-01',
    revokedAt: null,
    lastUsedAt: null,
  };
  const student = {
    id: 'x',
    profile: { firstName: 'Gus', mail: { address: 'gus@quarry-lane.example', agreedOn: '2027-03-01' } },
  } as unknown as Student;
  test('is shown once, in full, and can be closed', async () => {
    const log = fakeServer({
      [to(wire.checkins.listLinks, { id: 'x' })]: [link],
      [to(wire.checkins.makeLink, { id: 'x' })]: { ...link, token: 'the-token' },
      [to(wire.checkins.closeLinks, { id: 'x' })]: { ok: true },
    });
    draw(<StudentLinkPanel student={student} />);
    fireEvent.click(await screen.findByRole('button', { name: 'New link (closes the old one)' }));
    const box = (await screen.findByLabelText('Private link')) as HTMLInputElement;
    expect(box.value).toBe(`${location.origin}/p/the-token`);
    expect(screen.getByText('Code that opens Gus’s page')).toBeTruthy();
    const letter = screen.getByRole('link', { name: 'Send by mail' }).getAttribute('href') ?? '';
    expect(letter.startsWith('mailto:gus%40quarry-lane.example?subject=')).toBe(true);
    expect(decodeURIComponent(letter)).toContain(box.value);
    fireEvent.click(screen.getByRole('button', { name: 'Close it' }));
    await waitFor(() => expect(log.some((a) => a.url.endsWith('/revoke'))).toBe(true));
    await waitFor(() => expect(screen.queryByLabelText('Private link')).toBeNull());
  });
});

/** A summary is pressed as the browser would: the details open and say so. */
async function openCard(): Promise<void> {
  const details = (await screen.findByText('How to set it up')).closest('details') as HTMLDetailsElement;
  details.open = true;
  fireEvent(details, new Event('toggle'));
}

describe('the student’s page', () => {
  const item = {
    id: '2027-03-10.knee_swap.rung',
    drill: 'knee_swap',
    intent: 'rung',
    as: 'drill',
    stage: 'slow',
    layer: 1,
    sets: 3,
    rehearsals: 30,
    balls: 0,
    looks: 1,
    lookEvery: 3,
    speedPct: 30,
    club: null,
    clubs: [],
    aid: 'on',
    order: 'blocked',
    stop: false,
    minutes: 5,
  };
  const warm = { warmUpMinutes: 3, warmUp: ['march_on_the_spot', 'small_knee_bends'] };
  const page = (more: object = {}) => ({
    studentId: `student-${students}`,
    firstName: 'Gus',
    coach: 'Ilse Varga',
    today: '2027-03-10',
    handedness: 'left',
    heightIn: 72,
    setupBias: 'centred',
    lessons: [],
    nextLesson: null,
    needsConsent: false,
    hold: null,
    day: { date: '2027-03-10', place: 'home', minutes: 8.3, ...warm, items: [item] },
    nextDay: '2027-03-12',
    drills: [
      {
        id: 'knee_swap',
        stage: 'slow',
        more: 12,
        waits: false,
        setup: [{ id: 'stance', valueIn: 15 }],
        cautions: [],
        layers: [{ tells: 'student' }, { tells: 'film' }],
        guard: null,
        amounts: [],
        exaggerate: null,
      },
    ],
    sets: [],
    checkins: [],
    word: null,
    words: { knee_swap: DRILL_WORDS.knee_swap },
    clipLimitMb: 300,
    ...more,
  });
  const show = () => draw(<StudentPageScreen token="tok-12345678" />);
  const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

  test('today’s card, and a set that is logged', async () => {
    const log = fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.logSet, { token: 'tok-12345678' })]: {},
    });
    show();
    expect(
      await screen.findByText(/Home, about 8 minutes. Warm up 3 min: march on the spot, small knee bends/),
    ).toBeTruthy();
    for (const name of ['Counted', 'Counted', 'Missed']) press(name);
    press('Log this set');
    expect(await screen.findByText(/Logged\./)).toBeTruthy();
    expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({
      drill: 'knee_swap',
      stage: 'slow',
      reps: 'PPF',
      date: '2027-03-10',
      doneAt: expect.stringMatching(/^20.*Z$/),
    });
  });
  test('what is left to the next rung, and the days ahead with their calendar', async () => {
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.readPlan, { token: 'tok-12345678' })]: {
        today: '2027-03-10',
        days: [{ date: '2027-03-12', place: 'range', minutes: 21.4, ...warm, items: [item] }],
        gates: [],
        pack: null,
      },
    });
    show();
    expect(await screen.findByText('About 12 more that count, at your present rate.')).toBeTruthy();
    const ahead = (await screen.findByText('The days ahead')).closest('details') as HTMLDetailsElement;
    ahead.open = true;
    fireEvent(ahead, new Event('toggle'));
    expect(await screen.findByText('Range, 21 min')).toBeTruthy();
    const link = screen.getByRole('link', { name: 'Put the dates in a calendar' });
    expect(link.getAttribute('href')).toBe(urlOf(wire.page.calendar, { token: 'tok-12345678' }));
  });
  test('a plan that breaks a rule is not shown, whoever sent it', async () => {
    const asked = { ...NOTHING_KNOWN, ...USUAL_ASK, file: referenceCase({}), drills: ['knee_swap'] };
    const request = { ...asked, start: '2027-03-10', days: ['wed' as const], minutesPerDay: { wed: 30 } };
    const { days, empty } = buildPlan(request);
    const [first, ...rest] = days as [PlanDay, ...PlanDay[]];
    const show2 = async (sent: readonly PlanDay[]) => {
      fakeServer({
        [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
        [to(wire.page.readPlan, { token: 'tok-12345678' })]: {
          today: '2027-03-10',
          days: sent.slice(0, 2),
          gates: [],
          pack: packPlan(request, { days: sent, empty }),
        },
      });
      show();
      const ahead = (await screen.findByText('The days ahead')).closest('details') as HTMLDetailsElement;
      ahead.open = true;
      fireEvent(ahead, new Event('toggle'));
    };
    await show2(days);
    expect(await screen.findByRole('link', { name: 'Put the dates in a calendar' })).toBeTruthy();
    cleanup();
    await show2([{ ...first, minutes: 200 }, ...rest]);
    expect((await screen.findByRole('alert')).textContent).toMatch(/do not keep the rules/);
    expect(screen.queryByRole('link', { name: 'Put the dates in a calendar' })).toBeNull();
  });
  test('what the club in the hands asks stands beside the item', async () => {
    const [drill] = page().drills;
    const amounts = [{ id: 'shift_forward', byClub: [{ club: 'short_iron', loIn: 2.5, hiIn: 4 }] }];
    const balls = { ...item, stage: 'half', balls: 18, club: 'short_iron' };
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page({
        day: { date: '2027-03-10', place: 'range', minutes: 20, ...warm, items: [balls] },
        drills: [{ ...drill, amounts }],
      }),
    });
    show();
    expect(
      await screen.findByText('With this club: pelvis forward, half-way down 2.5 in to 4.0 in.'),
    ).toBeTruthy();
  });
  test('a count half done survives closing the page', async () => {
    fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: page() });
    show();
    await screen.findByText('Gus’s practice');
    press('Counted');
    press('Missed');
    cleanup();
    show();
    expect(await screen.findByText(/1 of 2 counted/)).toBeTruthy();
  });
  test('no signal: the set waits on the phone and says so', async () => {
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.logSet, { token: 'tok-12345678' })]: () => {
        throw new TypeError('failed to fetch');
      },
    });
    show();
    await screen.findByText('Gus’s practice');
    press('Counted');
    press('Log this set');
    expect(await screen.findByText(/No signal\. Kept here/)).toBeTruthy();
    expect(await screen.findByText(/Kept on this phone: one set\./)).toBeTruthy();
  });
  test('a set goes to the phone’s store before it goes out: closed on the way, it is sent later, once', async () => {
    let letGo: () => void = () => undefined;
    const routes = (reply: unknown) =>
      fakeServer({
        [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
        [to(wire.page.logSet, { token: 'tok-12345678' })]: reply,
      });
    routes(() => new Promise<void>((done) => (letGo = done)));
    show();
    await screen.findByText('Gus’s practice');
    press('Counted');
    press('Log this set');
    cleanup();
    const log = routes({});
    show();
    await waitFor(() => expect(log.filter((a) => a.method === 'POST')).toHaveLength(1));
    expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({ reps: 'P' });
    await waitFor(() => expect(screen.queryByText(/Kept on this phone/)).toBeNull());
    letGo();
  });
  test('the card is fetched when it is opened, and not before', async () => {
    const log = fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: page() });
    show();
    await screen.findByText('Gus’s practice');
    expect(log.map(({ url }) => url)).toEqual([urlOf(wire.page.readPage, { token: 'tok-12345678' })]);
    await openCard();
    await screen.findAllByText('15.0 in');
    expect(log.map(({ url }) => url)).toContain(
      urlOf(wire.page.readFigure, { token: 'tok-12345678', drill: 'knee_swap' }),
    );
  });
  test('distances are shown in the student’s own units, and the choice is remembered', async () => {
    fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: page() });
    show();
    await openCard();
    expect((await screen.findAllByText('15.0 in')).length).toBeGreaterThan(0);
    press('Show centimetres');
    expect(screen.getAllByText('38.1 cm').length).toBeGreaterThan(0);
    cleanup();
    show();
    expect(await screen.findByRole('button', { name: 'Show inches' })).toBeTruthy();
  });
  test('words to the coach survive a phone that puts the page to sleep', async () => {
    const log = fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.sendCheckin, { token: 'tok-12345678' })]: {},
    });
    show();
    fireEvent.change(await screen.findByLabelText('What did you notice?'), {
      target: { value: 'It runs on.' },
    });
    cleanup();
    show();
    const box = () => screen.getByLabelText('What did you notice?') as HTMLTextAreaElement;
    await screen.findByText('Gus’s practice');
    expect(box().value).toBe('It runs on.');
    fireEvent.click(screen.getByRole('radio', { name: 'No' }));
    press('Send');
    expect(await screen.findByText(/Sent\. It is in/)).toBeTruthy();
    expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({ note: 'It runs on.', pain: false });
    expect(box().value).toBe('');
  });
  test('where the browser forbids to keep anything, the page is there, says so, and sends what was counted', async () => {
    const log = fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.logSet, { token: 'tok-12345678' })]: {},
    });
    const forbids = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('no', 'SecurityError');
    });
    try {
      show();
      fireEvent.click((await screen.findAllByRole('button', { name: 'Counted' }))[0] as HTMLElement);
      expect((await screen.findByRole('alert')).textContent).toMatch(/This phone can’t keep what you count/);
      press('Log this set');
      await waitFor(() => expect(log.some((a) => a.url.endsWith('/sets'))).toBe(true));
    } finally {
      forbids.mockRestore();
    }
  });
  test('at the cap of the day the student is told to stop', async () => {
    const known = page();
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: {
        ...known,
        drills: known.drills.map((drill) => ({ ...drill, room: 2 })),
      },
    });
    show();
    const count = async () =>
      fireEvent.click((await screen.findAllByRole('button', { name: 'Counted' }))[0] as HTMLElement);
    await count();
    expect(screen.queryByText(/enough of this for today/)).toBeNull();
    await count();
    expect(screen.getByText(/enough of this for today/)).toBeTruthy();
  });
  test('a phone whose clock is a day ahead says so once, and counts for the coach’s day', async () => {
    const today = format(addDays(new Date(), -1), 'yyyy-MM-dd');
    const log = fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page({ today }),
      [to(wire.page.logSet, { token: 'tok-12345678' })]: {},
    });
    show();
    expect(await screen.findByText(/On your coach’s calendar it is/)).toBeTruthy();
    press('OK');
    expect(screen.queryByText(/On your coach’s calendar it is/)).toBeNull();
    press('Counted');
    press('Log this set');
    await waitFor(() => {
      const sent = log.find((a) => a.url.endsWith('/sets'))?.body as
        | { date: string; doneAt: string }
        | undefined;
      expect(sent?.date).toBe(today);
      expect(format(new Date(sent?.doneAt ?? 0), 'yyyy-MM-dd')).toBe(format(new Date(), 'yyyy-MM-dd'));
    });
    cleanup();
    show();
    await screen.findByText('Gus’s practice');
    expect(screen.queryByText(/On your coach’s calendar it is/)).toBeNull();
  });
  test.each([
    ['the same day', '2027-03-10', '2027-03-10T09:00:00', '2027-03-11', '2027-03-11'],
    ['a clock a day ahead', '2027-03-10', '2027-03-11T09:00:00', '2027-03-12', '2027-03-11'],
    ['a clock a year behind', '2027-03-10', '2026-03-10T09:00:00', '2026-03-11', '2027-03-11'],
  ])('the coach’s day without a signal: %s', (_, today, heard, here, there) => {
    expect(dayThere({ page: { today }, at: new Date(heard).getTime() }, here)).toBe(there);
  });
  test('two taps on Send are one check-in; what is written next is another', async () => {
    const log = fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.sendCheckin, { token: 'tok-12345678' })]: {},
    });
    const sent = () => log.filter((a) => a.method === 'POST').map(({ body }) => (body as { id: string }).id);
    show();
    fireEvent.click(await screen.findByRole('radio', { name: 'No' }));
    press('Send');
    press('Send');
    expect(await screen.findByText(/Sent\. It is in/)).toBeTruthy();
    expect(sent()).toHaveLength(1);
    fireEvent.click(screen.getByRole('radio', { name: 'No' }));
    press('Send');
    await waitFor(() => expect(sent()).toHaveLength(2));
    expect(new Set(sent()).size).toBe(2);
  });
  test.each<[string, ViewKind[], ViewKind[], ViewKind]>([
    ['nothing asked: the first is face-on', [], [], 'face_on'],
    ['and the second the other view', [], ['face_on'], 'down_the_line'],
    ['asked for one, the other comes second', ['down_the_line'], ['down_the_line'], 'face_on'],
    ['asked for both', ['face_on', 'down_the_line'], ['face_on'], 'down_the_line'],
    ['a third is of what was asked', ['down_the_line'], ['down_the_line', 'face_on'], 'down_the_line'],
  ])('the view of the next clip: %s', (_, asked, chosen, expected) => {
    expect(
      nextView(
        asked,
        chosen.map((kind) => ({ kind })),
      ),
    ).toBe(expected);
  });
  test('pain takes the drills away and says what to do', async () => {
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page({
        hold: { id: 'h', where: 'back', at: '', liftedAt: null, liftNote: '' },
      }),
    });
    show();
    expect((await screen.findByRole('alert')).textContent).toMatch(/doctor or a physiotherapist/);
    expect(screen.queryByText('Today')).toBeNull();
  });
  test('nothing can be sent before the pain question is answered; yes shows the words at once', async () => {
    const log = fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: page(),
      [to(wire.page.stopForPain, { token: 'tok-12345678' })]: {},
      [to(wire.page.sendCheckin, { token: 'tok-12345678' })]: {},
    });
    show();
    const send = (await screen.findByRole('button', { name: 'Send' })) as HTMLButtonElement;
    expect(send.disabled).toBe(true);
    fireEvent.click(screen.getByRole('radio', { name: 'Yes' }));
    expect(screen.getByRole('alert').textContent).toMatch(/Stop now and rest/);
    fireEvent.change(screen.getByLabelText('Where?'), { target: { value: 'lead knee' } });
    fireEvent.click(send);
    expect(await screen.findByText('Sent. It is in the coach’s queue.')).toBeTruthy();
    const [first, second] = log.filter((a) => a.method === 'POST');
    expect(first).toMatchObject({
      url: urlOf(wire.page.stopForPain, { token: 'tok-12345678' }),
      body: { where: 'lead knee' },
    });
    const painId = (first?.body as { id: string } | undefined)?.id;
    expect(second?.body).toMatchObject({ pain: true, painWhere: 'lead knee', painId });
  });
  test('a day without practice names the next, and lets one practise anyway', async () => {
    fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: page({ day: null }) });
    show();
    expect(await screen.findByText(/the next day is in 2 days/)).toBeTruthy();
    press('Practise anyway');
    expect(screen.getByRole('button', { name: 'Counted' })).toBeTruthy();
  });
  test('a link that has run out says whom to ask, and a child’s clip waits', async () => {
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: new Refused(
        410,
        'link_expired',
        'This link has run out. Ask your coach.',
      ),
    });
    show();
    expect((await screen.findByRole('alert')).textContent).toContain('Ask your coach');
    cleanup();
    fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: page({ needsConsent: true }) });
    show();
    expect(await screen.findByText('Clips wait until a guardian has agreed.')).toBeTruthy();
  });
});
