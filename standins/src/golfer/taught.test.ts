import { type Capture, MAIN_STATIONS } from '@inchstep/core/capture';
import { type Random, seededRandom } from '@inchstep/core/foundation';
import { resolveSchool } from '@inchstep/core/intake';
import {
  bellsTogether,
  type ErrorEntry,
  errorTable,
  measureCapture,
  taughtPlaces,
  UNTAUGHT,
} from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { makeCamera, makeMarks } from '../devices/camera.ts';
import { anotherSwing, captureGolfer, makeGolfer, type StandInGolfer, trueMeasures } from './golfer.ts';

const KINDS = ['face_on', 'down_the_line'] as const;
const LENS = { widthPx: 540, heightPx: 960, focalPx: 1120 };
const HEIGHT_PX = 620;
/**
 * How a network errs on one player, in shares of all that it errs by: the same at every station, the same at a station from swing to swing,
 * and new each time.
 */
const [PLAYER, STATION, SWING] = [0.4, 0.84, 0.37];

/** A player of whom the network errs in a way of his own; what goes wrong together does so as it was seen to. */
function erringOn(random: Random) {
  const always = bellsTogether(random);
  return () => {
    const now = bellsTogether(random);
    return (entry: ErrorEntry, axis: 'across' | 'down'): number => {
      const { view, station, landmark } = entry;
      const sd =
        axis === 'across'
          ? Math.hypot(entry.sharedSd, entry.ownSd)
          : Math.hypot(entry.sharedSdDown, entry.ownSdDown);
      const bells =
        PLAYER * always(view, 'clip', landmark, axis) +
        STATION * always(view, station, landmark, axis) +
        SWING * now(view, station, landmark, axis);
      return entry[axis] + sd * bells;
    };
  };
}

/** What a swing is to the program: exact places, and where the network saw them. */
function filmed(golfer: StandInGolfer, erring: ReturnType<typeof erringOn>, random: Random) {
  const errs = erring();
  const cameras = KINDS.map((kind) => makeCamera(kind, { kind, ...LENS }, random));
  const marks = cameras.flatMap((camera) =>
    makeMarks(golfer, camera, MAIN_STATIONS, seededRandom(1), 0).flatMap((mark) => {
      const entry = UNTAUGHT.find(
        (one) =>
          one.view === camera.view.kind && one.station === mark.station && one.landmark === mark.landmark,
      );
      if (!entry) return [];
      const net = {
        u: mark.u + HEIGHT_PX * errs(entry, 'across'),
        v: mark.v + HEIGHT_PX * errs(entry, 'down'),
        heightPx: HEIGHT_PX,
      };
      return [{ ...mark, kind: camera.view.kind, net }];
    }),
  );
  return { views: cameras.map(({ view }) => view), marks };
}

type Filmed = ReturnType<typeof filmed>;

const taughtFrom = ({ marks }: Filmed): ErrorEntry[] => {
  const checked = marks.map(({ kind, ...mark }) => ({ ...mark, view: kind }));
  return errorTable(
    taughtPlaces([{ id: 'a', recordedOn: '2027-03-01', marks: checked }], 'right'),
    '2027-03-08',
  );
};

/** The swing as the program measures it without a hand on it. */
function captureOf(golfer: StandInGolfer, { views, marks }: Filmed, errors: readonly ErrorEntry[]): Capture {
  return {
    golfer: captureGolfer(golfer),
    club: 'mid_iron',
    school: resolveSchool({}),
    views,
    marks: marks.flatMap(({ kind, net, ...mark }) => {
      const error = errors.find(
        (one) => one.view === kind && one.station === mark.station && one.landmark === mark.landmark,
      );
      return error
        ? [
            {
              ...mark,
              u: net.u - error.across * HEIGHT_PX,
              v: net.v - error.down * HEIGHT_PX,
              sdPx: error.ownSd * HEIGHT_PX,
              sharedSdPx: error.sharedSd * HEIGHT_PX,
              sdDownPx: error.ownSdDown * HEIGHT_PX,
              sharedSdDownPx: error.sharedSdDown * HEIGHT_PX,
            },
          ]
        : [];
    }),
  };
}

function told(golfer: StandInGolfer, capture: Capture) {
  const truth = trueMeasures(golfer);
  return measureCapture(capture).measures.flatMap(({ id, lo95, hi95, verdict, band }) => {
    const real = truth[id];
    if (real === undefined) return [];
    const side =
      band.lo !== null && real < band.lo ? 'low' : band.hi !== null && real > band.hi ? 'high' : 'in';
    return [{ held: lo95 <= real && real <= hi95, told: verdict !== 'cant_tell', right: verdict === side }];
  });
}

const isTold = ({ told: said }: ReturnType<typeof told>[number]) => said;

describe('a second swing of a player whose first one was checked', () => {
  const random = seededRandom(77);
  const players = Array.from({ length: 6 }, (_, i) => {
    const first = makeGolfer({ handedness: 'right', heightIn: 62 + 3 * i }, { sway: 1.2 }, random);
    const second = anotherSwing(first, random);
    const errs = erringOn(random);
    const taught = taughtFrom(filmed(first, errs, random));
    const film = filmed(second, errs, random);
    return {
      untaught: told(second, captureOf(second, film, UNTAUGHT)),
      taught: told(second, captureOf(second, film, taught)),
    };
  });
  const share = (of: 'untaught' | 'taught', what: (one: ReturnType<typeof told>[number]) => boolean) => {
    const all = players.flatMap((player) => player[of]);
    return all.filter(what).length / all.length;
  };
  test('intervals stay honest, taught or not', () => {
    expect(share('untaught', ({ held }) => held)).toBeGreaterThan(0.92);
    expect(share('taught', ({ held }) => held)).toBeGreaterThan(0.92);
  });
  test('taught, more is told without a hand on it, and hardly any of it wrongly', () => {
    // A third and a half were told before stations and landmarks taught each other.
    const [untaught, taught] = [share('untaught', isTold), share('taught', isTold)];
    expect(untaught).toBeGreaterThan(0.36);
    expect(taught).toBeGreaterThan(0.53);
    expect(taught).toBeGreaterThan(1.4 * untaught);
    expect(share('taught', ({ told: said, right }) => said && !right)).toBeLessThan(0.035);
    expect(share('untaught', ({ told: said, right }) => said && !right)).toBeLessThan(0.035);
  });
});
