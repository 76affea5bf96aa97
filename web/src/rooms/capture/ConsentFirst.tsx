import type { Student } from '@inchstep/contract/intake';
import { mayBeFilmed } from '@inchstep/core/intake';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useMe } from '../../platform/session.ts';
import { CONSENT_FIRST_WORDS } from './words.ts';

/** What takes or films a clip; of a child whose guardian has not agreed, why it can't, before anything is chosen. */
export function ConsentFirst({
  student,
  children,
}: {
  readonly student: Student;
  readonly children: ReactNode;
}) {
  const me = useMe();
  const { ageYears, profile } = student;
  const facts = { ageYears, guardianConsent: profile.guardianConsent };
  if (!me.data || mayBeFilmed(facts, me.data.today)) return children;
  return (
    <div role="status" className="panel flex flex-wrap items-center gap-3 border-warning p-4">
      <p className="min-w-60 flex-1 font-semibold">{CONSENT_FIRST_WORDS.missing(profile.firstName)}</p>
      <Link className="btn" to={`/students/${student.id}/intake`}>
        {CONSENT_FIRST_WORDS.record}
      </Link>
    </div>
  );
}
