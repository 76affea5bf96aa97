import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { chanceText, faultName, leaveText, nextLookText } from '@inchstep/contract/words';
import { Panel } from '../../platform/parts.tsx';
import { ANSWER_PARTS_WORDS } from './words.ts';

/** Three further looks at most, by what they settle for the time they take. */
export function NextLooks({ looks }: { readonly looks: DiagnosisRecord['result']['nextLooks'] }) {
  if (looks.length === 0) return null;
  return (
    <Panel title={ANSWER_PARTS_WORDS.nextLook}>
      <ol className="flex flex-col gap-1">
        {looks.map((look) => (
          <li key={look.kind + look.id} className="flex flex-wrap items-baseline gap-x-3">
            <span className="flex-1">{nextLookText(look)}</span>
            <span className="text-sm text-base-content/80">
              {ANSWER_PARTS_WORDS.aboutSBits(look.seconds, look.gainBits.toFixed(2))}
            </span>
          </li>
        ))}
      </ol>
    </Panel>
  );
}

/** Everything else that is likely, with why it can wait; each can be chosen instead. */
export function LeaveAlone({
  diagnosis,
  pick,
  onPick,
}: {
  readonly diagnosis: DiagnosisRecord;
  readonly pick: readonly string[];
  readonly onPick: (fault: string) => void;
}) {
  return (
    <Panel title={ANSWER_PARTS_WORDS.leaveAloneForNow}>
      <ul className="flex flex-col">
        {diagnosis.result.leaveAlone.map(({ fault, probability, why }) => (
          <li key={fault} className="flex flex-wrap items-center gap-x-3">
            <span className="font-semibold">{faultName(fault)}</span>
            <span className="text-sm">{chanceText(probability)}</span>
            <span className="flex-1 text-sm text-base-content/80">{leaveText(why)}</span>
            <button
              type="button"
              aria-pressed={pick.includes(fault)}
              className={`btn btn-sm h-11 ${pick.includes(fault) ? 'btn-primary' : 'btn-ghost'}`}
              onClick={() => onPick(fault)}
            >
              {pick.includes(fault) ? ANSWER_PARTS_WORDS.chosen : ANSWER_PARTS_WORDS.chooseInstead}
            </button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
