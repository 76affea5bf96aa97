import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import {
  arrive,
  askTake,
  clockAhead,
  EMPTY_DESK,
  type LessonCamera,
  present,
  seen,
  TAKE_LEAD_MS,
  takesToFilm,
} from './takes.ts';

describe('two clocks', () => {
  test('the question that came back soonest is believed', () => {
    // Ahead by 5000: asked at 100, heard at 140, told in the middle, at 120 + 5000.
    const quick = { askedMs: 100, toldMs: 5120, heardMs: 140 };
    const slow = { askedMs: 200, toldMs: 5990, heardMs: 1000 };
    expect(clockAhead([slow, quick])).toEqual({ aheadMs: 5000, errorMs: 20 });
    expect(clockAhead([])).toBeNull();
  });
  test('one whose clock jumped on the way says nothing', () => {
    expect(clockAhead([{ askedMs: 500, toldMs: 1, heardMs: 100 }])).toBeNull();
  });
  test('whatever the line does, the error told is never smaller than the error made', () => {
    const random = seededRandom(2301);
    for (let round = 0; round < 300; round++) {
      const ahead = (random() - 0.5) * 1e7;
      const pings = Array.from({ length: 6 }, () => {
        const askedMs = random() * 1e6;
        const [there, back] = [random() * 400, random() * 400];
        return { askedMs, toldMs: askedMs + there + ahead, heardMs: askedMs + there + back };
      });
      const told = clockAhead(pings);
      expect(Math.abs((told?.aheadMs ?? 0) - ahead)).toBeLessThanOrEqual((told?.errorMs ?? 0) + 1e-6);
    }
  });
});

const camera = (id: string, kind: LessonCamera['kind'], seenMs: number): LessonCamera => ({
  id,
  kind,
  seenMs,
});

describe('the cameras of a lesson', () => {
  test('one phone a view: the later one has it, and one that is silent has gone', () => {
    let desk = seen(EMPTY_DESK, camera('a', 'face_on', 0));
    desk = seen(desk, camera('b', 'down_the_line', 1000));
    desk = seen(desk, camera('c', 'face_on', 2000));
    expect(present(desk, 2000).map(({ id }) => id)).toEqual(['b', 'c']);
    expect(present(desk, 9500).map(({ id }) => id)).toEqual(['c']);
    // A phone that changes its view leaves the other.
    expect(present(seen(desk, camera('c', 'down_the_line', 2500)), 2500).map(({ kind }) => kind)).toEqual([
      'down_the_line',
    ]);
  });
  test('a take begins a moment after the press, once, for who has not filmed it', () => {
    const desk = askTake(askTake(EMPTY_DESK, 't', 5, 1000), 't', 5, 9000);
    expect(desk.takes).toEqual([{ id: 't', startMs: 1000 + TAKE_LEAD_MS, seconds: 5, arrived: [] }]);
    expect(takesToFilm(desk, 'face_on', 1200)).toHaveLength(1);
    expect(takesToFilm(desk, 'face_on', 9000)).toEqual([]);
    const there = arrive(arrive(desk, 't', 'face_on'), 't', 'face_on');
    expect(there.takes[0]?.arrived).toEqual(['face_on']);
    expect(takesToFilm(there, 'face_on', 1200)).toEqual([]);
    expect(takesToFilm(there, 'down_the_line', 1200)).toHaveLength(1);
  });
  test('a length that makes no sense is cut to one that does', () => {
    expect(askTake(EMPTY_DESK, 't', 900, 0).takes[0]?.seconds).toBe(15);
    expect(askTake(EMPTY_DESK, 't', 0, 0).takes[0]?.seconds).toBe(2);
  });
});
