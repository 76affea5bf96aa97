import type { GateState } from '@inchstep/contract/practice';
import { gateStates as standings } from '@inchstep/core/practice';
import type { Context } from '../../platform/context.ts';
import { factsOf, getStudent, holdOf, schoolOf } from '../intake/index.ts';
import { listReadings } from '../measures/index.ts';
import { drillsInUse, libraryOf } from '../prescription/index.ts';
import { gatesOf, setsOf } from './repo.ts';

/** Where each drill in use stands, and everything that holds it there: the student's records, asked of the core. */
export function gateStates(ctx: Context, studentId: string): GateState[] {
  const inUse = drillsInUse(ctx, studentId);
  if (!inUse) return [];
  const student = getStudent(ctx, studentId);
  const { heightIn, flexibility, armSwing } = factsOf(ctx, student);
  return standings(
    {
      practice: { sets: setsOf(ctx.db, studentId), gates: gatesOf(ctx.db, studentId) },
      measures: { readings: listReadings(ctx, studentId) },
      inUse,
      body: { heightIn, flexibility, armSwing, club: 'mid_iron', school: schoolOf(student) },
      painHold: holdOf(ctx, studentId) !== null,
    },
    libraryOf(ctx),
  );
}
