import { describe, expect, test } from '@jest/globals';
import { goesAfter, isFinal, letterState, nextTry } from './letters.ts';

const NOW = '2027-03-01T10:00:00.000Z';

describe('a letter', () => {
  test('goes ten minutes later', () => expect(goesAfter(NOW)).toBe('2027-03-01T10:10:00.000Z'));
  test('is tried again after growing pauses, and given up after three days', () => {
    let at = NOW;
    const pauses: number[] = [];
    for (let tries = 1; ; tries++) {
      const next = nextTry(tries, at);
      if (next === null) break;
      pauses.push((Date.parse(next) - Date.parse(at)) / 60_000);
      at = next;
    }
    expect(pauses).toEqual([...pauses].sort((a, b) => a - b));
    expect(pauses[0]).toBe(1);
    const days = (Date.parse(at) - Date.parse(NOW)) / 86_400_000;
    expect(days).toBeGreaterThan(2.5);
    expect(days).toBeLessThan(3.5);
  });
  test.each([
    [null, false],
    [421, false],
    [451, false],
    [550, true],
    [554, true],
  ])('answer %p is final: %p', (code, final) => expect(isFinal(code)).toBe(final));
  test.each([
    [{ goesAt: '2027-03-01T10:05:00.000Z', madeAt: null, failedAt: null }, 'held'],
    [{ goesAt: NOW, madeAt: null, failedAt: null }, 'waits'],
    [{ goesAt: null, madeAt: null, failedAt: null }, 'waits'],
    [{ goesAt: NOW, madeAt: NOW, failedAt: null }, 'gone'],
    [{ goesAt: NOW, madeAt: null, failedAt: NOW }, 'failed'],
  ])('%p stands at %s', (letter, state) => expect(letterState(letter, NOW)).toBe(state));
});
