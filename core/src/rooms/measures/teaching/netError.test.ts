import { describe, expect, test } from '@jest/globals';
import { choleskyInPlace, gaussian, plusDays, type Random, seededRandom } from '../../../foundation/index.ts';
import type { Landmark, Station } from '../../capture/index.ts';
import { type ExpectedError, expectedErrors } from './netError.ts';
import type { TaughtPlace } from './places.ts';
import {
  alike,
  DAY_SHARE,
  ERROR_ROWS,
  FADES_IN_DAYS,
  HAND_SD,
  learntTimes,
  restTimes,
} from './teachTable.ts';
import { togetherOf } from './togetherTable.ts';
import { usualError } from './usualErrors.ts';

const DAY = '2027-03-01';
const LATER = plusDays(DAY, 7);
const FADED = Math.exp(-7 / FADES_IN_DAYS);
type Axis = 'across' | 'down';
const STATIONS = ['delivery', 'arm_back', 'arm_down', 'impact', 'finish'] as const;

/** Variances of a landmark at a station: what teaching can learn, and what is new in every clip. */
function partsOf(axis: Axis, station: Station, landmark: Landmark = 'lead_hip') {
  const row = ERROR_ROWS.find((one) => one.view === 'face_on' && one.landmark === landmark);
  if (!row) throw new Error(`no row of ${landmark}`);
  const { all, rest } = row[axis];
  return {
    learnt: (all ** 2 - rest ** 2) * learntTimes('face_on', station, axis),
    rest: rest ** 2 * restTimes('face_on', landmark, station, axis),
  };
}
const allOf = (axis: Axis, station: Station) => {
  const { learnt, rest } = partsOf(axis, station);
  return learnt + rest;
};
/** What two stations of a clip have in common. */
const between = (axis: Axis, a: Station, b: Station) => {
  const [one, other] = [partsOf(axis, a), partsOf(axis, b)];
  return (
    Math.sqrt(one.learnt * other.learnt) * alike('learnt', axis, a, b) +
    Math.sqrt(one.rest * other.rest) * alike('rest', axis, a, b)
  );
};
/** A place that is off by more than it is with everybody: by so much. */
const place = (more: Partial<TaughtPlace> = {}): TaughtPlace => {
  const station = more.station ?? 'delivery';
  const landmark = more.landmark ?? 'lead_hip';
  const usual = usualError('face_on', landmark, station);
  const { across = 0.01, down = -0.004, ...rest } = more;
  return {
    view: 'face_on',
    station,
    landmark,
    clip: 'a',
    on: DAY,
    across: usual.across + across,
    down: usual.down + down,
    ...rest,
  };
};
/** What is expected of the lead hip beyond what it is with everybody. */
function at(taught: readonly TaughtPlace[], stations: readonly Station[] = ['delivery'], day = LATER) {
  const asked = stations.map((station) => ({ landmark: 'lead_hip' as const, station }));
  const errors = expectedErrors(taught, 'face_on', asked, day);
  return stations.map((station, i): ExpectedError & { readonly station: Station } => {
    const usual = usualError('face_on', 'lead_hip', station);
    const error = errors[i] as ExpectedError;
    return { station, ...error, across: error.across - usual.across, down: error.down - usual.down };
  });
}
const only = (taught: readonly TaughtPlace[], day = LATER) =>
  at(taught, ['delivery'], day)[0] as ExpectedError;

describe('the error that is to be expected of the network', () => {
  test('untaught: what it is with everybody to take off, all of the rest left open, along each axis its own', () => {
    const pairs = STATIONS.flatMap((a, i) => STATIONS.slice(0, i).map((b) => [a, b] as const));
    const shared = (axis: Axis) =>
      Math.min(
        pairs.reduce((sum, [a, b]) => sum + between(axis, a, b), 0) / pairs.length,
        ...STATIONS.map((s) => allOf(axis, s)),
      );
    for (const one of at([], STATIONS)) {
      expect(one.across).toBeCloseTo(0, 12);
      expect(one.down).toBeCloseTo(0, 12);
      expect(one.places).toBe(0);
      expect(one.handSd).toBe(0);
      expect(one.sharedSd ** 2 + one.ownSd ** 2).toBeCloseTo(allOf('across', one.station), 12);
      expect(one.sharedSd ** 2).toBeCloseTo(shared('across'), 12);
      expect(one.sharedSdDown ** 2 + one.ownSdDown ** 2).toBeCloseTo(allOf('down', one.station), 12);
      expect(one.sharedSdDown ** 2).toBeCloseTo(shared('down'), 12);
    }
  });
  test('by hand: one checked place at the same station, on another day and on the same', () => {
    for (const [day, axis] of [
      [LATER, 'across'],
      [LATER, 'down'],
      [DAY, 'across'],
      [DAY, 'down'],
    ] as const) {
      const one = only([place()], day);
      const { learnt, rest } = partsOf(axis, 'delivery');
      const common = day === DAY ? learnt + DAY_SHARE * rest : FADED * learnt;
      const seen = learnt + rest + HAND_SD ** 2;
      const off = axis === 'across' ? 0.01 : -0.004;
      expect(one[axis]).toBeCloseTo((common / seen) * off, 12);
      // Asked for one station alone nothing is shared: all that is left is its own.
      const left = axis === 'across' ? one.ownSd : one.ownSdDown;
      expect(left ** 2).toBeCloseTo(learnt + rest - common ** 2 / seen, 12);
    }
  });
  test('by hand: of what is left, what the hand was off that taught it goes along with nothing', () => {
    const weight = (axis: Axis) => {
      const { learnt, rest } = partsOf(axis, 'delivery');
      return (FADED * learnt) / (learnt + rest + 0.004 ** 2);
    };
    const one = only([place({ handSd: 0.004 })]);
    expect(one.handSd).toBeCloseTo(0.004 * Math.max(weight('across'), weight('down')), 12);
    // A rough hand teaches less than a careful one.
    expect(Math.abs(one.across)).toBeLessThan(Math.abs(only([place({ handSd: 0.001 })]).across));
  });
  test('by hand: one checked place at another station tells as much as the two are alike', () => {
    const taught = place({ station: 'arm_down' });
    const [one, other] = [partsOf('across', 'arm_down'), partsOf('across', 'delivery')];
    const common =
      FADED * Math.sqrt(one.learnt * other.learnt) * alike('learnt', 'across', 'arm_down', 'delivery');
    expect(only([taught]).across).toBeCloseTo((common / (one.learnt + one.rest + HAND_SD ** 2)) * 0.01, 12);
  });
  test('by hand: one checked knee tells of its hip as much as the two go together', () => {
    const taught = place({ landmark: 'lead_knee' });
    const [one, other] = [partsOf('across', 'delivery', 'lead_knee'), partsOf('across', 'delivery')];
    const alikeness = togetherOf('face_on', 'lead_knee', 'lead_hip', 'across');
    expect(alikeness).toBeGreaterThan(0.3);
    const common = FADED * Math.sqrt(one.learnt * other.learnt) * alikeness;
    expect(only([taught]).across).toBeCloseTo((common / (one.learnt + one.rest + HAND_SD ** 2)) * 0.01, 12);
    expect(only([taught]).places).toBe(0);
  });
  test('many days’ clips of one error come to it; what a clip and a day have of their own is never learnt', () => {
    const many = Array.from({ length: 40 }, (_, i) => place({ clip: String(i), on: plusDays(DAY, -i) }));
    const one = only(many, DAY);
    const { rest } = partsOf('across', 'delivery');
    expect(one.across).toBeGreaterThan(0.009);
    expect(one.ownSd ** 2).toBeGreaterThan((1 - DAY_SHARE) * rest);
    // As many of one day tell less of another: cameras and light are in all of them.
    const aDay = only(many.map((p) => ({ ...p, on: DAY })));
    expect(aDay.ownSd ** 2).toBeGreaterThan(rest);
    expect(only(many).ownSd).toBeLessThan(aDay.ownSd);
    // The same places in one clip teach less: its own part can't be told from the player's.
    const same = only(many.map((p) => ({ ...p, clip: 'a', on: DAY })));
    expect(Math.abs(same.across)).toBeLessThan(aDay.across);
  });
  test('old teaching fades', () => {
    const fresh = only([place()], plusDays(DAY, 1));
    const old = only([place()], plusDays(DAY, 1 + FADES_IN_DAYS));
    expect(old.across).toBeCloseTo(fresh.across * Math.exp(-1), 9);
    expect(old.ownSd).toBeGreaterThan(fresh.ownSd);
  });
  test('of very many places those that say most tell', () => {
    const old = Array.from({ length: 700 }, (_, i) =>
      place({ clip: `o${i}`, on: plusDays('2024-01-01', i), across: -0.02 }),
    );
    const fresh = Array.from({ length: 312 }, (_, i) => place({ clip: `n${i}`, on: plusDays(DAY, -i) }));
    expect(only([...old, ...fresh])).toEqual(only(fresh));
  });
  test('another view teaches nothing', () => {
    expect(at([place({ view: 'down_the_line' })])).toEqual(at([]));
    expect(usualError('face_on', 'seat', 'top')).toEqual({ across: 0, down: 0 });
  });
  test('teaching never leaves more open than before, and intervals hold what the model draws', () => {
    const random = seededRandom(21);
    const stations = ['address', 'top', 'impact'] as const;
    const vary = (part: 'learnt' | 'rest') => drawn(stations, part, random);
    let [held, asked] = [0, 0];
    for (let i = 0; i < 400; i++) {
      const body = vary('learnt');
      const days = [vary('rest'), vary('rest')].map((errors) => errors.map((x) => Math.sqrt(DAY_SHARE) * x));
      const clip = (day: number) => {
        const own = vary('rest').map((x) => Math.sqrt(1 - DAY_SHARE) * x);
        return stations.map((_, s) => (body[s] as number) + (days[day]?.[s] as number) + (own[s] as number));
      };
      const clips = 1 + Math.floor(3 * random());
      const taught = Array.from({ length: clips }, (_, c) =>
        clip(0).map((error, s) =>
          place({
            station: stations[s] as Station,
            clip: String(c),
            across: error + HAND_SD * gaussian(random),
            down: 0,
          }),
        ),
      ).flat();
      const sameDay = i % 2 === 0;
      const day = sameDay ? DAY : plusDays(DAY, 1);
      const news = clip(sameDay ? 0 : 1);
      at(taught, stations, day).forEach((one, s) => {
        const before = at([], stations, day)[s] as ExpectedError;
        const sd = Math.hypot(one.sharedSd, one.ownSd);
        expect(sd).toBeLessThan(Math.hypot(before.sharedSd, before.ownSd));
        asked++;
        if (Math.abs((news[s] as number) - one.across) < 1.96 * sd) held++;
      });
    }
    expect(held / asked).toBeGreaterThan(0.93);
    expect(held / asked).toBeLessThan(0.975);
  });
});

/** Errors of the lead hip across at these stations, as alike as they are said to be. */
function drawn(stations: readonly Station[], part: 'learnt' | 'rest', random: Random): number[] {
  const n = stations.length;
  const lower = Float64Array.from({ length: n * n }, (_, at) => {
    const [a, b] = [stations[Math.floor(at / n)] as Station, stations[at % n] as Station];
    const variance = (s: Station) => partsOf('across', s)[part];
    return Math.sqrt(variance(a) * variance(b)) * alike(part, 'across', a, b);
  });
  choleskyInPlace(lower, n);
  const bells = stations.map(() => gaussian(random));
  return stations.map((_, i) =>
    bells.slice(0, i + 1).reduce((sum, bell, j) => sum + (lower[i * n + j] as number) * bell, 0),
  );
}
