import type { Brief } from '@inchstep/contract/progress';
import { faultName, measureName, STAGE_WORDS } from '@inchstep/contract/words';
import type { ReactNode } from 'react';
import { dayText, Shown } from '../../platform/parts.tsx';
import { useLibrary } from '../prescription/index.ts';
import { useBrief } from './queries.ts';
import { LESSON_WORDS } from './words.lesson.ts';
import { missedText, movedText, ownedText, STATE_WORDS } from './words.ts';

/** What is to be known before the first word, readable at arm's length. */
export function LessonBrief({ studentId, today }: { readonly studentId: string; readonly today: string }) {
  const brief = useBrief(studentId);
  return (
    <Shown query={brief} what={LESSON_WORDS.the}>
      {(told) => <Told brief={told} today={today} />}
    </Shown>
  );
}

function Told({ brief, today }: { readonly brief: Brief; readonly today: string }) {
  const { nameOf, byId } = useLibrary();
  const [first] = brief.drills;
  const look = byId(first ?? '')?.moves.find((id) => !id.startsWith('ball.'));
  const work = brief.focus.map(faultName).join(', ') || LESSON_WORDS.nothing;
  const drills = brief.drills.map(nameOf).join(', ');
  const rung = brief.stage ? `, ${STAGE_WORDS[brief.stage]?.name.toLowerCase()}` : '';
  return (
    <dl className="grid gap-x-6 gap-y-3 text-xl leading-snug sm:grid-cols-2">
      <Line term={LESSON_WORDS.why}>
        {work}
        {drills && ` · ${drills}${rung}`}
      </Line>
      <Line term={LESSON_WORDS.first}>
        {look ? measureName(look) : LESSON_WORDS.nothing}
        <span className="block text-base">{LESSON_WORDS.firstSwings}</span>
      </Line>
      <Line term={LESSON_WORDS.done}>
        {LESSON_WORDS.reps(brief.repsDone, brief.repsPlanned)}
        {brief.overdone.length > 0 && (
          <span className="block text-base">
            {LESSON_WORDS.overdone(brief.overdone.map((day) => dayText(day, today)).join(', '))}
          </span>
        )}
        {brief.missed.length > 0 && (
          <span className="block text-base">{missedText(brief.missed, today)}</span>
        )}
      </Line>
      <Line term={LESSON_WORDS.moved}>
        {brief.moved.length > 0 ? movedText(brief.moved[0] as Brief['moved'][number]) : LESSON_WORDS.nothing}
      </Line>
      <Line term={LESSON_WORDS.due}>
        {STATE_WORDS[brief.state]}
        {brief.drills.length > 0 && <span className="block text-base">{ownedText(brief.owned, today)}</span>}
      </Line>
      {(brief.limits.length > 0 || brief.hold) && (
        <Line term={LESSON_WORDS.care}>{brief.limits.join(', ') || STATE_WORDS[brief.state]}</Line>
      )}
      {brief.lastWords && <Line term={LESSON_WORDS.lastWords}>“{brief.lastWords}”</Line>}
    </dl>
  );
}

const Line = ({ term, children }: { readonly term: string; readonly children: ReactNode }) => (
  <div>
    <dt className="text-sm text-base-content/80">{term}</dt>
    <dd className="font-semibold">{children}</dd>
  </div>
);
