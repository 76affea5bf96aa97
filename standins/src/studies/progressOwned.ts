import { type Random, seededRandom } from '@inchstep/core/foundation';
import { bandFor, resolveSchool } from '@inchstep/core/intake';
import type { ReadingRecord } from '@inchstep/core/measures';
import { HOUSE_LIBRARY, tellingMeasures } from '@inchstep/core/prescription';
import { ownedOf } from '@inchstep/core/progress';
import { MEASURE_STEP, occasionsOf, type Player } from './progressWorld.ts';

const [DRILL, FAULT] = ['knee_swap', 'lead_knee_collapse'] as const;
const TELLING = tellingMeasures([DRILL], FAULT, HOUSE_LIBRARY);
const BODY = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool({}),
} as const;
const SESSIONS = 10;

/** Full, cold, without the drill: everything that counts for "owned", a week apart. */
function readingsOf(player: Player, outBy: (week: number) => number, random: Random): ReadingRecord[] {
  const weeks = Array.from({ length: SESSIONS }, (_, week) => week);
  const days = new Map<string, ReadingRecord[]>();
  for (const id of TELLING) {
    const band = bandFor(id, BODY);
    // So far below the band's lower edge, or above the upper where there is no lower one.
    const at = (week: number) =>
      band.lo === null ? (band.hi as number) / band.step + outBy(week) : band.lo / band.step - outBy(week);
    const unit = occasionsOf(player, weeks.map(at), random);
    unit.forEach(({ date, values, sd }) => {
      const known = days.get(date) ?? [];
      days.set(date, known);
      values.forEach((value, i) => {
        const measure = {
          id,
          value: (value / MEASURE_STEP) * band.step,
          sd: (sd / MEASURE_STEP) * band.step,
          verdict: 'in' as const,
          band,
        };
        const reading = known[i];
        if (reading) known[i] = { ...reading, measures: [...reading.measures, measure] };
        else
          known[i] = {
            ...RECORDED,
            swingId: `${date} ${i}`,
            recordedOn: date,
            at: `${date}T10:00:0${i}Z`,
            measures: [measure],
          };
      });
    });
  }
  return [...days.values()].flat();
}

const RECORDED = { speed: 'full', club: 'mid_iron', aid: 'off', place: 'range', cue: 'before' } as const;

/** Of seasons so far out of band, those in which "owned" is said at any session while the true level is out. */
export function ownedWrongly(player: Player, outBy: (week: number) => number, seasons: number, seed: number) {
  const random = seededRandom(seed);
  let wrong = 0;
  let said = 0;
  for (let i = 0; i < seasons; i++) {
    const readings = readingsOf(player, outBy, random);
    const dates = [...new Set(readings.map(({ recordedOn }) => recordedOn))].sort();
    const told = dates.flatMap((until, week) => {
      const { owned } = ownedOf(
        {
          measures: { readings: readings.filter(({ recordedOn }) => recordedOn <= until) },
          prescription: {
            choices: [
              {
                drills: [DRILL],
                forFault: FAULT,
                at: '',
                day: '2027-02-28',
                endedAt: null,
                endedDay: null,
                reached: {},
              },
            ],
          },
        },
        HOUSE_LIBRARY,
      );
      return owned ? [week] : [];
    });
    if (told.some((week) => outBy(week) > 0)) wrong++;
    if (told.some((week) => outBy(week) <= 0)) said++;
  }
  return { seasons, wrong: wrong / seasons, said: said / seasons };
}
