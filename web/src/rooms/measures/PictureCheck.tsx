import { firstStep, type PictureStep } from '@inchstep/core/measures';
import { type RefObject, useState } from 'react';
import { useUnits } from '../../platform/units.ts';
import { allowMotion, usePictureCheck } from '../capture/phone/index.ts';
import { PICTURE_WORDS } from './words.picture.ts';

/** Whether the picture will measure well, and the one step that mends it; on while it is wanted. */
export function PictureCheck({
  video,
  bodyIn,
  running,
}: {
  readonly video: RefObject<HTMLVideoElement | null>;
  readonly bodyIn: number;
  readonly running: boolean;
}) {
  const [on, setOn] = useState(false);
  const { findings, failed } = usePictureCheck(video, bodyIn, on && running);
  const { length } = useUnits();
  if (!running) return null;
  const step = findings && firstStep(findings);
  const open = findings?.filter(({ state }) => state === 'cant_tell') ?? [];
  const told = (): string => {
    if (failed) return PICTURE_WORDS.failed;
    if (!findings) return PICTURE_WORDS.looking;
    if (step) return stepText(step, (inches) => length(inches, 0));
    return [PICTURE_WORDS.good, ...open.map(({ item }) => PICTURE_WORDS.cantTell[item] ?? '')]
      .join(' ')
      .trim();
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        aria-pressed={on}
        className={`btn ${on ? 'btn-primary' : ''}`}
        onClick={() => {
          void allowMotion();
          setOn(!on);
        }}
      >
        {PICTURE_WORDS.check}
      </button>
      {on && (
        <p role="status" className={`text-lg ${step ? 'font-semibold' : ''}`}>
          {told()}
        </p>
      )}
    </div>
  );
}

function stepText(step: PictureStep, length: (inches: number) => string): string {
  if (step.code === 'raise' || step.code === 'lower') return PICTURE_WORDS[step.code](length(step.byIn));
  if (step.code === 'straighten') return PICTURE_WORDS.straighten(step.deg > 0 ? 'left' : 'right');
  return PICTURE_WORDS.steps[step.code];
}
