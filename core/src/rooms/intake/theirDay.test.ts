import { describe, expect, test } from '@jest/globals';
import { between, seededRandom } from '../../foundation/index.ts';
import { dayOnOurClock, filmedOnOurClock } from './theirDay.ts';

const NOW = '2027-03-10T09:00:00.000Z';
/** A phone whose clock is so many days off did something so many hours ago. */
const told = (date: string, off: number, hoursAgo: number) => {
  const at = (hours: number) => new Date(Date.parse(NOW) + 3_600_000 * (24 * off - hours)).toISOString();
  return { date, doneAt: at(hoursAgo), sentAt: at(0) };
};

describe('the day of what a phone did', () => {
  test.each<[string, ReturnType<typeof told>, string]>([
    ['a right clock', told('2027-03-10', 0, 1), '2027-03-10'],
    ['a right clock, two days ago without a signal', told('2027-03-08', 0, 48), '2027-03-08'],
    ['five days ahead, dated by it', told('2027-03-15', 5, 1), '2027-03-10'],
    ['five days ahead, done two days ago', told('2027-03-13', 5, 48), '2027-03-08'],
    ['five days ahead, dated by our page', told('2027-03-10', 5, 1), '2027-03-10'],
    ['years behind, dated by it', told('2025-03-10', -730, 1), '2027-03-10'],
    ['years behind, dated by our page', told('2027-03-10', -730, 1), '2027-03-10'],
    ['a day ahead: a zone does as much', told('2027-03-11', 1, 1), '2027-03-11'],
  ])('%s', (_, given, day) => expect(dayOnOurClock(given, NOW)).toBe(day));
  test('a clock that was put right before it was sent', () => {
    const sent = { date: '2027-04-20', doneAt: '2027-04-20T08:00:00.000Z', sentAt: NOW };
    expect(dayOnOurClock(sent, NOW)).toBe('2027-03-10');
  });
  test('without stamps it is as it was told', () => {
    expect(dayOnOurClock({ date: '2027-04-20', doneAt: null, sentAt: NOW }, NOW)).toBe('2027-04-20');
    expect(dayOnOurClock({ date: '2027-04-20', doneAt: NOW, sentAt: null }, NOW)).toBe('2027-04-20');
  });
  test('whatever the clock and the zone, a set dated by it lands within a day of when it was done', () => {
    const random = seededRandom(31);
    for (let i = 0; i < 500; i++) {
      const off = Math.round(between(random, -900, 900));
      const hoursAgo = between(random, 0, 200);
      const zoneHours = between(random, -11, 13);
      const { doneAt, sentAt } = told('', off, hoursAgo);
      const date = new Date(Date.parse(doneAt) + 3_600_000 * zoneHours).toISOString().slice(0, 10);
      const day = dayOnOurClock({ date, doneAt, sentAt }, NOW);
      const truth = Date.parse(NOW) - 3_600_000 * (hoursAgo - zoneHours);
      const offBy = Math.abs(Date.parse(day) - Date.parse(new Date(truth).toISOString().slice(0, 10)));
      expect(offBy).toBeLessThanOrEqual(86_400_000 + 1);
    }
  });
});

describe('the day of a film', () => {
  test.each<[string, string, number, string]>([
    ['of today', '2027-03-10', 0, '2027-03-10'],
    ['of last week', '2027-03-03', 0, '2027-03-03'],
    ['dated ahead by a clock that is ahead', '2027-03-30', 20, '2027-03-10'],
    ['of two days ago by that clock', '2027-03-28', 20, '2027-03-08'],
    ['dated further ahead than the clock', '2027-04-30', 20, '2027-03-10'],
    ['dated ahead by a clock that is right: told as it is, and refused', '2027-03-30', 0, '2027-03-30'],
  ])('%s', (_, filmedOn, ahead, day) => {
    const sentAt = new Date(Date.parse(NOW) + 86_400_000 * ahead).toISOString();
    expect(filmedOnOurClock(filmedOn, sentAt, NOW)).toBe(day);
  });
});
