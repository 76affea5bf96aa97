import { describe, expect, test } from '@jest/globals';
import { type HoldSpan, onOurClock, stoppedBy } from './painStop.ts';

const hold = (at: string, liftedAt: string | null = null): HoldSpan => ({
  at,
  liftedAt,
  day: at.slice(0, 10),
  liftedDay: liftedAt?.slice(0, 10) ?? null,
});
const OPEN = hold('2027-03-02T10:00:00.000Z');
const LATER = { at: '2027-03-20T10:00:00.000Z', day: '2027-03-20' };
const BACK = { at: '2027-03-01T09:00:01.000Z', day: '2027-03-01' };
const LIFTED = hold('2027-03-02T10:00:00.000Z', '2027-03-05T09:00:00.000Z');

describe('a set and a pain report', () => {
  const at = (doneAt: string) => ({ doneAt, date: doneAt.slice(0, 10) });
  test.each([
    ['a minute before', at('2027-03-02T09:59:00.000Z'), OPEN, false],
    ['at the same moment', at('2027-03-02T10:00:00.000Z'), OPEN, true],
    ['a minute after', at('2027-03-02T10:01:00.000Z'), OPEN, true],
    ['days after, still held', at('2027-03-09T10:01:00.000Z'), OPEN, true],
    ['during the hold, sent after it was lifted', at('2027-03-04T10:00:00.000Z'), LIFTED, true],
    ['after the lifting', at('2027-03-05T09:00:00.000Z'), LIFTED, false],
    ['the day before, time unknown', { doneAt: null, date: '2027-03-01' }, OPEN, false],
    ['the day itself, time unknown', { doneAt: null, date: '2027-03-02' }, OPEN, true],
    ['between, time unknown', { doneAt: null, date: '2027-03-04' }, LIFTED, true],
    ['the day of the lifting, time unknown', { doneAt: null, date: '2027-03-05' }, LIFTED, false],
  ])('%s', (_, done, span, stopped) => {
    expect(stoppedBy(done, [span], LATER) !== null).toBe(stopped);
  });
  test('an earlier, lifted hold does not hide a later, open one', () => {
    expect(
      stoppedBy(at('2027-03-07T10:00:00.000Z'), [LIFTED, hold('2027-03-06T10:00:00.000Z')], LATER),
    ).not.toBeNull();
  });
});

describe('a sender’s time on our clock', () => {
  const received = '2027-03-02T12:00:00.000Z';
  test('the sender’s clock may be wrong by days: what counts is how long ago', () => {
    const told = { doneAt: '2027-02-20T08:00:00Z', sentAt: '2027-02-20T08:10:00Z' };
    expect(onOurClock(told, received, [])).toBe('2027-03-02T11:50:00.000Z');
  });
  test('another zone is the same moment', () => {
    const told = { doneAt: '2027-03-01T23:30:00-10:00', sentAt: '2027-03-02T01:50:00-10:00' };
    expect(onOurClock(told, received, [])).toBe('2027-03-02T09:40:00.000Z');
  });
  test('without the sender’s word on now, its clock is believed, but never into the future', () => {
    expect(onOurClock({ doneAt: '2027-03-02T11:00:00Z', sentAt: null }, received, [])).toBe(
      '2027-03-02T11:00:00.000Z',
    );
    expect(onOurClock({ doneAt: '2027-03-03T11:00:00Z', sentAt: null }, received, [])).toBe(received);
  });
  test('when our own clock stepped back behind the report, a set done now is still after it', () => {
    const told = { doneAt: '2027-03-01T08:40:00Z', sentAt: '2027-03-01T09:00:00Z' };
    const done = onOurClock(told, '2027-03-01T09:00:01.000Z', [OPEN]);
    expect(stoppedBy({ doneAt: done, date: '2027-03-01' }, [OPEN], BACK)).toBe(OPEN);
    const longAgo = { doneAt: '2027-02-27T09:00:00Z', sentAt: '2027-03-01T09:00:00Z' };
    const before = onOurClock(longAgo, '2027-03-01T09:00:01.000Z', [OPEN]);
    expect(stoppedBy({ doneAt: before, date: '2027-02-27' }, [OPEN], BACK)).toBeNull();
  });
  test('… also where only the day is known; an earlier day is kept', () => {
    expect(stoppedBy({ doneAt: null, date: '2027-03-01' }, [OPEN], BACK)).toBe(OPEN);
    expect(stoppedBy({ doneAt: null, date: '2027-02-27' }, [OPEN], BACK)).toBeNull();
    expect(stoppedBy({ doneAt: null, date: '2027-03-01' }, [LIFTED], BACK)).toBeNull();
  });
});

test.each([
  ['a year and a month ago', '2026-01-26T10:00:00.000Z', '2026-01-26T10:00:00.000Z'],
  ['in the first year of all', '0001-01-01T00:00:00.000Z', '2027-03-01T10:00:00.000Z'],
  ['after it was sent', '2027-03-01T11:00:00.000Z', '2027-03-01T10:00:00.000Z'],
])('a moment that a phone dates %s', (_, doneAt, ours) => {
  const sentAt = '2027-03-01T10:00:00.000Z';
  expect(onOurClock({ doneAt, sentAt }, '2027-03-01T10:00:00.000Z', [])).toBe(ours);
});
