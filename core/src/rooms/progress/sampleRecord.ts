import { bandFor, resolveSchool } from '../intake/index.ts';
import type { ReadingRecord } from '../measures/index.ts';
import { HOUSE_LIBRARY, tellingMeasures } from '../prescription/index.ts';
import type { StudentRecord } from './studentRecord.ts';

/** A student for tests: films, one drill against one fault, and what was logged. */
export const [DRILL, FAULT] = ['knee_swap', 'lead_knee_collapse'] as const;
export const TELLING = tellingMeasures([DRILL], FAULT, HOUSE_LIBRARY);
export const BODY = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool({}),
} as const;

/** Three swings of a day, each telling measure so many steps outside its band. */
export const filmed = (
  recordedOn: string,
  outBy: number,
  more: Partial<ReadingRecord> = {},
): ReadingRecord[] =>
  [0, 1, 2].map((i) => ({
    swingId: `${recordedOn} ${i}`,
    recordedOn,
    speed: 'full',
    club: 'mid_iron',
    aid: 'off',
    place: 'range',
    cue: 'before',
    at: `${recordedOn}T10:00:0${i}Z`,
    measures: TELLING.map((id) => {
      const band = bandFor(id, BODY);
      const value = band.hi === null ? (band.lo as number) - outBy * band.step : band.hi + outBy * band.step;
      return { id, value, sd: 0.05 * band.step, verdict: 'high', band };
    }),
    ...more,
  }));
export const set = (date: string, reps: number, drill: string = DRILL) => ({
  id: `${date} ${drill}`,
  date,
  drill,
  stage: 'slow' as const,
  reps: 'P'.repeat(reps),
  layer: 1,
  at: `${date}T18:00:00Z`,
  doneAt: null,
  from: 'student' as const,
  device: null,
});

export function recordOf(
  readings: readonly ReadingRecord[],
  sets: readonly ReturnType<typeof set>[] = [],
  more: {
    readonly gates?: object[];
    readonly ended?: string;
    readonly plan?: object | null;
    readonly limits?: readonly string[];
    readonly heldSince?: string;
    readonly lastWords?: string;
    readonly reached?: Readonly<Record<string, string>>;
  } = {},
): StudentRecord {
  return {
    intake: {
      studentId: 'x',
      firstName: 'Ana',
      familyName: 'Ruiz',
      limits: more.limits ?? [],
      lessons: [],
      heldSince: more.heldSince ?? null,
      facts: { heightIn: 70, limits: [] },
      school: resolveSchool({}),
    },
    diagnosis: { diagnoses: [] },
    checkins: { checkins: more.lastWords === undefined ? [] : [{ note: more.lastWords, day: '2027-03-02' }] },
    measures: { readings },
    prescription: {
      choices: [
        {
          drills: [DRILL],
          forFault: FAULT,
          at: '2027-03-01T11:00:00Z',
          day: '2027-03-01',
          endedAt: more.ended ? `${more.ended}T10:00:00Z` : null,
          endedDay: more.ended ?? null,
          reached: more.reached ?? {},
        },
      ],
    },
    practice: { sets, gates: more.gates ?? [], plan: more.plan ?? null },
  } as unknown as StudentRecord;
}
