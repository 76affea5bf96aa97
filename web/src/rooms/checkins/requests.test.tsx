import type { StudentPage } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { AskedFor } from './AskedFor.tsx';
import { RequestPanel } from './RequestPanel.tsx';

afterEach(cleanup);

const next = {
  kinds: ['face_on', 'down_the_line'],
  swings: 3,
  dueOn: '2027-03-17',
  drill: 'knee_swap',
  stage: 'half',
  club: 'short_iron',
  aid: 'on',
  why: '',
};
const asked = (more: object = {}) => ({
  ...next,
  id: 'r1',
  askedAt: '2027-03-08T09:00:00Z',
  withdrawnAt: null,
  state: 'open',
  missing: ['down_the_line'],
  fulfilledAt: null,
  ...more,
});

describe('clips asked for, on the coach’s side', () => {
  const show = (requests: readonly object[]) => {
    const log = fakeServer({
      [to(wire.checkins.listRequests, { id: 'x' })]: { requests, next },
      [to(wire.checkins.askForClips, { id: 'x' })]: asked(),
      [to(wire.checkins.withdrawRequest, { id: 'x', requestId: 'r1' })]: asked(),
    });
    draw(<RequestPanel studentId="x" mails={false} today="2027-03-10" />);
    return log;
  };
  const sent = (log: ReturnType<typeof show>) => log.filter(({ method }) => method === 'POST');

  test('the next one is drafted, changed in a press, and sent with an id of its own', async () => {
    const log = show([]);
    expect(
      await screen.findByText(/Next: 3 swings, face-on and down the line, .*half, short iron, with the aid/),
    ).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Down the line' }));
    fireEvent.change(screen.getByLabelText('Swings'), { target: { value: '5' } });
    fireEvent.change(screen.getByLabelText(/^Why/), { target: { value: 'The knee, please.' } });
    fireEvent.click(screen.getByRole('button', { name: 'Ask for it' }));
    await waitFor(() => expect(sent(log)).toHaveLength(1));
    expect(sent(log)[0]?.body).toMatchObject({
      kinds: ['face_on'],
      swings: 5,
      why: 'The knee, please.',
      drill: 'knee_swap',
    });
    expect((sent(log)[0]?.body as { id: string } | undefined)?.id).toMatch(/^[0-9a-f-]{36}$/);
  });
  test('the last view can’t be taken away', async () => {
    show([]);
    for (const name of ['Down the line', 'Face-on'])
      fireEvent.click(await screen.findByRole('button', { name }));
    expect(screen.getByRole('button', { name: 'Face-on' }).getAttribute('aria-pressed')).toBe('true');
  });
  test('one that is open says what is still to come, and is taken back in one press', async () => {
    const log = show([asked()]);
    expect(await screen.findByText(/Still to come: down the line/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(sent(log)[0]?.body).toEqual({ withdrawn: true }));
  });
  test.each([
    ['overdue', /was due/],
    ['fulfilled', /has come/],
    ['withdrawn', /taken back/],
  ])('%s is told', async (state, text) => {
    show([asked({ state, missing: state === 'fulfilled' ? [] : ['face_on', 'down_the_line'] })]);
    expect(await screen.findByText(text)).toBeTruthy();
  });
});

describe('what is asked, on the student’s phone', () => {
  const page = (request: object | null) =>
    ({ coach: 'Ilse Varga', today: '2027-03-10', request }) as unknown as StudentPage;
  test('what, by when, why, and how to stand the phone', () => {
    draw(<AskedFor page={page(asked({ why: 'The knee, please.' }))} />);
    expect(screen.getByText('Ilse Varga asks for clips')).toBeTruthy();
    expect(screen.getByText('The knee, please.')).toBeTruthy();
    expect(screen.getByText(/Still to come: down the line/)).toBeTruthy();
    expect(screen.getByText(/From behind: phone at belt height/)).toBeTruthy();
  });
  test('late is told without blame', () => {
    draw(<AskedFor page={page(asked({ state: 'overdue', dueOn: '2027-03-08' }))} />);
    expect(screen.getByText(/it still helps/)).toBeTruthy();
  });
  test('nothing asked, nothing there', () => {
    draw(<AskedFor page={page(null)} />);
    expect(screen.queryByRole('heading')).toBeNull();
  });
});
