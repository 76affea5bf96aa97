import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { dropRefused, putWaiting, sendWaiting, waitingSets } from './waitingSets.ts';

const TOKEN = 'a-token-long-enough-to-be-one';
const set = (id: string) => ({
  id,
  date: '2027-03-01',
  drill: 'knee_swap',
  stage: 'slow' as const,
  reps: 'PPF',
  felt: 6,
  layer: 1,
  doneAt: '2027-03-01T08:00:00Z',
  device: null,
});
let sent: string[];
let reply: (id: string) => { status: number; body: unknown } | 'no line';

beforeEach(() => {
  localStorage.clear();
  sent = [];
  reply = () => ({ status: 200, body: {} });
  globalThis.fetch = jest.fn(async (_url: unknown, init?: { body?: unknown }) => {
    const { id } = JSON.parse(String(init?.body)) as { id: string };
    const said = reply(id);
    if (said === 'no line') throw new TypeError('failed to fetch');
    sent.push(id);
    return { ok: said.status < 300, status: said.status, json: async () => said.body };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  jest.restoreAllMocks();
});
const ids = () => waitingSets(TOKEN).map((s) => s.id);

describe('sets that wait on the phone', () => {
  test('go oldest first, once, and are gone', async () => {
    for (const id of ['a', 'b', 'c']) putWaiting(TOKEN, set(id));
    expect(await sendWaiting(TOKEN)).toBe(3);
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(ids()).toEqual([]);
    expect(await sendWaiting(TOKEN)).toBe(0);
  });
  test('no signal: nothing is lost, and the rest is not even tried', async () => {
    for (const id of ['a', 'b']) putWaiting(TOKEN, set(id));
    reply = () => 'no line';
    expect(await sendWaiting(TOKEN)).toBe(0);
    expect(ids()).toEqual(['a', 'b']);
    expect(globalThis.fetch).toHaveBeenCalledTimes(1);
  });
  test('the line breaks half-way: what went is gone, what did not waits', async () => {
    for (const id of ['a', 'b', 'c']) putWaiting(TOKEN, set(id));
    reply = (id) => (id === 'b' ? 'no line' : { status: 200, body: {} });
    expect(await sendWaiting(TOKEN)).toBe(1);
    expect(ids()).toEqual(['b', 'c']);
  });
  test('a busy server is no refusal', async () => {
    putWaiting(TOKEN, set('a'));
    reply = () => ({ status: 503, body: { code: 'broken', message: 'later', problems: [] } });
    await sendWaiting(TOKEN);
    expect(waitingSets(TOKEN)[0]?.refused).toBeUndefined();
  });
  test('a refused set stays with its reason until it was read, and does not hold the others up', async () => {
    for (const id of ['a', 'b']) putWaiting(TOKEN, set(id));
    reply = (id) =>
      id === 'a'
        ? { status: 409, body: { code: 'pain_hold', message: 'On hold: pain.', problems: [] } }
        : { status: 200, body: {} };
    expect(await sendWaiting(TOKEN)).toBe(1);
    expect(waitingSets(TOKEN)).toMatchObject([{ id: 'a', refused: 'On hold: pain.' }]);
    await sendWaiting(TOKEN);
    expect(sent).toEqual(['a', 'b']);
    dropRefused(TOKEN);
    expect(ids()).toEqual([]);
  });
  test('each link has its own, and a broken store is an empty one', () => {
    putWaiting(TOKEN, set('a'));
    expect(waitingSets('another-token-altogether')).toEqual([]);
    localStorage.setItem(`inchstep.waiting.${TOKEN.slice(0, 12)}`, '{nonsense');
    expect(waitingSets(TOKEN)).toEqual([]);
  });
});
