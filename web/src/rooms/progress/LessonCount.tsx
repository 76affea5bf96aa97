import type { Student } from '@inchstep/contract/intake';
import type { GateState } from '@inchstep/contract/practice';
import { CLUB_WORDS, STAGE_WORDS } from '@inchstep/contract/words';
import { CLUBS, type Club } from '@inchstep/core/intake';
import { AID_USES, type AidUse, freeRun, STAGES, type Stage } from '@inchstep/core/practice';
import { useState } from 'react';
import { Link } from 'react-router';
import { Empty, Panel, Shown } from '../../platform/parts.tsx';
import { CoachCount } from '../practice/count/index.ts';
import { FullSpeedCheck, GateDecision, useGates } from '../practice/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { CHOICE_WORDS, LESSON_WORDS } from './words.lesson.ts';

interface CountProps {
  readonly student: Student;
  readonly lessonId: string;
  readonly today: string;
  readonly latestSwing: string | null;
}

/** The runner in the lesson: which drill, on which rung, with which club, then one key a repetition. */
export function LessonCount(props: CountProps) {
  const gates = useGates(props.student.id);
  return (
    <Shown query={gates} what={LESSON_WORDS.the}>
      {(states) =>
        states.length === 0 ? (
          <Empty
            title={CHOICE_WORDS.none}
            action={
              <Link className="btn btn-primary" to={`/students/${props.student.id}/drills`}>
                {CHOICE_WORDS.choose}
              </Link>
            }
          >
            {CHOICE_WORDS.first}
          </Empty>
        ) : (
          <Chosen {...props} states={states} />
        )
      }
    </Shown>
  );
}

function Chosen({ states, ...props }: CountProps & { readonly states: readonly GateState[] }) {
  const { nameOf } = useLibrary();
  const [drill, setDrill] = useState(states[0]?.drill ?? '');
  const [test, setTest] = useState(false);
  const [club, setClub] = useState<Club | null>(null);
  const [aid, setAid] = useState<AidUse | null>(null);
  const state = states.find((one) => one.drill === drill) ?? (states[0] as GateState);
  const stage: Stage = test ? 'full' : state.stage;
  const below = STAGES.indexOf(state.stage) < STAGES.indexOf('full');
  const spec = { ...freeRun(state.drill, stage, state.layer, club), ...(aid ? { aid } : {}) };
  return (
    <Panel title={nameOf(state.drill)}>
      <div className="mb-3 flex flex-wrap gap-3">
        {states.length > 1 && (
          <Choice label={CHOICE_WORDS.drill} value={state.drill} onChange={setDrill}>
            {states.map((one) => (
              <option key={one.drill} value={one.drill}>
                {nameOf(one.drill)}
              </option>
            ))}
          </Choice>
        )}
        <Choice
          label={CHOICE_WORDS.rung}
          value={test ? 'full' : 'rung'}
          onChange={(value) => setTest(value === 'full')}
        >
          <option value="rung">{STAGE_WORDS[state.stage]?.name}</option>
          {below && <option value="full">{CHOICE_WORDS.full}</option>}
        </Choice>
        {spec.ball && (
          <>
            <Choice
              label={CHOICE_WORDS.club}
              value={club ?? ''}
              onChange={(value) => setClub(value === '' ? null : (value as Club))}
            >
              <option value="">{CHOICE_WORDS.usual}</option>
              {CLUBS.map((one) => (
                <option key={one} value={one}>
                  {CLUB_WORDS[one]}
                </option>
              ))}
            </Choice>
            <Choice label={CHOICE_WORDS.aid} value={spec.aid} onChange={(value) => setAid(value as AidUse)}>
              {AID_USES.map((one) => (
                <option key={one} value={one}>
                  {CHOICE_WORDS.aids[one]}
                </option>
              ))}
            </Choice>
          </>
        )}
      </div>
      <CoachCount
        key={`${state.drill} ${stage} ${props.today}`}
        of={props.lessonId}
        student={props.student}
        today={props.today}
        latestSwing={props.latestSwing}
        spec={spec}
        keys
      />
      {test ? (
        <FullSpeedCheck studentId={props.student.id} state={state} />
      ) : (
        <div className="mt-3 border-t-[1.5px] border-base-300 pt-3">
          <GateDecision studentId={props.student.id} state={state} />
        </div>
      )}
    </Panel>
  );
}

function Choice({
  label,
  value,
  onChange,
  children,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly children: React.ReactNode;
}) {
  return (
    <label className="flex flex-col text-sm">
      {label}
      <select className="select h-11 w-44" value={value} onChange={(e) => onChange(e.target.value)}>
        {children}
      </select>
    </label>
  );
}
