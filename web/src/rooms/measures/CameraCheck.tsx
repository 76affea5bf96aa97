import { VIEW_WORDS } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import { useUnits } from '../../platform/units.ts';
import type { FitAnswer } from '../../workers/fit.worker.ts';
import { CameraPicture } from './CameraPicture.tsx';

const PART_WORDS: Record<string, string> = {
  along: 'place',
  away: 'distance',
  height: 'height',
  yaw: 'direction',
  pitch: 'tilt',
  roll: 'tilt',
  focal: 'lens',
};

/** Where each phone stood, how surely, and what to do better next time. */
export function CameraCheck({ answer, left }: { readonly answer: FitAnswer; readonly left: boolean }) {
  const { length } = useUnits();
  const text = (advice: FitAnswer['views'][number]['advice'][number]): string => {
    switch (advice.code) {
      case 'turned':
        return `Turned ${Math.abs(advice.deg ?? 0).toFixed(0)}° off square. Next time move it about ${length(advice.moveIn ?? 0, 0)} to the ${(advice.deg ?? 0) > 0 ? 'right' : 'left'} of where it stood. It is corrected for here.`;
      case 'tilted':
        return `Leaning ${Math.abs(advice.deg ?? 0).toFixed(0)}°. Corrected for here.`;
      case 'too_high':
        return 'Stands higher than the belt; lower it next time.';
      case 'too_low':
        return 'Stands lower than the belt; raise it next time.';
      case 'sticks_disagree':
        return `The stick ends contradict each other: look again at the one ${length(advice.xIn ?? 0, 0)} along and ${length(advice.yIn ?? 0, 0)} ahead, here and on the ground.`;
      case 'told_wrong':
        return `By all it saw, its ${PART_WORDS[advice.what ?? ''] ?? 'place'} can’t be as told: check the tape, the lens, and that both clips are of one swing.`;
      case 'no_sticks':
        return 'No stick ends marked: two sticks on the ground make every inch surer.';
      default:
        return 'Distance, height or lens not told: a wide guess stands in.';
    }
  };
  return (
    <ul className="flex flex-col gap-3">
      <li>
        <CameraPicture views={answer.views} left={left} />
        <p className="mt-1 text-sm">
          From above. Shaded: where each phone points, as surely as it is known. Dashed: square.
        </p>
      </li>
      {answer.views.map((view) => (
        <li key={view.id}>
          <h3 className="font-semibold">{VIEW_WORDS[view.id]}</h3>
          <p>
            Points {view.yawDeg.toFixed(1)}° off square, ± {(Z95 * view.yawSdDeg).toFixed(1)}°.
          </p>
          <ul className="list-disc pl-5 text-sm">
            {[...new Set(view.advice.map(text))].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {view.advice.length === 0 && <p className="text-sm">Nothing to mend.</p>}
        </li>
      ))}
    </ul>
  );
}
