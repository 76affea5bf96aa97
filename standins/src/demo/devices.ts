import { randomUUID } from 'node:crypto';
import { motionCsv, pressureCsv, readCsv, shotsCsv } from '@inchstep/contract/formats';
import { guessColumns } from '@inchstep/core/capture';
import { seededRandom } from '@inchstep/core/foundation';
import { hitShots } from '../devices/launchMonitor.ts';
import { standOnMat } from '../devices/pressureMat.ts';
import { trackGolfer } from '../devices/tracker.ts';
import type { FaultGrades } from '../golfer/faultEffects.ts';
import { makeGolfer, type StandInGolfer } from '../golfer/golfer.ts';
import type { Person } from './people.ts';
import type { Seeder } from './seeder.ts';

const SHOTS_A_DAY = 14;
/** A mat's clock starts when it is switched on, not when the phone is. */
const MAT_LATE_SECONDS = 0.35;

const golferOf = (person: Person, faults: FaultGrades): StandInGolfer =>
  makeGolfer(
    { handedness: person.left ? 'left' : 'right', heightIn: person.heightIn },
    faults,
    seededRandom(person.heightIn),
  );

/** Shots of a right-handed student's day, tied to one of its swings. */
export async function hitShotsOf(
  s: Seeder,
  student: string,
  ago: number,
  faults: FaultGrades,
  swingId: string,
): Promise<void> {
  const csv = shotsCsv(hitShots(faults, SHOTS_A_DAY, seededRandom(ago + 1)), false);
  const rows = readCsv(csv);
  if (!rows.ok) throw new Error('demo: shots');
  await s.call('POST', `/api/students/${student}/shots`, {
    id: randomUUID(),
    recordedOn: s.at(ago, 12),
    swingId,
    fileName: 'bay-2.csv',
    csv,
    matches: guessColumns(rows.value).map(({ unitTold: _, ...match }) => match),
  });
}

/** What a change felt like, before the student saw what it was; in the measure's unit. */
export async function feltOf(
  s: Seeder,
  student: string,
  ago: number,
  measure: string,
  felt: number,
  measured: number,
): Promise<void> {
  s.at(ago, 17);
  await s.call('POST', `/api/students/${student}/feels`, {
    id: randomUUID(),
    measure,
    felt,
    measured,
    side: 'more',
  });
}

export async function pressureOf(
  s: Seeder,
  swing: string,
  person: Person,
  faults: FaultGrades,
): Promise<void> {
  const mat = { lateSeconds: MAT_LATE_SECONDS };
  const trace = standOnMat(golferOf(person, faults), mat, seededRandom(5));
  await s.call('PUT', `/api/swings/${swing}/pressure`, {
    fileName: 'mat.csv',
    csv: pressureCsv(trace),
    offsetSeconds: null,
  });
}

/** An afternoon in a motion room. */
export async function motionOf(
  s: Seeder,
  student: string,
  ago: number,
  person: Person,
  faults: FaultGrades,
): Promise<void> {
  const motion = trackGolfer(golferOf(person, faults), { rateHz: 200 }, seededRandom(8));
  const id = randomUUID();
  const fields = { id, recordedOn: s.at(ago, 15), club: 'mid_iron' };
  await s.send(`/api/students/${student}/tracks`, Buffer.from(motionCsv(motion)), 'room.csv', fields);
  await s.call('POST', `/api/swings/${id}/measure`);
}
