import { WEEKDAYS } from '@inchstep/core/foundation';
import { CLUBS, PLACES } from '@inchstep/core/intake';
import {
  EXCEPTION_KINDS,
  type GateStanding,
  MOST_WEEKS,
  PACES,
  STAGES,
  STRIKES,
  USUAL_ASK,
} from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';
import { SWING_SPEEDS, swingMade } from '../capture/index.ts';
import { laidPlanSchema } from './planShapes.ts';

export {
  askTakeSchema,
  type CameraDeskSeen,
  type CameraLink,
  type CameraPage,
  cameraDeskSchema,
  cameraHelloSchema,
  cameraLinkSchema,
  cameraPageSchema,
} from './cameras.ts';
export { type LessonNoteSend, lessonNoteSchema, lessonNoteSendSchema } from './lessonNotes.ts';
export { gateDateSchema, planDaySchema } from './planShapes.ts';

const perDay = <T extends z.ZodType>(schema: T) => z.partialRecord(z.enum(WEEKDAYS), schema);

const exceptionSchema = z.strictObject({
  from: daySchema,
  to: daySchema,
  kind: z.enum(EXCEPTION_KINDS),
  minutes: z.number().min(0).max(600).nullable().default(null),
  place: z.enum(PLACES).nullable().default(null),
});

/** What an ask says beside its days; an old one said none of it. */
const moreAsked = {
  exceptions: z.array(exceptionSchema).max(100).default([]),
  wishRepsPerWeek: z.int().min(0).max(1_000_000).default(USUAL_ASK.wishRepsPerWeek),
  pace: z.enum(PACES).default(USUAL_ASK.pace),
  weeks: z.int().min(1).max(MOST_WEEKS).default(USUAL_ASK.weeks),
  secondsPer: z
    .strictObject({
      rehearsal: z.number().min(1).max(120),
      ball: z.number().min(5).max(600),
      look: z.number().min(0).max(600),
    })
    .default(USUAL_ASK.secondsPer),
  bucketBalls: z.int().min(1).max(1000).nullable().default(null),
  moves: z
    .array(z.strictObject({ from: daySchema, to: daySchema }))
    .max(200)
    .default([]),
  order: z.enum(['phase', 'own']).default('phase'),
  opened: z.array(z.string().max(60)).max(10).default([]),
};

export const planAskSchema = z.strictObject({
  start: daySchema,
  nextLesson: daySchema.nullable(),
  days: z.array(z.enum(WEEKDAYS)).min(1),
  minutesPerDay: perDay(z.number().min(0).max(240)),
  placeByDay: perDay(z.enum(PLACES)),
  ...moreAsked,
});
export type PlanAsk = z.infer<typeof planAskSchema>;

export const newPlanSchema = planAskSchema.extend({ id: idSchema });

export const planSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  at: z.string(),
  drills: z.array(z.string()),
  ask: planAskSchema,
  plan: laidPlanSchema,
});
export type PlanRecord = z.infer<typeof planSchema>;

/** The plan as it was taken, and as it stands today: laid anew from what was logged, decided and missed since. */
export const planNowSchema = planSchema.extend({ live: laidPlanSchema.nullable() });
export type PlanNow = z.infer<typeof planNowSchema>;

/** An ask that is only tried: with a share of days that would be missed. */
export const tryPlanSchema = planAskSchema.extend({
  missRate: z.number().min(0).max(0.9).nullable().default(null),
});
export type TryPlan = z.input<typeof tryPlanSchema>;
/** A plan that is tried, beside the one that stands. */
export const triedPlanSchema = z.object({ drills: z.array(z.string()), plan: laidPlanSchema });

/** The sheet that a week is printed on. */
export const paperSchema = z.object({
  paper: z.enum(['A4', 'LETTER']).default('A4'),
  units: z.enum(['in', 'cm']).default('in'),
});

/** A session put on another day, before it is let go: which rule would be broken if it stayed as it is. */
export const movedSessionSchema = z.strictObject({ from: daySchema, to: daySchema });
export const moveCheckSchema = z.object({
  broken: z.array(z.object({ rule: z.string(), date: daySchema, about: z.string() })).readonly(),
});

export const setLogSchema = z.strictObject({
  id: idSchema,
  date: daySchema,
  drill: z.string(),
  stage: z.enum(STAGES),
  reps: z
    .string()
    .min(1)
    .max(400)
    .regex(/^[PF?]+$/, { error: 'write each repetition as P, F or ?' }),
  felt: z.int().min(0).max(10).nullable(),
  /** How the set's ball was met; null without one, or where nobody said. */
  strike: z.enum(STRIKES).nullable().default(null),
  /** The last checkpoint that the set was judged by. */
  layer: z.int().min(1).max(3).default(1),
  /** The moment by the sender's own clock, with its zone; without it only the day is known. */
  doneAt: z.iso.datetime({ offset: true }).nullable().default(null),
  /** Names the browser it was tapped in, so that the same set on two of them counts once. */
  device: idSchema.nullable().default(null),
});
export type SetLog = z.infer<typeof setLogSchema>;
export const storedSetSchema = setLogSchema.extend({ from: z.enum(['coach', 'student']), at: z.string() });
export type StoredSet = z.infer<typeof storedSetSchema>;
/** A set as the rules read it: without what was felt and how the ball was met. */
export const loggedSetSchema = storedSetSchema.omit({ felt: true, strike: true });
export type SetSeen = z.infer<typeof loggedSetSchema>;

/** How a swing is most likely made, as the day's card asks. */
export const howMadeSchema = z.object({
  club: z.enum(CLUBS),
  speed: z.enum(SWING_SPEEDS),
  ...swingMade,
});

const heldSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('reps'), tape: z.number(), more: z.number().nullable() }),
  z.object({ code: z.literal('reps_not_yet'), times: z.number() }),
  z.object({ code: z.literal('swings'), measure: z.string(), have: z.number(), need: z.number() }),
  z.object({ code: z.literal('measure'), measure: z.string(), inBand: z.number() }),
  z.object({ code: z.literal('look') }),
  z.object({ code: z.literal('watch'), measure: z.string() }),
  z.object({ code: z.literal('pain') }),
]);

/** What a test is judged by: its repetitions, its films, and what stands between it and the next rung. */
const judged = {
  gate: z.object({
    decision: z.enum(['advance', 'continue']),
    repsUsed: z.number(),
    tape: z.number(),
    notYets: z.number(),
    more: z.number().nullable(),
  }),
  measures: z
    .array(
      z.object({
        id: z.string(),
        swings: z.number(),
        inBand: z.number().nullable(),
        open: z.boolean(),
      }),
    )
    .readonly(),
  held: z.array(heldSchema).readonly(),
};

export const gateStateSchema = z.object({
  drill: z.string(),
  stage: z.enum(STAGES),
  finished: z.boolean(),
  layer: z.number(),
  ...judged,
  proposesDown: z.boolean(),
  fullTest: z.object(judged).nullable(),
}) satisfies z.ZodType<GateStanding>;
export type GateState = z.infer<typeof gateStateSchema>;

export const decideGateSchema = z.strictObject({
  id: idSchema,
  drill: z.string(),
  stage: z.enum(STAGES),
  decision: z.enum(['advance', 'hold', 'back']),
  note: z.string().max(500),
});
