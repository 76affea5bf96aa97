import { type Capture, MAIN_STATIONS, type Mark } from '@inchstep/core/capture';
import { type Random, seededRandom } from '@inchstep/core/foundation';
import { resolveSchool } from '@inchstep/core/intake';
import { fitBody, measureCapture, UNTAUGHT } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { makeCamera, makeMarks } from '../devices/camera.ts';
import { captureGolfer, makeGolfer, type StandInGolfer } from './golfer.ts';

const LENS = { widthPx: 540, heightPx: 960, focalPx: 1120 };
const HEIGHT_PX = 620;
const KINDS = ['face_on', 'down_the_line'] as const;

/** Marks of both views by a careful hand, or as the network proposes them. */
function filmed(golfer: StandInGolfer, by: 'hand' | 'network', random: Random): Capture {
  const cameras = KINDS.map((kind) => makeCamera(kind, { kind, ...LENS }, random));
  const marks = cameras.flatMap((camera) =>
    makeMarks(golfer, camera, MAIN_STATIONS, random, 1.5).flatMap((mark): Mark[] => {
      if (by === 'hand') return [mark];
      const known = UNTAUGHT.find(
        ({ view, station, landmark }) =>
          view === camera.view.kind && station === mark.station && landmark === mark.landmark,
      );
      if (!known) return [];
      return [
        {
          ...mark,
          sdPx: known.ownSd * HEIGHT_PX,
          sharedSdPx: known.sharedSd * HEIGHT_PX,
          sdDownPx: known.ownSdDown * HEIGHT_PX,
          sharedSdDownPx: known.sharedSdDown * HEIGHT_PX,
        },
      ];
    }),
  );
  return {
    golfer: captureGolfer(golfer),
    club: 'mid_iron',
    school: resolveSchool({}),
    views: cameras.map(({ view }) => view),
    marks,
  };
}

const of = (capture: Capture, more: Partial<Capture['golfer']>): Capture => ({
  ...capture,
  golfer: { ...capture.golfer, ...more },
});
const otherViews = (capture: Capture): Capture => ({
  ...capture,
  views: capture.views.map((view) => ({
    ...view,
    kind: view.kind === 'face_on' ? 'down_the_line' : 'face_on',
  })),
});

/** In all, wherever it leads. Before, every descent after a dropped mark went to its end: 106 and more. */
const MOST_ITERATIONS = 60;

describe.each(['hand', 'network'] as const)('clips of somebody else, marked by %s', (by) => {
  const random = seededRandom(31);
  const swings = [62, 68, 75].map((heightIn) =>
    filmed(makeGolfer({ handedness: 'right', heightIn }, { sway: 1.1 }, random), by, random),
  );
  test.each(swings.map((swing, i) => [i, swing] as const))(
    'player %i: never a long fit, and nothing is told of a body that can’t be',
    (_, swing) => {
      expect(measureCapture(swing)).toMatchObject({ doubt: null });
      for (const heightIn of [50, 60, 84]) {
        const { doubt, fit } = measureCapture(of(swing, { heightIn }));
        expect([doubt, fit.iterations <= MOST_ITERATIONS]).toEqual([null, true]);
      }
      for (const wrong of [of(swing, { handedness: 'left' }), otherViews(swing)]) {
        const { doubt, measures, fit } = measureCapture(wrong);
        expect([doubt, measures, fit.iterations <= MOST_ITERATIONS]).toEqual(['not_one_body', [], true]);
      }
    },
  );
  test('a few marks that wait for the rest are not doubted as a whole', () => {
    const [swing] = swings as [Capture];
    const few = swing.marks.filter(({ station }) => station === 'address').slice(0, 12);
    const slip = few.map((mark, i) => (i < 2 ? { ...mark, u: mark.u + 90 } : mark));
    expect(measureCapture({ ...swing, marks: slip }).doubt).toBeNull();
    expect(fitBody({ ...swing, marks: slip }).iterations).toBeLessThanOrEqual(MOST_ITERATIONS);
  });
});
