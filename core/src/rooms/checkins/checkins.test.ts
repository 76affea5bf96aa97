import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { QUEUE_REASONS, type QueueEntry, type QueueReason, rankQueue } from './queue.ts';
import { betterFirst, type MovedMeasure } from './reply.ts';

const entry = (id: string, ...waiting: [QueueReason, number][]): QueueEntry => ({
  id,
  waiting: waiting.map(([reason, waitingHours]) => ({ reason, waitingHours })),
});
const order = (...entries: QueueEntry[]) => rankQueue(entries).map(({ entry }) => entry.id);

describe('the queue', () => {
  test('of equal age the order of need', () => {
    const all = QUEUE_REASONS.map((reason) => entry(reason, [reason, 5]));
    expect(order(...[...all].reverse())).toEqual([...QUEUE_REASONS]);
  });
  test('pain stays first, however long others wait', () => {
    expect(order(entry('old', ['routine', 24 * 365]), entry('hurts', ['pain', 0]))).toEqual(['hurts', 'old']);
  });
  test('age raises the rank: an old routine passes a new gate', () => {
    // A day lifts by 60, the way from routine to gate_waiting is 600: ten days.
    expect(order(entry('gate', ['gate_waiting', 0]), entry('old', ['routine', 24 * 10]))[0]).toBe('gate');
    expect(order(entry('gate', ['gate_waiting', 0]), entry('old', ['routine', 24 * 10 + 1]))[0]).toBe('old');
  });
  test('each shows the reason that put it there, with that reason’s own waiting', () => {
    const [top] = rankQueue([entry('a', ['routine', 50], ['silent', 200], ['gate_waiting', 2])]);
    expect(top).toMatchObject({ reason: 'silent', waitingHours: 200 });
  });
  test('nothing is dropped, doubled or moved by the order of arrival', () => {
    const entries = fc.uniqueArray(
      fc.record({
        id: fc.uuid(),
        waiting: fc.array(fc.tuple(fc.constantFrom(...QUEUE_REASONS), fc.integer({ min: 0, max: 2000 })), {
          minLength: 1,
          maxLength: 4,
        }),
      }),
      { selector: (e) => e.id, maxLength: 12 },
    );
    fc.assert(
      fc.property(entries, (list) => {
        const made = list.map(({ id, waiting }) => entry(id, ...waiting));
        const ranked = order(...made);
        expect([...ranked].sort()).toEqual(list.map((e) => e.id).sort());
        expect(order(...[...made].reverse())).toEqual(ranked);
      }),
      { seed: 17 },
    );
  });
});

describe('what got better', () => {
  const moved = (id: string, verdict: MovedMeasure['verdict'], direction: MovedMeasure['direction']) => ({
    id,
    unit: 'in',
    before: 0,
    after: 1,
    verdict,
    changed: 0.9,
    direction,
  });
  test('only believable changes toward the band, surest first, three at most', () => {
    const list = betterFirst([
      moved('a', 'maybe', 'better'),
      moved('b', 'real', 'worse'),
      moved('c', 'real', 'better'),
      moved('d', 'none', 'better'),
      moved('e', 'cant_tell', 'better'),
      moved('f', 'maybe', 'better'),
      moved('g', 'maybe', 'better'),
    ]);
    expect(list.map((m) => m.id)).toEqual(['c', 'a', 'f']);
  });
});
