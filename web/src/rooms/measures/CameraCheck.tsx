import { VIEW_WORDS } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import { useUnits } from '../../platform/units.ts';
import { CameraPicture } from './CameraPicture.tsx';
import type { FitAnswer } from './fit.worker.ts';
import { CAMERA_CHECK_WORDS } from './words.ts';

const PART_WORDS: Record<string, string> = {
  along: 'place',
  away: 'distance',
  height: 'height',
  yaw: 'direction',
  pitch: 'tilt',
  roll: 'tilt',
  focal: 'lens',
};

type Advice = FitAnswer['views'][number]['advice'][number];

/** A piece of advice in words, in the coach's units. */
export function useAdviceText(): (advice: Advice) => string {
  const { length } = useUnits();
  return (advice) => {
    switch (advice.code) {
      case 'turned':
        return CAMERA_CHECK_WORDS.turnedOffSquareNext(
          Math.abs(advice.deg ?? 0).toFixed(0),
          length(advice.moveIn ?? 0, 0),
          (advice.deg ?? 0) > 0 ? 'right' : 'left',
        );
      case 'tilted':
        return CAMERA_CHECK_WORDS.leaningCorrectedForHere(Math.abs(advice.deg ?? 0).toFixed(0));
      case 'too_high':
        return CAMERA_CHECK_WORDS.standsHigherThan;
      case 'too_low':
        return CAMERA_CHECK_WORDS.standsLowerThan;
      case 'sticks_disagree':
        return CAMERA_CHECK_WORDS.stickEndsContradictEach(
          length(advice.xIn ?? 0, 0),
          length(advice.yIn ?? 0, 0),
        );
      case 'told_wrong':
        return CAMERA_CHECK_WORDS.byAllItSaw(PART_WORDS[advice.what ?? ''] ?? 'place');
      case 'no_sticks':
        return CAMERA_CHECK_WORDS.noStickEndsMarked;
      default:
        return CAMERA_CHECK_WORDS.distanceHeightOrLens;
    }
  };
}

/** Where each phone stood, how surely, and what to do better next time. */
export function CameraCheck({ answer, left }: { readonly answer: FitAnswer; readonly left: boolean }) {
  const text = useAdviceText();
  return (
    <ul className="flex flex-col gap-3">
      <li>
        <CameraPicture views={answer.views} left={left} />
        <p className="mt-1 text-sm">{CAMERA_CHECK_WORDS.fromAboveShadedWhere}</p>
      </li>
      {answer.views.map((view) => (
        <li key={view.id}>
          <h3 className="font-semibold">{VIEW_WORDS[view.id]}</h3>
          <p>
            {CAMERA_CHECK_WORDS.pointsOffSquare(view.yawDeg.toFixed(1), (Z95 * view.yawSdDeg).toFixed(1))}
          </p>
          <ul className="list-disc pl-5 text-sm">
            {[...new Set(view.advice.map(text))].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {view.advice.length === 0 && <p className="text-sm">{CAMERA_CHECK_WORDS.nothingToMend}</p>}
        </li>
      ))}
    </ul>
  );
}
