import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { document, fromKept, keptSchema, toKeep, UnreadableDocument } from './document.ts';
import { DIAGNOSIS, DOCUMENTS, SWING, WORK_CHOICE } from './index.ts';

const CHAIR = document('chair', z.strictObject({ legs: z.number(), colour: z.string() }), [
  (first) => ({ ...first, legs: 4 }),
  (second) => ({ ...second, colour: second.paint, paint: undefined }),
  ({ paint: _, ...third }) => third,
]);

describe('a kept document', () => {
  test('is written with its version and read without it', () => {
    const stored = toKeep(CHAIR, { legs: 3, colour: 'red' });
    expect(stored).toEqual({ legs: 3, colour: 'red', v: 4 });
    expect(fromKept(CHAIR, JSON.parse(JSON.stringify(stored)))).toEqual({ legs: 3, colour: 'red' });
  });
  test.each([
    ['without a version it is the first', { paint: 'red' }, { legs: 4, colour: 'red' }],
    ['the second knows its legs', { v: 2, legs: 3, paint: 'red' }, { legs: 3, colour: 'red' }],
    ['the third is but a step away', { v: 3, legs: 3, colour: 'red' }, { legs: 3, colour: 'red' }],
  ])('is brought up from where it is: %s', (_, stored, today) => {
    expect(fromKept(CHAIR, stored)).toEqual(today);
  });
  test('of a newer program is refused, not guessed', () => {
    expect(() => fromKept(CHAIR, { v: 5, legs: 3, colour: 'red' })).toThrow(UnreadableDocument);
    expect(() => fromKept(CHAIR, { v: 5 })).toThrow('chair: newer');
  });
  test('that is not what its version says is refused, with the place', () => {
    expect(() => fromKept(CHAIR, { v: 2, legs: 'three', paint: 'red' })).toThrow('chair: no_sense at legs');
  });
  test('names itself once, and counts a version for each step', () => {
    expect(new Set(DOCUMENTS.map(({ name }) => name)).size).toBe(DOCUMENTS.length);
    for (const { version, steps } of DOCUMENTS) expect(version).toBe(steps.length + 1);
  });
});

describe('from outside', () => {
  const schema = keptSchema(CHAIR, z.looseObject({ paint: z.string().max(5).optional() }));
  test.each([
    ['today’s', { v: 4, legs: 3, colour: 'red' }, null],
    ['an older one', { paint: 'red' }, null],
    ['beyond the limits', { paint: 'vermilion' }, 'paint'],
    ['today’s with something missing', { v: 4, legs: 3 }, 'colour'],
    ['an older one that makes no sense', { v: 3, legs: 'three', colour: 'red' }, 'legs'],
    ['a newer one', { v: 9 }, ''],
    ['no document at all', 'chair', ''],
  ])('%s', (_, stored, wrongAt) => {
    const read = schema.safeParse(stored);
    expect(read.error?.issues[0]?.path.join('.') ?? null).toBe(wrongAt);
  });
});

describe('what the first programs kept', () => {
  test('a swing: no motion, nobody asked how it was made', () => {
    const first = { club: 'mid_iron', speed: 'full', views: [], marks: [] };
    expect(fromKept(SWING, first)).toEqual({
      ...first,
      track: null,
      aid: null,
      place: null,
      cue: null,
      drill: null,
    });
  });
  test('a diagnosis: one swing, every finding believed, odds not taken apart', () => {
    const first = {
      swingId: null,
      findings: [{ id: 'obs.flip', seen: 'present' }],
      result: {
        enough: true,
        roots: [{ fault: 'stall', probability: 0.8, explains: [], for: [], against: [] }],
        workOn: ['stall'],
        leaveAlone: [],
        blockers: [],
        nextLook: { kind: 'view', id: 'down_the_line', gainBits: 0.4 },
        faults: { stall: 0.8 },
      },
    };
    const read = fromKept(DIAGNOSIS, first);
    expect(read).toMatchObject({ wholeDay: false, setAside: [], result: { nextLooks: [], present: [] } });
    expect(read.result.roots[0]).toMatchObject({ fault: 'stall', strength: 'clear', rest: 0 });
    expect(fromKept(DIAGNOSIS, toKeep(DIAGNOSIS, read))).toEqual(read);
  });
  test('a choice of work: carried over from nowhere', () => {
    const first = { workOn: ['stall'], note: '', at: '2027-03-01T09:00:00Z' };
    expect(fromKept(WORK_CHOICE, first)).toEqual({ ...first, carried: false });
  });
});
