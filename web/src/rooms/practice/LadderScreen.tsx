import type { Student } from '@inchstep/contract/intake';
import type { GateState, PlanAsk, PlanNow } from '@inchstep/contract/practice';
import { STAGE_WORDS } from '@inchstep/contract/words';
import { type Plan, USUAL_ASK } from '@inchstep/core/practice';
import { amountsFor } from '@inchstep/core/prescription';
import { useState } from 'react';
import { Link, useOutletContext } from 'react-router';
import { toast } from 'sonner';
import { dayText, Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { LayerSteps, useDrillChoices, useLibrary } from '../prescription/index.ts';
import { AskForm } from './AskForm.tsx';
import { Binding } from './Binding.tsx';
import { CountHere } from './count/CountHere.tsx';
import { DayList } from './DayList.tsx';
import { Difference } from './Difference.tsx';
import { FullSpeedCheck } from './FullSpeedCheck.tsx';
import { GateDecision } from './GateDecision.tsx';
import { useGates, usePlan, usePlanPreview, useSavePlan } from './queries.ts';
import { Rungs } from './Rungs.tsx';
import { SeasonRail } from './SeasonRail.tsx';
import { WhatIf } from './WhatIf.tsx';
import { LADDER_SCREEN_WORDS, MOVE_WORDS } from './words.ts';

/** The drill's ladder with its gate, and the days on which it is climbed. */
export function LadderScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const choices = useDrillChoices(student.id);
  const plan = usePlan(student.id);
  const me = useMe();
  return (
    <Shown query={choices} what={LADDER_SCREEN_WORDS.drillsInUse}>
      {(all) => {
        const inUse = all.find((c) => c.endedAt === null);
        if (!inUse || !me.data) {
          return (
            <div className="mx-auto max-w-3xl p-4">
              <Empty
                title={LADDER_SCREEN_WORDS.noDrillInUse}
                action={
                  <Link className="btn btn-primary" to={`/students/${student.id}/drills`}>
                    {LADDER_SCREEN_WORDS.chooseADrill}
                  </Link>
                }
              >
                {LADDER_SCREEN_WORDS.ladderBegins}
              </Empty>
            </div>
          );
        }
        return (
          <Shown query={plan} what={LADDER_SCREEN_WORDS.thePlan}>
            {(p) => (
              <Ladder
                key={`${p?.id}${inUse.id}`}
                student={student}
                drills={inUse.drills}
                current={p && p.at >= inUse.at ? p : null}
                today={me.data.today}
              />
            )}
          </Shown>
        );
      }}
    </Shown>
  );
}

function Ladder({
  student,
  drills,
  current,
  today,
}: {
  readonly student: Student;
  readonly drills: readonly string[];
  readonly current: PlanNow | null;
  readonly today: string;
}) {
  const [editing, setEditing] = useState(current === null);
  const [ask, setAsk] = useState<PlanAsk>(() => firstAsk(student, current, today));
  const preview = usePlanPreview(student.id, editing ? ask : null);
  const save = useSavePlan(student.id);
  const gates = useGates(student.id);
  // Several drills stand side by side, over the season they share.
  const several = drills.length > 1;
  const shown: Plan | undefined = editing ? preview.data?.plan : (current?.live ?? current?.plan);
  // The new plan brings a new screen; the word about it must outlive this one.
  const accept = (asked: PlanAsk, said: string) =>
    save.mutateAsync(asked).then(
      () => toast(said),
      () => undefined,
    );
  return (
    <div className={`mx-auto grid max-w-[80rem] gap-4 p-4 ${several ? '' : 'lg:grid-cols-[22rem_1fr]'}`}>
      <div className={several ? 'grid items-start gap-3 md:grid-cols-2' : 'flex flex-col gap-3'}>
        <Shown query={gates} what={LADDER_SCREEN_WORDS.theGates}>
          {(states) => (
            <>
              {drills.map((drill) => (
                <DrillLadder
                  key={drill}
                  student={student}
                  drill={drill}
                  state={states.find((s) => s.drill === drill)}
                  plan={shown}
                  fast={ask.pace === 'fast'}
                  today={today}
                />
              ))}
            </>
          )}
        </Shown>
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        {editing ? (
          <Panel title={current ? LADDER_SCREEN_WORDS.planAgainFromToday : LADDER_SCREEN_WORDS.layOutThePlan}>
            <AskForm ask={ask} onChange={setAsk} today={today} />
            {(preview.error || save.error) && <Failed error={preview.error ?? save.error} />}
            <div className="mt-3 flex gap-2">
              <button
                type="button"
                className="btn btn-primary btn-lg"
                disabled={!preview.data || save.isPending}
                onClick={() => void accept(ask, LADDER_SCREEN_WORDS.planSaved)}
              >
                {LADDER_SCREEN_WORDS.acceptThisPlan}
              </button>
              {current && (
                <button type="button" className="btn btn-lg" onClick={() => setEditing(false)}>
                  {LADDER_SCREEN_WORDS.keepTheOldOne}
                </button>
              )}
            </div>
          </Panel>
        ) : (
          <button type="button" className="btn self-start" onClick={() => setEditing(true)}>
            {LADDER_SCREEN_WORDS.planAgainFromToday}
          </button>
        )}
        {shown && (
          <Season
            student={student}
            plan={shown}
            ask={ask}
            today={today}
            taking={save.isPending}
            onTake={editing ? null : (asked, said) => void accept(asked, said)}
          />
        )}
      </div>
    </div>
  );
}

/** The plan as a season: its rail, what has changed, what binds and would help, and its days. */
function Season({
  student,
  plan,
  ask,
  today,
  taking,
  onTake,
}: {
  readonly student: Student;
  readonly plan: Plan;
  readonly ask: PlanAsk;
  readonly today: string;
  readonly taking: boolean;
  /** Takes another ask as the plan; null while the plan is only tried. */
  readonly onTake: ((ask: PlanAsk, said: string) => void) | null;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const library = useLibrary();
  const body = { student: student.profile, school: student.school };
  const amountsOf = (id: string) => {
    const drill = library.byId(id);
    return drill ? amountsFor(drill, body) : [];
  };
  const move = (from: string, to: string) =>
    onTake?.({ ...ask, moves: [...ask.moves, { from, to }] }, MOVE_WORDS.moved);
  return (
    <>
      <SeasonRail
        plan={plan}
        today={today}
        studentId={student.id}
        chosen={chosen}
        onChoose={setChosen}
        onMove={onTake ? move : null}
      />
      {plan.diff && (
        <Difference
          diff={plan.diff}
          today={today}
          taking={taking}
          onTake={onTake && (() => onTake(ask, LADDER_SCREEN_WORDS.planSaved))}
        />
      )}
      <WhatIf studentId={student.id} ask={ask} plan={plan} today={today} />
      <Binding plan={plan} />
      <DayList
        plan={plan}
        today={today}
        amountsOf={amountsOf}
        studentId={student.id}
        chosen={chosen}
        onChoose={setChosen}
        onMove={onTake ? move : null}
      />
    </>
  );
}

function firstAsk(student: Student, current: PlanNow | null, today: string): PlanAsk {
  const { profile } = student;
  const nextLesson = profile.nextLesson !== null && profile.nextLesson >= today ? profile.nextLesson : null;
  if (current) return { ...current.ask, start: today, nextLesson };
  return {
    ...USUAL_ASK,
    exceptions: [],
    moves: [],
    opened: [],
    start: today,
    nextLesson,
    days: profile.days,
    minutesPerDay: profile.minutesPerDay,
    placeByDay: profile.placeByDay,
  };
}

function DrillLadder({
  student,
  drill,
  state,
  plan,
  fast,
  today,
}: {
  readonly student: Student;
  readonly drill: string;
  readonly state: GateState | undefined;
  readonly plan: Plan | undefined;
  readonly fast: boolean;
  readonly today: string;
}) {
  const { nameOf } = useLibrary();
  return (
    <Panel title={nameOf(drill)}>
      <Rungs drill={drill} stage={state?.stage ?? 'still'} plan={plan} />
      <LayerSteps studentId={student.id} drill={drill} />
      {state && (
        <div className="mt-3 border-t-[1.5px] border-base-300 pt-3">
          <h3 className="font-semibold">
            {LADDER_SCREEN_WORDS.gateOut}
            {STAGE_WORDS[state.stage]?.name}”
          </h3>
          <GateDecision studentId={student.id} state={state} />
          <CountHere student={student} state={state} today={today} />
          <FullSpeedCheck
            studentId={student.id}
            state={state}
            open={fast}
            count={<CountHere student={student} state={state} today={today} stage="full" />}
          />
        </div>
      )}
      <p className="mt-2 text-sm text-base-content/80">
        {plan
          ? LADDER_SCREEN_WORDS.checks(
              plan.reviewDates
                .filter((day) => day >= today)
                .slice(0, 4)
                .map((day) => dayText(day, today))
                .join(', '),
            )
          : ''}
      </p>
    </Panel>
  );
}
