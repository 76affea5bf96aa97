import { describe, expect, test } from '@jest/globals';
import { nextSending, outcomeOf, placeAfter, type Sending, withoutClip } from './sendings.ts';

const NOW = 1000;
const sending = (id: string, what: Sending['what'], at: number, more: Partial<Sending> = {}): Sending => ({
  id,
  what,
  at,
  after: [],
  heldUntil: null,
  refused: null,
  ...more,
});

describe('what goes next', () => {
  const set = sending('set', 'set', 1);
  const later = sending('later', 'set', 5);
  const pain = sending('pain', 'pain', 9);
  const clip = sending('clip', 'clip', 2);
  const words = sending('words', 'checkin', 3, { after: ['clip'] });
  test.each<[string, readonly Sending[], 'words' | 'clips', string | null]>([
    ['nothing waits', [], 'words', null],
    ['the oldest', [later, set], 'words', 'set'],
    ['pain before everything', [set, later, pain], 'words', 'pain'],
    ['pain that can still be taken back waits', [set, { ...pain, heldUntil: NOW + 1 }], 'words', 'set'],
    ['and goes when its time is over', [set, { ...pain, heldUntil: NOW }], 'words', 'pain'],
    ['a clip goes its own way', [set, clip], 'clips', 'clip'],
    ['words wait for their clip and let others by', [clip, words, later], 'words', 'later'],
    ['words whose clip is there go', [words, later], 'words', 'words'],
    ['words whose clip was refused go without it', [{ ...clip, refused: 'no' }, words], 'words', 'words'],
    ['what was refused does not go again', [{ ...set, refused: 'no' }], 'words', null],
  ])('%s', (_, waiting, lane, id) => {
    expect(nextSending(waiting, lane, NOW)?.id ?? null).toBe(id);
  });
  test('a clock that was set back changes no order', () => {
    expect(placeAfter([{ at: 5000 }, { at: 4000 }], NOW)).toBe(5001);
    expect(placeAfter([{ at: 5 }], NOW)).toBe(NOW);
    expect(placeAfter([], NOW)).toBe(NOW);
  });
});

test('words go without a clip that was refused, and with the other', () => {
  const words = {
    ...sending('words', 'checkin', 3, { after: ['a', 'b'] }),
    body: { note: 'hi', clipIds: ['a', 'b'] },
  };
  const left = withoutClip(words, 'a');
  expect(left.after).toEqual(['b']);
  expect(left.body).toEqual({ note: 'hi', clipIds: ['b'] });
  expect(withoutClip(words, 'c')).toBe(words);
});

describe('what an answer means', () => {
  test.each([
    [200, '', 'taken'],
    [0, 'offline', 'later'],
    [429, 'too_many_requests', 'later'],
    [500, 'broken', 'later'],
    [507, 'disk_full', 'later'],
    [410, 'link_revoked', 'closed'],
    [404, 'link_unknown', 'closed'],
    [401, 'camera_closed', 'closed'],
    [404, 'not_found', 'refused'],
    [409, 'pain_hold', 'refused'],
    [403, 'consent_missing', 'refused'],
  ])('%i %s: %s', (status, code, outcome) => {
    expect(outcomeOf({ status, code })).toBe(outcome);
  });
});
