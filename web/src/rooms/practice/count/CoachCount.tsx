import type { Student } from '@inchstep/contract/intake';
import type { SetLog } from '@inchstep/contract/practice';
import { cautionText } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import type { RunSpec } from '@inchstep/core/practice';
import { cautionsFor } from '@inchstep/core/prescription';
import { useEffect, useState } from 'react';
import { thisDevice } from '../../../platform/ids.ts';
import { useHold, useStopForPain } from '../../intake/index.ts';
import { useLibrary, useSetLayer } from '../../prescription/index.ts';
import { useSets } from '../queries.ts';
import { dropCoachSet, putCoachSet, useCoachSets } from './coachSets.tsx';
import { othersNow } from './othersCount.ts';
import { Runner } from './Runner.tsx';
import { useLeftRuns, useRun } from './useRun.ts';
import { COUNT_WORDS } from './words.ts';

interface CoachCountProps {
  readonly student: Pick<Student, 'id' | 'profile' | 'limits'>;
  /** What this count belongs to, a lesson or the ladder: each keeps its own half-counted set. */
  readonly of: string;
  readonly today: string;
  readonly spec: RunSpec;
  readonly latestSwing?: string | null;
  /** Whether this screen's keys are the runner's. */
  readonly keys?: boolean;
}

/** A coach counts with the student's own runner: what is counted waits in this browser until the program has it. */
export function CoachCount({ student, of, today, spec, latestSwing = null, keys = false }: CoachCountProps) {
  const { byId, wordsOf } = useLibrary();
  const layer = useSetLayer(student.id);
  const drill = byId(spec.drill);
  const words = wordsOf(spec.drill);
  const put = (set: SetLog) => putCoachSet(student.id, set);
  const place = { of, day: today };
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
        keys={keys}
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
  const sets = useCoachSets(studentId);
  const waiting = sets.filter(({ refused }) => refused === null).length;
  return (
    <div aria-live="polite" className="flex flex-col gap-2 text-sm">
      {waiting > 0 && <span>{COUNT_WORDS.waiting(waiting)}</span>}
      {sets.map(
        ({ id, reps, refused }) =>
          refused !== null && (
            <span key={id} className="flex flex-wrap items-center gap-2">
              {COUNT_WORDS.refused(reps.length, refused)}
              <button type="button" className="btn" onClick={() => dropCoachSet(id)}>
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
