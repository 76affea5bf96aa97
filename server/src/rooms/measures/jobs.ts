import type { Capture, Motion } from '@inchstep/core/capture';
import { seededRandom } from '@inchstep/core/foundation';
import { bandContext, measureCapture, measureTrack } from '@inchstep/core/measures';
import { orRefuse, Refusal } from '../../platform/errors.ts';

/** Chance for the noise tries; always the same, so that a track measured twice reads the same. */
const TRY_SEED = 1;

/** What this room gives to helper processes, by name. */
export const JOBS = {
  measureMarks: (capture: Capture) => {
    const { measures, doubt } = measureCapture(capture);
    if (doubt !== null) throw new Refusal(doubt);
    return { measures };
  },
  measureTrack: ({ motion, capture }: { motion: Motion; capture: Capture }) => {
    const { measures, stations, tempo, noiseIn } = orRefuse(
      measureTrack(motion, capture.golfer, bandContext(capture), seededRandom(TRY_SEED)),
    );
    return { measures, stations, tempo, noiseIn };
  },
};
