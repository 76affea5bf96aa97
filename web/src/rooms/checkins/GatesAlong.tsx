import type { SummarySend } from '@inchstep/contract/checkins';
import type { GateState } from '@inchstep/contract/practice';
import { STAGE_WORDS } from '@inchstep/contract/words';
import { useRef, useState } from 'react';
import { newId } from '../../platform/ids.ts';
import { useGates } from '../practice/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { ALONG_WORDS } from './words.review.ts';

const keyOf = ({ drill, stage }: Pick<GateState, 'drill' | 'stage'>): string => `${drill} ${stage}`;

/** Gates that nothing holds any more: they go along with the summary unless they are left out. */
export function useGatesAlong(studentId: string) {
  const gates = useGates(studentId);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const ids = useRef(new Map<string, string>());
  const open = (gates.data ?? []).filter(
    ({ held, gate }) => held.length === 0 && gate.decision === 'advance',
  );
  const words = open
    .filter((state) => !out.has(keyOf(state)))
    .map((state): SummarySend['gates'][number] => {
      // Sent again after a broken line it is the same word.
      const id = ids.current.get(keyOf(state)) ?? newId();
      ids.current.set(keyOf(state), id);
      return { id, drill: state.drill, stage: state.stage, decision: 'advance', note: '' };
    });
  const flip = (state: GateState) => {
    const next = new Set(out);
    if (!next.delete(keyOf(state))) next.add(keyOf(state));
    setOut(next);
  };
  return { open, words, flip, isIn: (state: GateState) => !out.has(keyOf(state)) };
}

export function GatesAlong({ along }: { readonly along: ReturnType<typeof useGatesAlong> }) {
  const { nameOf } = useLibrary();
  return (
    <>
      {along.open.map((state) => (
        <label key={keyOf(state)} className="mt-2 flex min-h-11 items-center gap-2 font-semibold">
          <input
            type="checkbox"
            className="checkbox"
            checked={along.isIn(state)}
            onChange={() => along.flip(state)}
          />
          {ALONG_WORDS.gateAlong(nameOf(state.drill), STAGE_WORDS[state.stage]?.name ?? state.stage)}
        </label>
      ))}
    </>
  );
}
