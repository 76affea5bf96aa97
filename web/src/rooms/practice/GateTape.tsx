import type { GateState } from '@inchstep/contract/practice';
import { heldText } from '@inchstep/contract/words';
import { GATE_TAPE_WORDS } from './words.ts';

/** A tape that fills as repetitions are owned, and what still holds the rung. */
export function GateTape({ state }: { readonly state: Pick<GateState, 'gate' | 'held' | 'proposesDown'> }) {
  const share = Math.round(state.gate.tape * 100);
  const say =
    state.gate.decision === 'advance' ? GATE_TAPE_WORDS.repetitionsSayOwned : GATE_TAPE_WORDS.ofTheWay(share);
  return (
    <div>
      <div
        className="tape-edge relative h-7 overflow-hidden rounded border border-[var(--tape-ink)]"
        role="img"
        aria-label={GATE_TAPE_WORDS.gate(say)}
      >
        <div
          className="absolute inset-y-0 left-0 border-r-4 border-[var(--tape-ink)] bg-[var(--tape-ink)]/35"
          style={{ width: `${share}%` }}
        />
      </div>
      <p className="mt-1 text-sm">{GATE_TAPE_WORDS.repetitionsRead(state.gate.repsUsed, say)}</p>
      {state.proposesDown && <p className="text-sm font-semibold">{GATE_TAPE_WORDS.proposesDown}</p>}
      {state.held.length > 0 && (
        <ul className="list-disc pl-5 text-sm">
          {state.held.map((held) => (
            <li key={held.code}>{heldText(held)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
