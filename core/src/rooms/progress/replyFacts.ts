import { type IsoDay, plusDays } from '../../foundation/index.ts';
import { betterFirst, type ReplyFacts, replyGate } from '../checkins/index.ts';
import { gateStates, practisedOf, stageRow } from '../practice/index.ts';
import type { Library } from '../prescription/index.ts';
import { movedOf } from './moved.ts';
import type { StudentRecord } from './studentRecord.ts';

const SWINGS_ASKED = 3;
const ASKED_WITHIN_DAYS = 7;
const MOST_LEFT = 3;

/** What a reply to a check-in is drafted from: what was measured, done and decided. */
export function replyFacts(
  record: StudentRecord,
  library: Library,
  checkin: { readonly pain: boolean; readonly at: string },
  today: IsoDay,
): ReplyFacts {
  const state = gateStates(record, library)[0];
  const said = state ? replyGate(state, record.practice.gates, checkin.at) : null;
  return {
    pain: checkin.pain,
    better: betterFirst(movedOf(record, library)),
    practised: practisedOf(record.practice, today),
    key:
      state && said
        ? { drill: state.drill, stage: said.stage, speedPct: stageRow(said.stage).speedPct }
        : null,
    gate: said?.gate ?? null,
    leave: record.diagnosis.diagnoses.at(-1)?.follow.slice(0, MOST_LEFT) ?? [],
    sendNext: {
      view: record.intake.films[0] ?? 'face_on',
      swings: SWINGS_ASKED,
      by: plusDays(today, ASKED_WITHIN_DAYS),
    },
  };
}
