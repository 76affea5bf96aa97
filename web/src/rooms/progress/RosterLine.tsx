import type { RosterRow } from '@inchstep/contract/progress';
import { faultName, STAGE_WORDS } from '@inchstep/contract/words';
import { dayText } from '../../platform/parts.tsx';
import { useLibrary } from '../prescription/index.ts';
import { ROSTER_LINE_WORDS, STATE_WORDS } from './words.ts';

/** Where a student stands, in one line of the roster. */
export function RosterLine({ row, today }: { readonly row: RosterRow; readonly today: string }) {
  const { nameOf } = useLibrary();
  const work = row.focus.map(faultName).join(', ');
  const drill = row.drills.map(nameOf).join(ROSTER_LINE_WORDS.and);
  const rung = row.stage ? `, ${STAGE_WORDS[row.stage]?.name.toLowerCase()}` : '';
  return (
    <>
      <span className="font-semibold">{STATE_WORDS[row.state]}</span>
      {row.nextLesson && (
        <span className="ml-3 text-base-content/80">
          {ROSTER_LINE_WORDS.lesson(dayText(row.nextLesson, today))}
        </span>
      )}
      {work && (
        <span className="block truncate text-sm text-base-content/80">
          {work}: {drill}
          {rung}
        </span>
      )}
    </>
  );
}
