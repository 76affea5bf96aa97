import { describe, expect, test } from '@jest/globals';
import { type Lookable, takeState, viewsToLook } from './looks.ts';

const view = (more: Partial<Lookable['views'][number]> = {}): Lookable['views'][number] => ({
  kind: 'face_on',
  clipId: 'c',
  stationTimes: {},
  ...more,
});
const swing = (more: Partial<Lookable> = {}): Lookable => ({
  track: null,
  discardedAt: null,
  views: [view()],
  marks: [],
  ...more,
});
const behind = view({ kind: 'down_the_line' });

describe('which clips are still to be looked through', () => {
  test.each([
    ['a fresh take', swing(), ['face_on']],
    ['both views of one', swing({ views: [view(), behind] }), ['face_on', 'down_the_line']],
    [
      'the second view that came later',
      swing({ views: [view(), behind], marks: [{ view: 'face_on' }] }),
      ['down_the_line'],
    ],
    ['one a coach has begun to name', swing({ views: [view({ stationTimes: { top: 1.2 } })] }), []],
    ['one with marks', swing({ marks: [{ view: 'face_on' }] }), []],
    ['one without a clip', swing({ views: [view({ clipId: null })] }), []],
    ['one that was tried in vain', swing({ views: [view({ looked: 'nobody' })] }), []],
    ['one that was put away', swing({ discardedAt: '2027-03-01T09:00:00Z' }), []],
    ['a measured track', swing({ track: {} }), []],
  ])('%s', (_, of, views) => {
    expect(viewsToLook(of)).toEqual(views);
  });
});

describe('how far a take has come', () => {
  const read = { stale: false, measures: [{ verdict: 'in' }, { verdict: 'cant_tell' }, { verdict: 'high' }] };
  const marked = swing({ marks: [{ view: 'face_on' }] });
  test.each([
    [
      'waits while a view is unlooked, whatever was read of the other',
      swing({ views: [view(), behind], marks: [{ view: 'face_on' }] }),
      read,
      { code: 'waits', views: ['down_the_line'] },
    ],
    ['is being read once it has marks', marked, null, { code: 'reading' }],
    ['and while they have moved', marked, { ...read, stale: true }, { code: 'reading' }],
    ['is read', marked, read, { code: 'read', measures: 3, unsure: 1 }],
    [
      'shows nobody',
      swing({ views: [view({ looked: 'nobody' })] }),
      null,
      { code: 'unseen', view: 'face_on', trouble: 'nobody' },
    ],
    [
      'was marked by hand after all',
      swing({ views: [view({ looked: 'nobody' })], marks: [{ view: 'face_on' }] }),
      null,
      { code: 'reading' },
    ],
  ])('%s', (_, of, reading, state) => {
    expect(takeState(of, reading)).toEqual(state);
  });
});
