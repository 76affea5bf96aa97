import { faultName, STAGE_WORDS } from '@inchstep/contract/words';
import { dayText } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useLibrary } from '../prescription/index.ts';
import { useBriefs } from './queries.ts';
import { STATE_WORDS } from './words.ts';

/** Where a student stands, in one line of the roster. */
export function RosterLine({ studentId }: { readonly studentId: string }) {
  const briefs = useBriefs();
  const me = useMe();
  const { nameOf } = useLibrary();
  const brief = briefs.data?.find((b) => b.studentId === studentId);
  if (!brief) return null;
  const work = brief.focus.map(faultName).join(', ');
  const drill = brief.drills.map(nameOf).join(' and ');
  const rung = brief.stage ? `, ${STAGE_WORDS[brief.stage]?.name.toLowerCase()}` : '';
  return (
    <>
      <span className="font-semibold">{STATE_WORDS[brief.state]}</span>
      {brief.nextLesson && (
        <span className="ml-3 text-base-content/80">
          lesson {dayText(brief.nextLesson, me.data?.today ?? '')}
        </span>
      )}
      {work && (
        <span className="block text-sm text-base-content/80">
          {work}: {drill}
          {rung}
        </span>
      )}
    </>
  );
}
