import type { Student } from '@inchstep/contract/intake';
import type { GateState, SetLog } from '@inchstep/contract/practice';
import { CLUB_WORDS, cautionText, STAGE_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { CLUBS, type Club } from '@inchstep/core/intake';
import { AID_USES, type AidUse, freeRun, type RunSpec, STAGES, type Stage } from '@inchstep/core/practice';
import { cautionsFor } from '@inchstep/core/prescription';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { thisDevice } from '../../platform/ids.ts';
import { Empty, Panel, Shown } from '../../platform/parts.tsx';
import { useHold, useStopForPain } from '../intake/index.ts';
import {
  FullSpeedTest,
  GateDecision,
  Runner,
  useGates,
  useLeftRuns,
  useRun,
  useSets,
} from '../practice/index.ts';
import { useLibrary, useSetLayer } from '../prescription/index.ts';
import { dropLessonSet, putLessonSet, useLessonSets } from './LessonSender.tsx';
import { othersNow } from './othersCount.ts';
import { COUNT_WORDS, LESSON_WORDS } from './words.lesson.ts';

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
            title={COUNT_WORDS.none}
            action={
              <Link className="btn btn-primary" to={`/students/${props.student.id}/drills`}>
                {COUNT_WORDS.choose}
              </Link>
            }
          >
            {COUNT_WORDS.first}
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
          <Choice label={COUNT_WORDS.drill} value={state.drill} onChange={setDrill}>
            {states.map((one) => (
              <option key={one.drill} value={one.drill}>
                {nameOf(one.drill)}
              </option>
            ))}
          </Choice>
        )}
        <Choice
          label={COUNT_WORDS.rung}
          value={test ? 'full' : 'rung'}
          onChange={(value) => setTest(value === 'full')}
        >
          <option value="rung">{STAGE_WORDS[state.stage]?.name}</option>
          {below && <option value="full">{COUNT_WORDS.full}</option>}
        </Choice>
        {spec.ball && (
          <>
            <Choice
              label={COUNT_WORDS.club}
              value={club ?? ''}
              onChange={(value) => setClub(value === '' ? null : (value as Club))}
            >
              <option value="">{COUNT_WORDS.usual}</option>
              {CLUBS.map((one) => (
                <option key={one} value={one}>
                  {CLUB_WORDS[one]}
                </option>
              ))}
            </Choice>
            <Choice label={COUNT_WORDS.aid} value={spec.aid} onChange={(value) => setAid(value as AidUse)}>
              {AID_USES.map((one) => (
                <option key={one} value={one}>
                  {COUNT_WORDS.aids[one]}
                </option>
              ))}
            </Choice>
          </>
        )}
      </div>
      <Counting key={`${state.drill} ${stage} ${props.today}`} {...props} spec={spec} />
      {test ? (
        <FullSpeedTest studentId={props.student.id} state={state} today={props.today} counted />
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

function Counting({ student, lessonId, today, latestSwing, spec }: CountProps & { readonly spec: RunSpec }) {
  const { byId, wordsOf } = useLibrary();
  const layer = useSetLayer(student.id);
  const drill = byId(spec.drill);
  const words = wordsOf(spec.drill);
  const put = (set: SetLog) => putLessonSet(student.id, set);
  const place = { of: lessonId, day: today };
  const run = useRun(place, spec, put);
  useLeftRuns(place, put);
  useEffect(() => {
    if (run.state.spec.aid !== spec.aid || run.state.spec.clubs.join() !== spec.clubs.join())
      run.press({ do: 'with', clubs: spec.clubs, aid: spec.aid });
  }, [run, spec]);
  const body = referenceCase({ ...student.profile, limits: student.limits.map(({ limit }) => limit) });
  const more = drill !== undefined && spec.layer < drill.layers.length;
  return (
    <>
      <OthersCount studentId={student.id} drill={spec.drill} today={today} />
      <Runner
        of={run}
        words={{ name: words?.name ?? spec.drill, cue: words?.cue ?? '', counts: words?.counts ?? '' }}
        asks={words?.layers ?? []}
        cautions={drill ? cautionsFor(drill, body).map(cautionText) : []}
        latestSwing={latestSwing}
        pained={<Hurts studentId={student.id} />}
        onNextLayer={more ? () => layer.mutate({ drill: spec.drill, layer: spec.layer + 1 }) : null}
        keys
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={() => run.begin(spec)}>
          {COUNT_WORDS.anew}
        </button>
        <Waiting studentId={student.id} />
      </div>
    </>
  );
}

/** Sets that wait in this browser, and those that the program did not take, each with its reason. */
function Waiting({ studentId }: { readonly studentId: string }) {
  const sets = useLessonSets(studentId);
  const waiting = sets.filter(({ refused }) => refused === undefined).length;
  return (
    <div aria-live="polite" className="flex flex-col gap-2 text-sm">
      {waiting > 0 && <span>{COUNT_WORDS.waiting(waiting)}</span>}
      {sets.map(
        ({ id, reps, refused }) =>
          refused !== undefined && (
            <span key={id} className="flex flex-wrap items-center gap-2">
              {COUNT_WORDS.refused(reps.length, refused)}
              <button type="button" className="btn" onClick={() => dropLessonSet(studentId, id)}>
                {COUNT_WORDS.letGo}
              </button>
            </span>
          ),
      )}
    </div>
  );
}

/** Somebody counts this drill on another device: two counts of the same swings would be told as one only where they match. */
function OthersCount({
  studentId,
  drill,
  today,
}: {
  readonly studentId: string;
  readonly drill: string;
  readonly today: string;
}) {
  const sets = useSets(studentId);
  const others = othersNow(sets.data ?? [], {
    drill,
    day: today,
    device: thisDevice(),
    now: new Date().toISOString(),
  });
  if (!others) return null;
  return (
    <p role="status" className="panel mb-2 border-warning p-3">
      {COUNT_WORDS.others(others.reps, others.by === 'coach', others.minutesAgo)}
    </p>
  );
}

/** Beside the ball: where it hurts, and the drills are held. */
function Hurts({ studentId }: { readonly studentId: string }) {
  const stop = useStopForPain(studentId);
  const hold = useHold(studentId);
  const [where, setWhere] = useState('');
  if (hold.data) return <p className="mt-1 font-semibold">{COUNT_WORDS.held}</p>;
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        stop.mutate(where);
      }}
    >
      <label className="flex flex-1 flex-col">
        {COUNT_WORDS.where}
        <input
          className="input h-11 w-full min-w-40"
          maxLength={200}
          value={where}
          onChange={(e) => setWhere(e.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-error" disabled={stop.isPending}>
        {COUNT_WORDS.hold}
      </button>
    </form>
  );
}
