import type { Student } from '@inchstep/contract/intake';
import { useUnits } from '../../platform/units.ts';
import { useForgetTeaching, useNetworkErrors } from './queries.ts';
import { AUTO_MARKS_WORDS } from './words.ts';

/** How well the body network knows this student, and the way to make it forget. */
export function Knows({ student }: { readonly student: Student }) {
  const network = useNetworkErrors(student.id);
  const forget = useForgetTeaching(student.id);
  const { value } = useUnits();
  if (!network.data) return null;
  const { hipsSdIn, swings, students, forgotten } = network.data;
  const { firstName } = student.profile;
  return (
    <>
      {hipsSdIn !== null && (
        <>
          <span data-testid="knows">{AUTO_MARKS_WORDS.knows(firstName, value(hipsSdIn, 'in'), swings)}</span>
          <button
            type="button"
            className="btn btn-ghost"
            disabled={forget.isPending}
            onClick={() => forget.mutate(null)}
          >
            {AUTO_MARKS_WORDS.forget}
          </button>
        </>
      )}
      {hipsSdIn === null && students > 0 && (
        <span data-testid="knows">{AUTO_MARKS_WORDS.knowsOthers(firstName, students)}</span>
      )}
      {hipsSdIn === null && forgotten !== null && (
        <>
          <span role="status">{AUTO_MARKS_WORDS.forgotten(firstName)}</span>
          <button
            type="button"
            className="btn btn-ghost"
            disabled={forget.isPending}
            onClick={() => forget.mutate(forgotten)}
          >
            {AUTO_MARKS_WORDS.remember}
          </button>
        </>
      )}
    </>
  );
}
