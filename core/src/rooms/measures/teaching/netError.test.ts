import { describe, expect, test } from '@jest/globals';
import { gaussian, plusDays, seededRandom } from '../../../foundation/index.ts';
import type { Station } from '../../capture/index.ts';
import { expectedErrors } from './netError.ts';
import type { TaughtPlace } from './places.ts';
import { CLIP_SHARE, ERROR_ROWS, FADES_IN_DAYS, HAND_SD, PLAYER_SHARE, restTimes } from './teachTable.ts';
import { usualError } from './usualErrors.ts';

const DAY = '2027-03-01';
const ROW = ERROR_ROWS.find(({ view, landmark }) => view === 'face_on' && landmark === 'lead_hip');
if (!ROW) throw new Error('no row of hips');
/** Variances: what teaching can learn, of it the player's and a station's; the clip's, and what is new each time. */
const partsOf = (axis: 'across' | 'down') => {
  const { all, rest } = ROW[axis];
  const learnt = all ** 2 - rest ** 2;
  const own = (s: Station) => (1 - CLIP_SHARE) * rest ** 2 * restTimes('face_on', 'lead_hip', s, axis);
  return {
    player: PLAYER_SHARE[axis] * learnt,
    station: (1 - PLAYER_SHARE[axis]) * learnt,
    clip: CLIP_SHARE * rest ** 2,
    own,
  };
};
const ACROSS = partsOf('across');
const DOWN = partsOf('down');
const allOf = (part: typeof ACROSS, s: Station) => part.player + part.station + part.clip + part.own(s);
/** A place that is off by more than it is with everybody: by so much. */
const place = (more: Partial<TaughtPlace> = {}): TaughtPlace => {
  const station = more.station ?? 'delivery';
  const usual = usualError('face_on', 'lead_hip', station);
  const { across = 0.01, down = -0.004, ...rest } = more;
  return {
    view: 'face_on',
    station,
    landmark: 'lead_hip',
    clip: 'a',
    on: DAY,
    across: usual.across + across,
    down: usual.down + down,
    ...rest,
  };
};
/** What is expected beyond what it is with everybody. */
const at = (taught: readonly TaughtPlace[], stations: readonly Station[] = ['delivery'], day = DAY) =>
  new Map(
    [...expectedErrors(taught, 'face_on', 'lead_hip', stations, day)].map(([station, error]) => {
      const usual = usualError('face_on', 'lead_hip', station);
      return [station, { ...error, across: error.across - usual.across, down: error.down - usual.down }];
    }),
  );

describe('the error that is to be expected of the network', () => {
  test('untaught: what it is with everybody to take off, all of the rest left open, along each axis its own', () => {
    const errors = at([], ['delivery', 'arm_back', 'arm_down', 'impact', 'finish']);
    for (const [station, one] of errors) {
      expect(one.across).toBeCloseTo(0, 12);
      expect(one.down).toBeCloseTo(0, 12);
      expect(one.places).toBe(0);
      expect(one.sharedSd ** 2 + one.ownSd ** 2).toBeCloseTo(allOf(ACROSS, station), 12);
      expect(one.sharedSd ** 2).toBeCloseTo(ACROSS.player + ACROSS.clip, 12);
      expect(one.sharedSdDown ** 2 + one.ownSdDown ** 2).toBeCloseTo(allOf(DOWN, station), 12);
      expect(one.sharedSdDown ** 2).toBeCloseTo(DOWN.player + DOWN.clip, 12);
    }
  });
  test('by hand: one checked place at the same station', () => {
    const one = at([place()]).get('delivery');
    const learns = (part: typeof ACROSS) => {
      const k = part.player + part.station;
      const seen = allOf(part, 'delivery') + HAND_SD ** 2;
      return { share: k / seen, left: allOf(part, 'delivery') - k ** 2 / seen };
    };
    expect(one?.across).toBeCloseTo(learns(ACROSS).share * 0.01, 12);
    expect(one?.down).toBeCloseTo(learns(DOWN).share * -0.004, 12);
    // Asked for one station alone nothing is shared: all that is left is its own.
    expect((one?.ownSd as number) ** 2).toBeCloseTo(learns(ACROSS).left, 12);
    expect((one?.ownSdDown as number) ** 2).toBeCloseTo(learns(DOWN).left, 12);
  });
  test('by hand: one checked place at another station carries the player’s part alone', () => {
    const one = at([place({ station: 'arm_down' })]).get('delivery');
    const seen = allOf(ACROSS, 'arm_down') + HAND_SD ** 2;
    expect(one?.across).toBeCloseTo((ACROSS.player / seen) * 0.01, 12);
  });
  test('many clips of one error come to it; what one clip has of its own is never learnt', () => {
    const many = Array.from({ length: 40 }, (_, i) => place({ clip: String(i) }));
    const one = at(many).get('delivery');
    expect(one?.across).toBeCloseTo(0.01, 3);
    expect((one?.ownSd as number) ** 2).toBeGreaterThan(0.99 * (ACROSS.clip + ACROSS.own('delivery')));
    // The same places in one clip teach less: its own part can't be told from the player's.
    const same = at(many.map((p) => ({ ...p, clip: 'a' }))).get('delivery');
    expect(Math.abs(same?.across as number)).toBeLessThan(one?.across as number);
  });
  test('old teaching fades', () => {
    const fresh = at([place()]).get('delivery');
    const old = at([place()], ['delivery'], plusDays(DAY, FADES_IN_DAYS)).get('delivery');
    expect(old?.across).toBeCloseTo((fresh?.across as number) * Math.exp(-1), 9);
    expect(old?.ownSd as number).toBeGreaterThan(fresh?.ownSd as number);
  });
  test('another view or landmark teaches nothing', () => {
    for (const other of [place({ view: 'down_the_line' }), place({ landmark: 'trail_hip' })])
      expect(at([other]).get('delivery')).toEqual(at([]).get('delivery'));
    expect(usualError('face_on', 'seat', 'top')).toEqual({ across: 0, down: 0 });
  });
  test('teaching never leaves more open than before, and intervals hold what the model draws', () => {
    const random = seededRandom(21);
    const stations = ['address', 'top', 'impact'] as const;
    let [held, asked] = [0, 0];
    for (let i = 0; i < 400; i++) {
      const draw = (variance: number) => Math.sqrt(variance) * gaussian(random);
      const body = draw(ACROSS.player);
      const own = new Map(stations.map((s) => [s, draw(ACROSS.station)]));
      const error = (s: Station, inClip: number) =>
        body + (own.get(s as 'top') as number) + inClip + draw(ACROSS.own(s));
      const clips = Array.from({ length: 1 + Math.floor(3 * random()) }, () => draw(ACROSS.clip));
      const taught = clips.flatMap((inClip, c) =>
        stations.map((s) =>
          place({
            station: s,
            clip: String(c),
            across: error(s, inClip) + HAND_SD * gaussian(random),
            down: 0,
          }),
        ),
      );
      const errors = at(taught, stations);
      const inNew = draw(ACROSS.clip);
      for (const s of stations) {
        const one = errors.get(s);
        const before = at([], stations).get(s);
        const sd = Math.hypot(one?.sharedSd as number, one?.ownSd as number);
        expect(sd).toBeLessThan(Math.hypot(before?.sharedSd as number, before?.ownSd as number));
        asked++;
        if (Math.abs(error(s, inNew) - (one?.across as number)) < 1.96 * sd) held++;
      }
    }
    expect(held / asked).toBeGreaterThan(0.93);
    expect(held / asked).toBeLessThan(0.975);
  });
});
