import { describe, expect, test } from '@jest/globals';
import { FOUND_STATIONS, MARKS_WANTED } from '../../capture/index.ts';
import { proposeMarks } from '../proposing/proposals.ts';
import {
  asUntaught,
  errorTable,
  knownTo,
  type TeachingSwing,
  taughtPlaces,
  UNTAUGHT,
} from './taughtPlaces.ts';
import { usualError } from './usualErrors.ts';

const TODAY = '2027-03-20';
const HEIGHT_PX = 800;
const checked = (more: Partial<TeachingSwing['marks'][number]> = {}) => ({
  view: 'face_on' as const,
  station: 'impact' as const,
  landmark: 'lead_hip' as const,
  u: 300,
  v: 500,
  sdPx: 2,
  net: { u: 308, v: 496, heightPx: HEIGHT_PX },
  ...more,
});
const swing = (id: string, ...marks: TeachingSwing['marks'][number][]): TeachingSwing => ({
  id,
  recordedOn: '2027-03-10',
  marks,
});

describe('places that a hand has checked', () => {
  test('say by how much the network was off, in shares of the body, to the player’s own side', () => {
    const [place] = taughtPlaces([swing('a', checked())], 'right');
    expect(place).toMatchObject({ across: 0.01, down: -0.005, clip: 'a face_on', on: '2027-03-10' });
    expect(taughtPlaces([swing('a', checked())], 'left')[0]).toMatchObject({ across: -0.01, down: -0.005 });
  });
  test.each([
    ['not yet checked', checked({ by: 'network' })],
    ['set without a proposal', checked({ net: undefined })],
    ['of a landmark that the network does not see', checked({ landmark: 'seat' })],
    ['another leg', checked({ u: 100 })],
    ['of a clip without a body', checked({ net: { u: 308, v: 496, heightPx: 0 } })],
  ])('nothing is learnt from one that is %s', (_, mark) => {
    expect(taughtPlaces([swing('a', mark)], 'right')).toEqual([]);
  });
});

describe('what is expected of the network', () => {
  test('has an entry for every place that is proposed in either view', () => {
    for (const view of ['face_on', 'down_the_line'] as const)
      for (const landmark of MARKS_WANTED[view]) {
        const own = UNTAUGHT.filter((one) => one.view === view && one.landmark === landmark);
        if (own.length > 0) expect(own.map(({ station }) => station)).toEqual([...FOUND_STATIONS]);
      }
    expect(UNTAUGHT.length).toBeGreaterThan(60);
  });
  test('a player is known as well as his hips are', () => {
    expect(knownTo(UNTAUGHT, 'face_on', 'lead_hip')).toBeNull();
    const some = (n: number) =>
      errorTable(
        taughtPlaces(
          Array.from({ length: n }, (_, i) => swing(String(i), checked({ station: 'address' }))),
          'right',
        ),
        TODAY,
      );
    const [one, two] = [1, 2].map((n) => knownTo(some(n), 'face_on', 'lead_hip') as number);
    expect(two as number).toBeLessThan(one as number);
  });
});

const BODY = {
  time: 0,
  places: {
    head: { u: 300, v: 200, seen: 1 },
    lead_hip: { u: 320, v: 500, seen: 1 },
    trail_hip: { u: 280, v: 500, seen: 0.5 },
    lead_ankle: { u: 330, v: 200 + 0.88 * HEIGHT_PX, seen: 1 },
    trail_ankle: { u: 270, v: 200 + 0.88 * HEIGHT_PX, seen: 1 },
  },
};

const AT_IMPACT = new Map([['impact', { frame: 0, sdS: 0.01 }]] as const);

test('proposals as they would be untaught: of what was taught nothing is left, a hand’s marks stay', () => {
  const taught = errorTable(taughtPlaces([swing('a', checked())], 'right'), TODAY);
  // One hip half hidden, the other's looks at odds.
  const places = { ...BODY.places, lead_hip: { u: 320, v: 500, seen: 1, scatterPx: 30 } };
  for (const left of [false, true]) {
    const propose = (errors: typeof UNTAUGHT) =>
      proposeMarks([{ ...BODY, places }], 'face_on', AT_IMPACT, errors, left).map((mark) => ({
        ...mark,
        view: 'face_on' as const,
        by: 'network' as const,
      }));
    const [now, before] = [propose(taught), propose(UNTAUGHT)];
    expect(now).not.toEqual(before);
    const back = asUntaught(now, left ? 'left' : 'right');
    back.forEach((mark, i) => {
      for (const key of ['u', 'v', 'sdPx', 'sdDownPx', 'sharedSdPx', 'sharedSdDownPx'] as const)
        expect(mark[key]).toBeCloseTo(before[i]?.[key] as number, 9);
    });
  }
  expect(asUntaught([checked()], 'right')).toEqual([checked()]);
});

describe('proposals', () => {
  const at = (errors = UNTAUGHT, left = false) => proposeMarks([BODY], 'face_on', AT_IMPACT, errors, left);
  const hip = (marks: ReturnType<typeof at>) => marks.find(({ landmark }) => landmark === 'lead_hip');
  test('keep where the network saw them, less what it errs by with everybody', () => {
    const usual = usualError('face_on', 'lead_hip', 'impact');
    expect(hip(at())?.u).toBeCloseTo(320 - usual.across * HEIGHT_PX, 6);
    expect(hip(at())?.v).toBeCloseTo(500 - usual.down * HEIGHT_PX, 6);
    expect(hip(at())?.net).toEqual({ u: 320, v: 500, heightPx: expect.closeTo(HEIGHT_PX, 6), seen: 1 });
  });
  test('of a taught player what it errs by is taken off, and less is left open', () => {
    const swings = Array.from({ length: 4 }, (_, i) => swing(String(i), checked()));
    const taught = errorTable(taughtPlaces(swings, 'right'), TODAY);
    const [before, after] = [hip(at()), hip(at(taught))];
    // It was a hundredth too far right four times.
    expect(Math.abs((after?.u as number) - 312)).toBeLessThan(Math.abs((before?.u as number) - 312));
    expect(after?.net).toEqual(before?.net);
    expect(after?.sharedSdPx as number).toBeLessThan(before?.sharedSdPx as number);
    // A left-hander's picture is the other way round.
    expect((hip(at(taught, true))?.u as number) - 320).toBeCloseTo(320 - (after?.u as number), 9);
  });
  test('what is hardly seen is wider by itself, not together with the rest', () => {
    const hidden = { ...BODY, places: { ...BODY.places, lead_hip: { u: 320, v: 500, seen: 0.4 } } };
    const [mark] = proposeMarks([hidden], 'face_on', AT_IMPACT, UNTAUGHT, false).filter(
      ({ landmark }) => landmark === 'lead_hip',
    );
    expect(mark?.sharedSdPx).toBeCloseTo(hip(at())?.sharedSdPx as number, 9);
    expect(mark?.sdPx as number).toBeGreaterThan(1.25 * (hip(at())?.sdPx as number));
    expect(mark?.sdDownPx as number).toBeGreaterThan(1.25 * (hip(at())?.sdDownPx as number));
  });
});
