import { bindingText, giveText, STAGE_WORDS, unfinishedText } from '@inchstep/contract/words';
import type { Plan } from '@inchstep/core/practice';
import { Panel } from '../../platform/parts.tsx';
import { useLibraryWords } from '../prescription/index.ts';
import { BINDING_WORDS } from './words.ts';

const RULES_SHOWN = 3;

/** The rules that hold the gate back, what each way out gains, and the rungs that are not reached. */
export function Binding({ plan }: { readonly plan: Plan }) {
  const { nameOf } = useLibraryWords();
  const { binding, gives, unfinished } = plan;
  if (binding.length === 0 && gives.length === 0 && unfinished.length === 0) return null;
  return (
    <Panel title={BINDING_WORDS.title}>
      <ul className="list-disc pl-5">
        {binding.slice(0, RULES_SHOWN).map((one) => (
          <li key={one.rule}>{bindingText(one)}</li>
        ))}
      </ul>
      {gives.length > 0 ? (
        <ul className="mt-2 flex flex-col gap-1">
          {gives.map((give) => (
            <li key={give.what + give.about} className="font-semibold">
              {giveText(give)}
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-2">{BINDING_WORDS.nothing}</p>
      )}
      {unfinished.map(({ drill, stage, why }) => (
        <p key={drill} className="mt-1 text-sm">
          {BINDING_WORDS.reached} {nameOf(drill)}, {STAGE_WORDS[stage]?.name.toLowerCase()}:{' '}
          {unfinishedText(why)}
        </p>
      ))}
    </Panel>
  );
}
