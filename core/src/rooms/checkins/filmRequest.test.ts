import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import { type Arrived, type FilmRequest, proposeRequest, requestNow, requestSeen } from './filmRequest.ts';

const request = (more: Partial<FilmRequest> = {}): FilmRequest => ({
  id: 'r1',
  askedAt: '2027-03-01T10:00:00Z',
  withdrawnAt: null,
  kinds: ['face_on', 'down_the_line'],
  swings: 3,
  dueOn: '2027-03-08',
  drill: 'knee_swap',
  stage: 'half',
  club: 'short_iron',
  aid: 'on',
  why: '',
  from: 'coach',
  because: null,
  ...more,
});
const came = (day: string, ...kinds: Arrived['kinds']): Arrived => ({
  at: `2027-03-${day}T18:00:00Z`,
  kinds,
});

describe('where a request stands', () => {
  test.each<[string, Partial<FilmRequest>, Arrived[], string, string, readonly string[]]>([
    ['nothing came', {}, [], '2027-03-08', 'open', ['face_on', 'down_the_line']],
    ['its day is over', {}, [], '2027-03-09', 'overdue', ['face_on', 'down_the_line']],
    ['one view came', {}, [came('03', 'face_on')], '2027-03-05', 'open', ['down_the_line']],
    ['both at once', {}, [came('03', 'face_on', 'down_the_line')], '2027-03-05', 'fulfilled', []],
    [
      'one after the other',
      {},
      [came('05', 'down_the_line'), came('03', 'face_on')],
      '2027-03-06',
      'fulfilled',
      [],
    ],
    ['late, and yet all', {}, [came('12', 'face_on', 'down_the_line')], '2027-03-12', 'fulfilled', []],
    [
      'what came before it was asked is no answer',
      {},
      [{ at: '2027-03-01T09:59:00Z', kinds: ['face_on', 'down_the_line'] }],
      '2027-03-02',
      'open',
      ['face_on', 'down_the_line'],
    ],
    [
      'words without a clip are no answer',
      {},
      [came('03')],
      '2027-03-05',
      'open',
      ['face_on', 'down_the_line'],
    ],
    [
      'taken back',
      { withdrawnAt: '2027-03-02T09:00:00Z' },
      [],
      '2027-03-20',
      'withdrawn',
      ['face_on', 'down_the_line'],
    ],
  ])('%s', (_, more, arrived, today, state, missing) => {
    expect(requestSeen(request(more), arrived, today)).toMatchObject({ state, missing });
  });
  test('it is fulfilled by the check-in that brought the last view', () => {
    const arrived = [came('03', 'face_on'), came('05', 'down_the_line'), came('07', 'face_on')];
    expect(requestSeen(request(), arrived, '2027-03-09').fulfilledAt).toBe('2027-03-05T18:00:00Z');
  });
  test('in whatever order check-ins are read, it stands the same', () => {
    const random = seededRandom(9);
    for (let i = 0; i < 200; i++) {
      const arrived = Array.from({ length: 5 }, (_, day) =>
        came(`0${day + 2}`, ...(['face_on', 'down_the_line'] as const).filter(() => random() < 0.3)),
      );
      const shuffled = [...arrived].sort(() => random() - 0.5);
      expect(requestSeen(request(), shuffled, '2027-03-09')).toEqual(
        requestSeen(request(), arrived, '2027-03-09'),
      );
    }
  });
});

describe('what the student is asked now', () => {
  const later = request({ id: 'r2', askedAt: '2027-03-04T10:00:00Z', kinds: ['face_on'] });
  test('the latest; it takes the place of the one before', () => {
    expect(requestNow([request(), later], [], '2027-03-05')?.id).toBe('r2');
    expect(requestNow([later, request()], [], '2027-03-05')?.id).toBe('r2');
  });
  test('one that is fulfilled brings the older one not back', () => {
    expect(requestNow([request(), later], [came('05', 'face_on')], '2027-03-06')).toBeNull();
  });
  test('one that was taken back does', () => {
    const taken = { ...later, withdrawnAt: '2027-03-04T11:00:00Z' };
    expect(requestNow([request(), taken], [], '2027-03-05')?.id).toBe('r1');
  });
});

describe('what would be asked next', () => {
  const from = (stage: 'slow' | 'half' | 'full' | null, more: object = {}) =>
    proposeRequest({
      films: ['face_on'],
      standing: stage && { drill: 'knee_swap', stage, layer: 1 },
      reviewDates: ['2027-03-15', '2027-03-08'],
      today: '2027-03-01',
      ...more,
    });
  test('by the next review date, three swings of the views the student films', () => {
    expect(from('half')).toMatchObject({
      dueOn: '2027-03-08',
      swings: 3,
      kinds: ['face_on'],
      drill: 'knee_swap',
    });
  });
  test('not by the lesson of tomorrow: there is nothing new to see by then', () => {
    expect(from('half', { reviewDates: ['2027-03-02', '2027-03-08'] }).dueOn).toBe('2027-03-08');
  });
  test('without a ball on a lower rung, with the rung’s club above; at full speed without the aid', () => {
    expect(from('slow')).toMatchObject({ club: null, aid: 'on' });
    expect(from('half')).toMatchObject({ club: 'short_iron', aid: 'on' });
    expect(from('full').aid).toBe('off');
  });
  test('a new student without plan or drill is asked for a swing within the week', () => {
    expect(from(null, { reviewDates: [], films: [] })).toEqual({
      kinds: ['face_on'],
      swings: 3,
      dueOn: '2027-03-08',
      drill: null,
      stage: null,
      club: null,
      aid: null,
      why: '',
    });
  });
});
