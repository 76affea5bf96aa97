import type { Student } from '@inchstep/contract/intake';
import type { GateState } from '@inchstep/contract/practice';
import { CLUB_WORDS, cautionText, STAGE_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { CLUBS, type Club } from '@inchstep/core/intake';
import { AID_USES, type AidUse, freeRun, type RunSpec, STAGES, type Stage } from '@inchstep/core/practice';
import { cautionsFor, layerOf } from '@inchstep/core/prescription';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { Empty, Panel, Shown } from '../../platform/parts.tsx';
import { keys } from '../../platform/queryKeys.ts';
import { useHold, useStopForPain } from '../intake/index.ts';
import {
  dropRefused,
  FullSpeedTest,
  GateDecision,
  putWaiting,
  Runner,
  sendWaiting,
  useGates,
  useRun,
  waitingSets,
} from '../practice/index.ts';
import { useDrillChoices, useLibrary, useSetLayer } from '../prescription/index.ts';
import { sendLessonSet } from './lessonQueries.ts';
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
      <Counting key={`${state.drill} ${stage}`} {...props} spec={spec} />
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
  const choices = useDrillChoices(student.id);
  const layer = useSetLayer(student.id);
  const queue = useLessonQueue(student.id);
  const drill = byId(spec.drill);
  const words = wordsOf(spec.drill);
  const choice = choices.data?.find(({ endedAt, drills }) => endedAt === null && drills.includes(spec.drill));
  const at = drill && choice ? layerOf(choice, drill) : 1;
  // Opened by the count or by the coach's word.
  const judged = { ...spec, layer: Math.max(spec.layer, at) };
  const run = useRun(`${lessonId}.${today}.${spec.drill}.${spec.stage}`, judged, queue.put);
  useEffect(() => {
    if (run.state.spec.aid !== spec.aid || run.state.spec.clubs.join() !== spec.clubs.join())
      run.press({ do: 'with', clubs: spec.clubs, aid: spec.aid });
  }, [run, spec]);
  const body = referenceCase({ ...student.profile, limits: student.limits.map(({ limit }) => limit) });
  const more = drill !== undefined && at < drill.layers.length;
  return (
    <>
      <Runner
        of={run}
        words={{ name: words?.name ?? spec.drill, cue: words?.cue ?? '', counts: words?.counts ?? '' }}
        asks={drill && drill.layers.length > 1 ? (words?.layers[judged.layer - 1] ?? null) : null}
        cautions={drill ? cautionsFor(drill, body).map(cautionText) : []}
        latestSwing={latestSwing}
        pained={<Hurts studentId={student.id} />}
        onNextLayer={more ? () => layer.mutate({ drill: spec.drill, layer: at + 1 }) : null}
        keys
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={() => run.begin(judged)}>
          {COUNT_WORDS.anew}
        </button>
        <span aria-live="polite" className="text-sm">
          {queue.waiting > 0 && COUNT_WORDS.waiting(queue.waiting)}
          {queue.refused && COUNT_WORDS.refused(queue.refused)}
        </span>
      </div>
    </>
  );
}

/** Sets of the lesson wait in this browser until the program has them. */
function useLessonQueue(studentId: string) {
  const client = useQueryClient();
  const name = `coach.${studentId}`;
  const [left, setLeft] = useState(() => waitingSets(name));
  const send = useCallback(async () => {
    const sent = await sendWaiting(name, (set) => sendLessonSet(studentId, set));
    if (sent > 0) void client.invalidateQueries({ queryKey: keys.student(studentId) });
    setLeft(waitingSets(name));
  }, [name, studentId, client]);
  useEffect(() => {
    void send();
    window.addEventListener('online', send);
    const again = setInterval(() => void send(), 15_000);
    return () => {
      window.removeEventListener('online', send);
      clearInterval(again);
      dropRefused(name);
    };
  }, [send, name]);
  const put = (set: Parameters<typeof putWaiting>[1]) => {
    putWaiting(name, set);
    void send();
  };
  return {
    put,
    waiting: left.filter(({ refused }) => refused === undefined).length,
    refused: left.find(({ refused }) => refused !== undefined)?.refused ?? null,
  };
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
