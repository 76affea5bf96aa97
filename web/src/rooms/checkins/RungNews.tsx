import type { StudentPage } from '@inchstep/contract/checkins';
import { STAGE_WORDS } from '@inchstep/contract/words';
import { STAGES } from '@inchstep/core/practice';
import { useRef } from 'react';
import { STUDENT_PAGE_SCREEN_WORDS } from './words.ts';

/** Told where a count has just opened the next rung: the card beneath asks another thing than it did. */
export function RungNews({ drill, nameOf }: RungNewsProps) {
  const began = useRef(drill.stage);
  const up = place(drill.stage) - place(began.current);
  return (
    <p role="status" className={up === 0 ? 'sr-only' : 'panel border-primary p-3 font-semibold'}>
      {up > 0 && STUDENT_PAGE_SCREEN_WORDS.rungOpened(nameOf(drill.id), STAGE_WORDS[drill.stage]?.name ?? '')}
      {up < 0 && STUDENT_PAGE_SCREEN_WORDS.rungEased(nameOf(drill.id), STAGE_WORDS[drill.stage]?.name ?? '')}
    </p>
  );
}

interface RungNewsProps {
  readonly drill: StudentPage['drills'][number];
  readonly nameOf: (drill: string) => string;
}

const place = (stage: string): number => STAGES.indexOf(stage as (typeof STAGES)[number]);
