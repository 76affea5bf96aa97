import { planAsks } from '@inchstep/core/checkins';
import { mailAddress } from '@inchstep/core/intake';
import { gateStates } from '@inchstep/core/practice';
import { type Context, newId, today } from '../../platform/context.ts';
import { getStudent } from '../intake/index.ts';
import { libraryOf } from '../prescription/index.ts';
import { studentsWithLink } from './repo.ts';
import { requestsOf } from './requestRepo.ts';
import { askForClips, usualAsk } from './requests.ts';

/** A round takes no longer than this; the rest of the students come in the next. */
const AT_ONCE_MS = 60;

const rounds = new WeakMap<Context, { readonly day: string; readonly left: string[] }>();

/** Once a day, student by student: the clips that the plan asks for. Only of those who have a page to read it on. */
export function askByPlan(ctx: Context): void {
  const day = today(ctx);
  let round = rounds.get(ctx);
  if (round?.day !== day) {
    round = { day, left: studentsWithLink(ctx.db, ctx.now().toISOString()) };
    rounds.set(ctx, round);
  }
  const until = performance.now() + AT_ONCE_MS;
  while (round.left.length > 0 && performance.now() < until) askOne(ctx, round.left.pop() as string);
}

function askOne(ctx: Context, studentId: string): void {
  const file = ctx.records.of(studentId);
  if (file.intake.heldSince !== null || file.practice.plan === null) return;
  const requests = requestsOf(ctx.db, studentId);
  const asked = planAsks({
    gates: gateStates(file, libraryOf(ctx)),
    // The plan as it was laid: one that is laid anew each day has its reviews always ahead.
    reviewDates: file.practice.plan.plan.reviewDates,
    usual: usualAsk(ctx, studentId),
    asked: file.checkins.asked !== null,
    before: new Set(requests.flatMap(({ because }) => because ?? [])),
    today: today(ctx),
  });
  if (!asked) return;
  const { from, because, ...ask } = asked;
  const byMail = mailAddress(getStudent(ctx, studentId).profile) !== null;
  askForClips(ctx, studentId, { id: newId(), ...ask, kinds: [...ask.kinds], byMail }, 'plan', {
    from,
    because,
  });
}
