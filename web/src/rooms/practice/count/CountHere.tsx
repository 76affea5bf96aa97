import type { Student } from '@inchstep/contract/intake';
import type { GateState } from '@inchstep/contract/practice';
import { freeRun, type Stage } from '@inchstep/core/practice';
import { useState } from 'react';
import { CoachCount } from './CoachCount.tsx';
import { COUNT_WORDS } from './words.ts';

interface CountHereProps {
  readonly student: Student;
  readonly state: GateState;
  readonly today: string;
  readonly stage?: Stage;
}

/** A set counted beside the plan, on the stage the drill stands on or on another; in pain none is counted. */
export function CountHere({ student, state, today, stage = state.stage }: CountHereProps) {
  const [open, setOpen] = useState(false);
  if (state.held.some(({ code }) => code === 'pain')) return null;
  return (
    <details className="mt-3" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{COUNT_WORDS.here}</summary>
      {open && (
        <CoachCount
          of={`plan-${student.id}`}
          student={student}
          today={today}
          spec={freeRun(state.drill, stage, state.layer, null)}
        />
      )}
    </details>
  );
}
