import { STAGE_WORDS } from '@inchstep/contract/words';
import { type GateDate, type Plan, STAGES, type Stage } from '@inchstep/core/practice';
import { shortDay } from '../../platform/dates.ts';
import { RUNGS_WORDS } from './words.ts';

/** Rungs from the bottom up: passed, standing on, ahead, and those there is no place for. */
export function Rungs({
  drill,
  stage,
  plan,
}: {
  readonly drill: string;
  readonly stage: Stage;
  readonly plan: Plan | undefined;
}) {
  const at = STAGES.indexOf(stage);
  return (
    <ol
      className="flex flex-col-reverse border-x-4 border-[var(--tape-ink)] bg-base-200 dark:border-base-content"
      aria-label={RUNGS_WORDS.rungsLowestFirst}
    >
      {STAGES.map((rung, i) => {
        const planned = plan?.stages.find((s) => s.drill === drill && s.stage === rung);
        const date = plan?.gateDates.find((g) => g.drill === drill && g.stage === rung);
        const closed = planned?.state === 'skipped' || planned?.state === 'no_place';
        const note = noteOf(i < at, planned?.state, date);
        return (
          <li
            key={rung}
            aria-current={i === at ? 'step' : undefined}
            className={`flex min-h-10 items-center justify-between gap-2 border-t-4 border-[var(--tape-ink)] px-2 ${i === at ? 'bg-[var(--tape)] font-semibold text-[var(--tape-ink)]' : ''} ${closed ? 'line-through' : ''}`}
          >
            <span>{STAGE_WORDS[rung]?.name}</span>
            <span className="text-sm no-underline">{i === at ? RUNGS_WORDS.here(note) : note}</span>
          </li>
        );
      })}
    </ol>
  );
}

function noteOf(
  passed: boolean,
  state: Plan['stages'][number]['state'] | undefined,
  date: GateDate | undefined,
): string {
  if (passed) return RUNGS_WORDS.passed;
  if (state === 'no_place') return RUNGS_WORDS.noPlaceForBalls;
  if (state === 'skipped') return RUNGS_WORDS.leftOut;
  if (state === 'open') return RUNGS_WORDS.waitsForLook;
  if (!date?.likely) return '';
  return RUNGS_WORDS.gate(shortDay(date.likely), date.late && shortDay(date.late));
}
