import type { CheckpointWord, ChosenDrills, PrescriptionRecord } from '@inchstep/core/prescription';
import { dayOf } from '../../platform/context.ts';
import { type Db, prepared } from '../../platform/db.ts';
import type { StoredCheckpoint } from './repo.ts';

interface Row {
  readonly drills: string;
  readonly for_fault: string;
  readonly at: string;
  readonly ended_at: string | null;
  readonly reached: string;
  readonly layers: string;
  readonly own_task: string;
}

export const prescriptionSlice = (db: Db, studentId: string): PrescriptionRecord => ({
  choices: (
    prepared(
      db,
      'SELECT drills, for_fault, at, ended_at, reached, layers, own_task FROM drill_choices WHERE student_id = ? ORDER BY at',
    ).all(studentId) as Row[]
  ).map(
    ({ drills, for_fault, at, ended_at, reached, layers, own_task }): ChosenDrills => ({
      drills: JSON.parse(drills) as string[],
      forFault: for_fault,
      at,
      day: dayOf(at),
      endedAt: ended_at,
      endedDay: ended_at === null ? null : dayOf(ended_at),
      reached: JSON.parse(reached) as Record<string, string>,
      layers: dated(JSON.parse(layers) as Record<string, StoredCheckpoint>),
      ownTask: own_task,
    }),
  ),
});

const dated = (layers: Record<string, StoredCheckpoint>): Record<string, CheckpointWord> =>
  Object.fromEntries(
    Object.entries(layers).map(([drill, word]) => [drill, { ...word, day: dayOf(word.at) }]),
  );
