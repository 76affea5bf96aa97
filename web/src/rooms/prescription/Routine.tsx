import { courseSeedOf, ROUTINE_WORDS, routineText } from '@inchstep/contract/words';
import type { Club, School } from '@inchstep/core/intake';
import { routineFor } from '@inchstep/core/prescription';
import { useUnits } from '../../platform/units.ts';

/** What is done before each ball where the swing is taken along: the steps in their order, and one thought. */
export function Routine({
  drill,
  cue,
  school,
  club,
}: {
  readonly drill: string;
  readonly cue: string;
  readonly school: Pick<School, 'setup_bias'>;
  readonly club: Club;
}) {
  const { length } = useUnits();
  const seed = courseSeedOf(drill, cue);
  return (
    <div className="border-[var(--tape-ink)] border-l-4 pl-3">
      <p className="font-semibold">{ROUTINE_WORDS.title}</p>
      <p>{routineText(routineFor(school, club), seed, length)}</p>
      {seed.as === 'thought' && <p>{ROUTINE_WORDS.thought(seed.text)}</p>}
    </div>
  );
}
