import { draftReply, type Lengths } from '@inchstep/contract/words';
import { replyFacts } from '@inchstep/core/progress';
import { type Context, today } from '../../platform/context.ts';
import { libraryOf, libraryWords } from '../prescription/index.ts';
import { getCheckin } from './service.ts';

/** A reply drafted from what was measured, done and decided; the coach edits it. */
export function draftFor(ctx: Context, checkinId: string, lengths: Lengths): { text: string } {
  const checkin = getCheckin(ctx, checkinId);
  const file = ctx.records.of(checkin.studentId);
  const facts = replyFacts(file, libraryOf(ctx), checkin, today(ctx));
  return { text: draftReply(facts, file.intake.firstName, libraryWords(ctx), lengths) };
}
