import { changeText, STAGE_WORDS } from '@inchstep/contract/words';
import { isSmallDiff, type PlanDiff } from '@inchstep/core/practice';
import { weekdayDay } from '../../platform/dates.ts';
import { Panel } from '../../platform/parts.tsx';
import { useLibraryWords } from '../prescription/index.ts';
import { DIFF_WORDS } from './words.ts';

const SHOWN = 8;

/**
 * The plan that was taken against what it has become, or against one that is only tried (nothing to take then, the
 * form has that): gates first, then sessions, each with its day.
 */
export function Difference({
  diff,
  today,
  onTake,
  taking,
}: {
  readonly diff: PlanDiff;
  readonly today: string;
  readonly onTake: (() => void) | null;
  readonly taking: boolean;
}) {
  const { nameOf } = useLibraryWords();
  const ahead = diff.changes.filter(({ date }) => date >= today);
  const near = ahead.filter(({ kind }) => kind !== 'more' && kind !== 'less');
  const amounts = ahead.length - near.length;
  if (ahead.length === 0 && diff.gates.length === 0) return null;
  const small = onTake !== null && isSmallDiff(diff);
  const gate = ({ stage, days, to }: PlanDiff['gates'][number]): string => {
    const name = STAGE_WORDS[stage]?.name ?? stage;
    if (days === null) return to === null ? DIFF_WORDS.beyond(name) : DIFF_WORDS.within(name);
    return days > 0 ? DIFF_WORDS.later(name, days) : DIFF_WORDS.earlier(name, -days);
  };
  return (
    <Panel title={onTake ? DIFF_WORDS.title : DIFF_WORDS.tried}>
      {small && <p className="text-sm">{DIFF_WORDS.small}</p>}
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {diff.gates.map((move) => (
          <li key={move.drill + move.stage} className="flex items-start gap-2">
            <Mark later={(move.days ?? 1) > 0} />
            <span>
              {nameOf(move.drill)}, {gate(move)}
            </span>
          </li>
        ))}
        {near.slice(0, SHOWN).map((change) => (
          <li key={change.kind + change.date + change.drill} className="flex items-start gap-2">
            <Joined moved={change.kind === 'moved'} gone={change.kind === 'dropped'} />
            <span>{changeText(change, nameOf(change.drill), weekdayDay)}</span>
          </li>
        ))}
        {near.length > SHOWN && <li>{DIFF_WORDS.more(near.length - SHOWN)}</li>}
        {amounts > 0 && <li>{DIFF_WORDS.amounts(amounts)}</li>}
      </ul>
      {onTake && !small && (
        <button type="button" className="btn btn-primary mt-3" onClick={onTake} disabled={taking}>
          {DIFF_WORDS.take}
        </button>
      )}
    </Panel>
  );
}

/** A gate's tick that moved: hollow where it was, solid where it is. */
function Mark({ later }: { readonly later: boolean }) {
  const [was, is] = later ? [4, 22] : [22, 4];
  return (
    <svg viewBox="0 0 28 16" className="mt-1 h-4 w-7 shrink-0" aria-hidden stroke="currentColor" fill="none">
      <path d="M 4 8 H 22" strokeWidth={1} />
      <path d={`M ${is} 2 V 14`} strokeWidth={4} />
      <rect x={was - 2} y={3} width={4} height={10} strokeWidth={1} fill="var(--color-base-100)" />
    </svg>
  );
}

/** A session that moved, went or came: the old one hollow, the new one solid, joined by a line. */
function Joined({ moved, gone }: { readonly moved: boolean; readonly gone: boolean }) {
  return (
    <svg viewBox="0 0 28 16" className="mt-1 h-4 w-7 shrink-0" aria-hidden stroke="currentColor">
      {(moved || gone) && <rect x={2} y={4} width={8} height={9} fill="none" />}
      {moved && <path d="M 10 8 H 18" />}
      {!gone && <rect x={18} y={4} width={8} height={9} fill="currentColor" />}
    </svg>
  );
}
