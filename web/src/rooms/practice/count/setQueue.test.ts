import type { SetLog } from '@inchstep/contract/practice';
import { beforeEach, expect, test } from '@jest/globals';
import { dropWaiting, putWaiting, queuesWith, waitingSets } from './setQueue.ts';

beforeEach(() => localStorage.clear());

const set = (id: string) => ({ id, reps: 'PP' }) as SetLog;
const ids = () => waitingSets('coach.x').map(({ id }) => id);

test('the journal keeps finished sets in order, by student, until the outbox has them', () => {
  for (const id of ['a', 'b']) putWaiting('coach.x', set(id));
  putWaiting('page', set('c'));
  expect([ids(), queuesWith('coach.')]).toEqual([['a', 'b'], ['coach.x']]);
  dropWaiting('coach.x', 'a');
  expect(ids()).toEqual(['b']);
  dropWaiting('coach.x', 'b');
  expect([queuesWith('coach.'), queuesWith('page')]).toEqual([[], ['page']]);
});

test('what an earlier program kept as refused is read without its reason, and goes once more', () => {
  localStorage.setItem('inchstep.waiting.coach.x', JSON.stringify([{ ...set('a'), refused: 'in pain' }]));
  expect(waitingSets('coach.x')).toEqual([set('a')]);
});
