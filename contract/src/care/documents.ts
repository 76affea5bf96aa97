import { CLUBS, PLACES } from '@inchstep/core/intake';
import { STAGES } from '@inchstep/core/practice';
import { z } from 'zod';
import { swingSchema } from '../rooms/capture/index.ts';
import { diagnosisSchema } from '../rooms/diagnosis/index.ts';
import { planAskSchema } from '../rooms/practice/index.ts';
import { daySchema } from '../shared.ts';

/** Shapes of what the core computed and the record keeps, as a file that comes from outside must have them. */

const finite = z.number();
const id = z.string().max(60);
const ids = z.array(id).max(500);

const planItem = z.looseObject({
  drill: id,
  stage: z.enum(STAGES),
  sets: finite,
  rehearsals: finite,
  balls: finite,
  looks: finite,
  speedPct: finite,
  club: z.enum(CLUBS).nullable(),
  minutes: finite,
});

const planDocument = z.looseObject({
  stages: z
    .array(
      z.looseObject({
        drill: id,
        stage: z.enum(STAGES),
        state: z.enum(['done', 'now', 'ahead', 'skipped', 'no_place']),
        from: daySchema.nullable(),
        gateBy: daySchema.nullable(),
        reps: finite,
      }),
    )
    .max(100),
  days: z
    .array(
      z.looseObject({
        date: daySchema,
        place: z.enum(PLACES),
        minutes: finite,
        warmUpMinutes: finite,
        items: z.array(planItem).max(50),
      }),
    )
    .max(1000),
  gives: z.array(z.looseObject({ what: id, by: finite, about: z.string().max(200) })).max(100),
  reviewDates: z.array(daySchema).max(100),
});

const weighed = z.looseObject({ finding: id, weight: finite, source: id });
const look = z.looseObject({
  kind: z.enum(['measure', 'view', 'object_test', 'question']),
  id,
  gainBits: finite,
  // Older diagnoses did not say what a look takes.
  seconds: finite.optional(),
  between: ids.optional(),
});

const diagnosisDocument = z.looseObject({
  enough: z.boolean(),
  roots: z
    .array(
      z.looseObject({
        fault: id,
        probability: finite,
        strength: z.enum(['slight', 'clear', 'strong']),
        explains: ids,
        for: z.array(weighed).max(200),
        against: z.array(weighed).max(200),
      }),
    )
    .max(60),
  workOn: ids,
  leaveAlone: z
    .array(z.looseObject({ fault: id, probability: finite, why: z.looseObject({ code: id }) }))
    .max(60),
  blockers: ids,
  nextLook: look.nullable(),
  nextLooks: z.array(look).max(10).optional(),
  faults: z.record(id, finite),
});

const swing = swingSchema.shape;
export const swingBodyDocument = z.object({
  club: swing.club,
  speed: swing.speed,
  // Of before they were asked for, drill, aid, place and cue are missing.
  drill: swing.drill.optional(),
  aid: swing.aid.optional(),
  place: swing.place.optional(),
  cue: swing.cue.optional(),
  views: swing.views,
  marks: swing.marks,
  track: swing.track.optional(),
});

const diagnosis = diagnosisSchema.shape;
export const diagnosisBodyDocument = z.object({
  swingId: diagnosis.swingId,
  wholeDay: diagnosis.wholeDay.optional(),
  findings: diagnosis.findings,
  setAside: diagnosis.setAside.optional(),
  result: diagnosisDocument,
});
/** Of before choices could be carried over, `carried` is missing. */
export const chosenDocument = z.looseObject({
  workOn: z.array(id),
  note: z.string(),
  at: z.string(),
  carried: z.boolean().optional(),
});

export const planBodyDocument = z.object({ drills: ids, ask: planAskSchema, plan: planDocument });
