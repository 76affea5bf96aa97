import type { GateState } from '@inchstep/contract/practice';
import { heldText, measureName } from '@inchstep/contract/words';

/** A tape that fills as repetitions are owned, and what still holds the rung. */
export function GateTape({ state }: { readonly state: GateState }) {
  const share = Math.round(state.gate.tape * 100);
  const say =
    state.gate.decision === 'advance'
      ? 'repetitions say: owned'
      : state.gate.decision === 'hold'
        ? 'repetitions say: not yet'
        : `${share} % of the way`;
  return (
    <div>
      <div
        className="tape-edge relative h-7 overflow-hidden rounded border border-[var(--tape-ink)]"
        role="img"
        aria-label={`Gate: ${say}`}
      >
        <div
          className="absolute inset-y-0 left-0 border-r-4 border-[var(--tape-ink)] bg-[var(--tape-ink)]/35"
          style={{ width: `${share}%` }}
        />
      </div>
      <p className="mt-1 text-sm">
        {state.gate.repsUsed} repetitions read; {say}.
      </p>
      {state.held.length > 0 && (
        <ul className="list-disc pl-5 text-sm">
          {state.held.map((held) => (
            <li key={held.code}>
              {heldText(held)}
              {held.code === 'measure' && state.measure.id && ` (${measureName(state.measure.id)})`}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
