import type { Checkin } from '@inchstep/contract/checkins';
import { draftReply, type Lengths } from '@inchstep/contract/words';
import { betterFirst, type ReplyFacts, replyGate } from '@inchstep/core/checkins';
import { plusDays } from '@inchstep/core/foundation';
import { stageRow } from '@inchstep/core/practice';
import { type Context, today } from '../../platform/context.ts';
import { listDiagnoses } from '../diagnosis/index.ts';
import { getStudent } from '../intake/index.ts';
import { currentPlan, gateStates, listGates, listSets } from '../practice/index.ts';
import { libraryWords } from '../prescription/index.ts';
import { movedMeasures } from './moved.ts';
import { getCheckin } from './service.ts';

/** A reply drafted from what was measured, done and decided; the coach edits it. */
export function draftFor(ctx: Context, checkinId: string, lengths: Lengths): { text: string } {
  const checkin = getCheckin(ctx, checkinId);
  const { profile } = getStudent(ctx, checkin.studentId);
  const facts = factsFor(ctx, checkin);
  return { text: draftReply(facts, profile.firstName, libraryWords(ctx), lengths) };
}

function factsFor(ctx: Context, { studentId, pain, at }: Checkin): ReplyFacts {
  const plan = currentPlan(ctx, studentId);
  const sets = listSets(ctx, studentId).filter((set) => !plan || set.at >= plan.at);
  const letters = sets.map((set) => set.reps).join('');
  const judged = [...letters].filter((letter) => letter !== '?');
  const planned = plan?.plan.days.filter((day) => day.date <= today(ctx)).flatMap((day) => day.items) ?? [];
  const state = gateStates(ctx, studentId)[0];
  const latest = listDiagnoses(ctx, studentId)[0];
  const said = state ? replyGate(state, listGates(ctx, studentId), at) : null;
  const { films } = getStudent(ctx, studentId).profile;
  return {
    pain,
    better: betterFirst(movedMeasures(ctx, studentId)),
    practised: {
      repsDone: letters.length,
      repsPlanned: planned.reduce((sum, item) => sum + item.rehearsals + item.balls, 0),
      passRate: judged.length === 0 ? null : judged.filter((letter) => letter === 'P').length / judged.length,
    },
    key:
      state && said
        ? { drill: state.drill, stage: said.stage, speedPct: stageRow(said.stage).speedPct }
        : null,
    gate: said?.gate ?? null,
    leave:
      latest?.result.leaveAlone
        .filter((l) => l.why.code === 'follows')
        .map((l) => l.fault)
        .slice(0, 3) ?? [],
    sendNext: { view: films[0] ?? 'face_on', swings: 3, by: plusDays(today(ctx), 7) },
  };
}
