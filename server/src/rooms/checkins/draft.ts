import { draftReply } from '@inchstep/contract/words';
import { betterFirst, type MovedMeasure, type ReplyFacts } from '@inchstep/core/checkins';
import { mean, plusDays } from '@inchstep/core/foundation';
import { stageRow } from '@inchstep/core/practice';
import { drillById } from '@inchstep/core/prescription';
import { judgeChange, movedToward } from '@inchstep/core/progress';
import { type Context, today } from '../../platform/context.ts';
import { listDiagnoses } from '../diagnosis/index.ts';
import { getStudent } from '../intake/index.ts';
import { listReadings } from '../measures/index.ts';
import { currentPlan, gateStates, listSets } from '../practice/index.ts';
import { drillsInUse } from '../prescription/index.ts';
import { getCheckin } from './service.ts';

/** A reply drafted from what was measured, done and decided; the coach edits it. */
export function draftFor(ctx: Context, checkinId: string): { text: string } {
  const checkin = getCheckin(ctx, checkinId);
  const { profile } = getStudent(ctx, checkin.studentId);
  return { text: draftReply(factsFor(ctx, checkin.studentId, checkin.pain), profile.firstName) };
}

function factsFor(ctx: Context, studentId: string, pain: boolean): ReplyFacts {
  const plan = currentPlan(ctx, studentId);
  const sets = listSets(ctx, studentId).filter((set) => !plan || set.at >= plan.at);
  const letters = sets.map((set) => set.reps).join('');
  const judged = [...letters].filter((letter) => letter !== '?');
  const planned = plan?.plan.days.filter((day) => day.date <= today(ctx)).flatMap((day) => day.items) ?? [];
  const state = gateStates(ctx, studentId)[0];
  const latest = listDiagnoses(ctx, studentId)[0];
  const { films } = getStudent(ctx, studentId).profile;
  return {
    pain,
    better: betterFirst(movedMeasures(ctx, studentId)),
    practised: {
      repsDone: letters.length,
      repsPlanned: planned.reduce((sum, item) => sum + item.rehearsals + item.balls, 0),
      passRate: judged.length === 0 ? null : judged.filter((letter) => letter === 'P').length / judged.length,
    },
    key: state ? { drill: state.drill, stage: state.stage, speedPct: stageRow(state.stage).speedPct } : null,
    gate: state
      ? state.held.length === 0
        ? 'advance'
        : state.gate.decision === 'hold'
          ? 'hold'
          : 'continue'
      : null,
    leave:
      latest?.result.leaveAlone
        .filter((l) => l.why.code === 'follows')
        .map((l) => l.fault)
        .slice(0, 3) ?? [],
    sendNext: { view: films[0] ?? 'face_on', swings: 3, by: plusDays(today(ctx), 7) },
  };
}

/** Changes of the measures that the drills in use should move. */
function movedMeasures(ctx: Context, studentId: string): MovedMeasure[] {
  const readings = listReadings(ctx, studentId);
  const ids = new Set(
    (drillsInUse(ctx, studentId)?.drills ?? []).flatMap((id) => drillById(id)?.moves ?? []),
  );
  return [...ids].flatMap((id) => {
    const days = new Map<string, { value: number; sd: number; band: MovedBand }[]>();
    for (const reading of readings) {
      const found = reading.measures.find((m) => m.id === id);
      if (found) days.set(reading.recordedOn, [...(days.get(reading.recordedOn) ?? []), found]);
    }
    const sessions = [...days]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([date, found]) => ({
        date,
        values: found.map((m) => m.value),
        sd: mean(found.map((m) => m.sd)),
        band: found[0]?.band as MovedBand,
      }));
    const last = sessions.at(-1);
    if (!last || sessions.length < 2) return [];
    const change = judgeChange(id, sessions, ids.size);
    const after = mean(last.values);
    return [
      {
        id,
        unit: last.band.unit,
        before: after - change.delta,
        after,
        verdict: change.verdict,
        direction: movedToward(after - change.delta, after, last.band),
      },
    ];
  });
}

interface MovedBand {
  readonly unit: string;
  readonly lo: number | null;
  readonly hi: number | null;
}
