import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { VIEW_WORDS } from '@inchstep/contract/words';
import { useAdviceText } from './CameraCheck.tsx';
import { useFit } from './useFit.ts';
import { CAMERA_STEP_WORDS } from './words.picture.ts';

/** What is worth moving a phone for before the next swing; the rest is told on the bench. */
const WORTH = ['turned', 'tilted', 'too_high', 'too_low'];

/** How each camera of a take stood by its own marks: the one step that mends it, where one is worth it. */
export function CameraStep({ student, swing }: { readonly student: Student; readonly swing: Swing }) {
  const { answer } = useFit(student, swing, false);
  const text = useAdviceText();
  const steps = (answer?.views ?? []).flatMap(({ id, advice }) => {
    const first = advice.find(({ code }) => WORTH.includes(code));
    return first ? [{ id, told: text(first) }] : [];
  });
  return (
    <>
      {steps.map(({ id, told }) => (
        <p key={id} className="mt-2 border-[var(--tape-ink)] border-l-[6px] pl-3">
          <span className="font-semibold">
            {CAMERA_STEP_WORDS.before(VIEW_WORDS[id]?.toLowerCase() ?? id)}
          </span>
          {told}
        </p>
      ))}
    </>
  );
}
