import type { Student } from '@inchstep/contract/intake';
import { measureName } from '@inchstep/contract/words';
import { asUntaught, type Measure } from '@inchstep/core/measures';
import { GraduationCap } from 'lucide-react';
import { useEffect, useState } from 'react';
import { type BenchState, useNetworkErrors } from '../capture/index.ts';
import { captureFor, type Fit } from './useFit.ts';
import { TAUGHT_WORDS } from './words.ts';

interface WhatTeachingDidProps {
  readonly student: Student;
  readonly work: BenchState['work'];
  readonly fit: Pick<Fit, 'answer' | 'measuresOf'>;
}

/** Beside what is told now, what would be told had nobody taught the program how it errs on this player. */
export function WhatTeachingDid({ student, work, fit: { answer, measuresOf } }: WhatTeachingDidProps) {
  const network = useNetworkErrors(student.id);
  const [asked, setAsked] = useState(false);
  const [without, setWithout] = useState<readonly Measure[] | null>(null);
  const { views, marks, made } = work;
  useEffect(() => {
    setWithout(null);
    if (!asked) return;
    let wanted = true;
    const untaught = asUntaught(marks, student.profile.handedness);
    void measuresOf(captureFor(student, { views, marks: untaught, club: made.club })).then((found) => {
      if (wanted) setWithout(found);
    });
    return () => {
      wanted = false;
    };
  }, [asked, student, views, marks, made.club, measuresOf]);
  const proposed = marks.some(({ by, net }) => by === 'network' && net);
  if (!proposed || !network.data?.places || !answer) return null;
  return (
    <section className="mt-3 border-t-[1.5px] border-dashed border-base-300 pt-2 text-sm">
      <button
        type="button"
        className="btn w-full justify-start"
        aria-pressed={asked}
        onClick={() => setAsked((now) => !now)}
      >
        <GraduationCap aria-hidden size={18} /> {TAUGHT_WORDS.ask}
      </button>
      {asked && (
        <div role="status" data-testid="teaching-changed">
          {without ? <Changed now={answer.measures} without={without} /> : TAUGHT_WORDS.comparing}
        </div>
      )}
    </section>
  );
}

interface ChangedProps {
  readonly now: readonly Measure[];
  readonly without: readonly Measure[];
}

function Changed({ now, without }: ChangedProps) {
  const before = new Map(without.map(({ id, verdict }) => [id, verdict]));
  const isTold = (verdict: Measure['verdict'] | undefined) =>
    verdict !== undefined && verdict !== 'cant_tell';
  const names = (keep: (now: Measure['verdict'], then: Measure['verdict'] | undefined) => boolean) =>
    now
      .filter(({ id, verdict }) => keep(verdict, before.get(id)))
      .map(({ id }) => measureName(id))
      .join(', ');
  const newly = names((is, was) => isTold(is) && !isTold(was));
  const noLonger = names((is, was) => !isTold(is) && isTold(was));
  const otherwise = names((is, was) => isTold(is) && isTold(was) && is !== was);
  return (
    <>
      <p className="mt-1 font-semibold">
        {TAUGHT_WORDS.told(
          now.filter(({ verdict }) => isTold(verdict)).length,
          without.filter(({ verdict }) => isTold(verdict)).length,
        )}
      </p>
      {newly && <p>{TAUGHT_WORDS.newly(newly)}</p>}
      {noLonger && <p>{TAUGHT_WORDS.noLonger(noLonger)}</p>}
      {otherwise && <p>{TAUGHT_WORDS.otherwise(otherwise)}</p>}
    </>
  );
}
