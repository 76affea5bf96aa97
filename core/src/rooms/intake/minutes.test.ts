import { expect, test } from '@jest/globals';
import { EMPTY_DAY_MINUTES, minutesOf, weekMinutes } from './minutes.ts';

test('a day that was left empty has the usual minutes, by hand', () => {
  expect(EMPTY_DAY_MINUTES).toBe(20);
  expect(minutesOf({ sat: 40 }, 'sat')).toBe(40);
  expect(minutesOf({ sat: 40 }, 'mon')).toBe(20);
  expect(weekMinutes({ days: ['mon', 'wed', 'sat'], minutesPerDay: { sat: 40 } })).toBe(80);
});
