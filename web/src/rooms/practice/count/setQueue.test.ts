import type { SetLog } from '@inchstep/contract/practice';
import { beforeEach, describe, expect, test } from '@jest/globals';
import { HttpError } from '../../../platform/httpError.ts';
import { dropWaiting, putWaiting, queuesWith, sendWaiting, waitingSets } from './setQueue.ts';

beforeEach(() => localStorage.clear());

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
const refusal = (status: number, code: string) =>
  new HttpError(status, { code, message: `refused: ${code}`, problems: [] });
const waiting = () => waitingSets('coach.x').map(({ id, refused }) => [id, refused]);

describe('sets that wait in the coach’s browser', () => {
  test.each([
    ['signed out', refusal(401, 'signed_out')],
    ['a busy program', refusal(503, 'busy')],
    ['too many at once', refusal(429, 'too_many')],
    ['no connection', refusal(0, 'offline')],
    ['something that broke on the way', new Error('broke')],
  ])('%s keeps them all, in order', async (_, error) => {
    for (const id of ['a', 'b']) putWaiting('coach.x', set(id));
    const tried: string[] = [];
    const sent = await sendWaiting('coach.x', async ({ id }) => {
      tried.push(id);
      throw error;
    });
    expect([sent, tried]).toEqual([0, ['a']]);
    expect(waiting()).toEqual([
      ['a', undefined],
      ['b', undefined],
    ]);
  });
  test('a refusal stays with its reason until it is let go, and holds up nothing behind it', async () => {
    for (const id of ['a', 'b']) putWaiting('coach.x', set(id));
    const send = async ({ id }: SetLog) => {
      if (id === 'a') throw refusal(409, 'pain_hold');
    };
    expect(await sendWaiting('coach.x', send)).toBe(1);
    expect(await sendWaiting('coach.x', send)).toBe(0);
    expect(waiting()).toEqual([['a', 'refused: pain_hold']]);
    expect(queuesWith('coach.')).toEqual(['coach.x']);
    dropWaiting('coach.x', 'a');
    expect(queuesWith('coach.')).toEqual([]);
  });
});
