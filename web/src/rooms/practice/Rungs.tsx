import { STAGE_WORDS } from '@inchstep/contract/words';
import { type Plan, STAGES, type Stage } from '@inchstep/core/practice';
import { dayText } from '../../platform/parts.tsx';
import { RUNGS_WORDS } from './words.ts';

/** Rungs from the bottom up: passed, standing on, ahead, and those there is no place for. */
export function Rungs({
  drill,
  stage,
  plan,
  today,
}: {
  readonly drill: string;
  readonly stage: Stage;
  readonly plan: Plan | undefined;
  readonly today: string;
}) {
  const at = STAGES.indexOf(stage);
  return (
    <ol
      className="flex flex-col-reverse border-x-4 border-[var(--tape-ink)] bg-base-200 dark:border-base-content"
      aria-label={RUNGS_WORDS.rungsLowestFirst}
    >
      {STAGES.map((rung, i) => {
        const planned = plan?.stages.find((s) => s.drill === drill && s.stage === rung);
        const closed = planned?.state === 'skipped' || planned?.state === 'no_place';
        const note =
          i < at
            ? RUNGS_WORDS.passed
            : closed
              ? planned?.state === 'no_place'
                ? RUNGS_WORDS.noPlaceForBalls
                : RUNGS_WORDS.leftOut
              : planned?.gateBy
                ? RUNGS_WORDS.gate(planned.gateBy < today, dayText(planned.gateBy, today))
                : '';
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
