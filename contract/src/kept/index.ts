import { EMPTY_PLAN, USUAL_ASK } from '@inchstep/core/practice';
import { USUAL_HABITS } from '@inchstep/core/prescription';
import { ownDrillSchema } from '../formats/index.ts';
import { pressureSchema, rememberedMatchSchema, swingSchema } from '../rooms/capture/index.ts';
import { reviewShownSchema } from '../rooms/checkins/index.ts';
import { broughtUp, diagnosisSchema } from '../rooms/diagnosis/index.ts';
import { profileSchema } from '../rooms/intake/index.ts';
import { readingSchema } from '../rooms/measures/index.ts';
import { planSchema } from '../rooms/practice/index.ts';
import { document, type Older } from './document.ts';

export { fromKept, type KeptDocument, keptSchema, toKeep, UnreadableDocument } from './document.ts';

export const PROFILE = document('profile', profileSchema);

export const SWING = document(
  'swing',
  swingSchema.pick({
    club: true,
    speed: true,
    drill: true,
    aid: true,
    place: true,
    cue: true,
    views: true,
    marks: true,
    track: true,
  }),
  // The first programs brought in no motion and did not ask how a swing was made.
  [
    (older: Older) => ({ track: null, aid: null, place: null, cue: null, ...older }),
    // Nor in which drill.
    (older: Older) => ({ drill: null, ...older }),
  ],
);

/** The facts of a review, as they were shown when it was answered. */
export const REVIEW_SHOWN = document('review as shown', reviewShownSchema);
export const READING = document('reading', readingSchema);
export const PRESSURE = document('pressure', pressureSchema);
export const COLUMN_MATCH = document('column match', rememberedMatchSchema);

export const DIAGNOSIS = document(
  'diagnosis',
  diagnosisSchema.pick({ swingId: true, wholeDay: true, findings: true, setAside: true, result: true }),
  // The first programs took one swing, believed every finding, and did not take the odds apart.
  [
    (older: Older) => ({
      ...older,
      wholeDay: older.wholeDay ?? false,
      setAside: older.setAside ?? [],
      result: broughtUp(older.result),
    }),
    // Nor did they name looks that can't both be true.
    (older: Older) => ({ ...older, result: broughtUp(older.result) }),
  ],
);

export const WORK_CHOICE = document(
  'choice of work',
  diagnosisSchema.shape.chosen.unwrap(),
  // The first programs carried no choice over.
  [(older: Older) => ({ carried: false, ...older })],
);

export const OWN_DRILL = document('own drill', ownDrillSchema, [
  // Drills had one checkpoint, no guard beside them, and no thought that was a school's own.
  (older: Older) => ({
    ...older,
    drill: { guard: null, thoughts: [], layers: [], ...older.drill },
    words: { layers: [], ...older.words },
  }),
  // Nor did they say what of the ladder they take part in.
  (older: Older) => ({ ...older, drill: { habits: USUAL_HABITS, ...older.drill } }),
]);
export const PLAN = document('plan', planSchema.pick({ drills: true, ask: true, plan: true }), [
  // Plans held amounts without intents, dates that assumed success, and no proof.
  (older: Older) => ({
    ...older,
    ask: { ...USUAL_ASK, ...older.ask },
    plan: { ...EMPTY_PLAN, ...broughtUpPlan(older.plan) },
  }),
]);

const broughtUpPlan = ({ stages, days, reviewDates }: Older): object => ({
  stages,
  reviewDates,
  days: days.map((day: Older) => ({
    ...day,
    warmUp: [],
    items: day.items.map((item: Older) => ({
      id: `${day.date}.${item.drill}.rung`,
      intent: 'rung',
      as: 'drill',
      layer: 1,
      lookEvery: null,
      clubs: Array.from({ length: item.balls }, () => item.club),
      aid: 'on',
      order: 'blocked',
      stop: false,
      ...item,
    })),
  })),
});

/** Every document that the record keeps as JSON with a version. */
export const DOCUMENTS = [
  PROFILE,
  SWING,
  READING,
  REVIEW_SHOWN,
  PRESSURE,
  COLUMN_MATCH,
  DIAGNOSIS,
  WORK_CHOICE,
  OWN_DRILL,
  PLAN,
] as const;
