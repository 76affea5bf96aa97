import type { IsoDay } from '../../foundation/index.ts';
import { heldDays } from '../intake/index.ts';
import type { Stage } from '../practice/index.ts';
import type { Library } from '../prescription/index.ts';
import { onceFor } from './onceFor.ts';
import { type Series, seriesOf } from './series.ts';
import { focusOf } from './studentEvidence.ts';
import type { StudentRecord } from './studentRecord.ts';

/** Every measure over time, with what happened meanwhile. */
export interface Progress {
  readonly series: readonly Series[];
  readonly focus: readonly string[];
  readonly lessons: readonly IsoDay[];
  readonly checkins: readonly IsoDay[];
  readonly stages: readonly { readonly drill: string; readonly stage: Stage; readonly from: IsoDay }[];
}

/** Fifty measures take a while: once for the same films and the same work. */
const allSeries = onceFor((file, library) => seriesOf(file, library));

export const progressOf = (record: StudentRecord, library: Library): Progress => ({
  series: allSeries(record, library),
  focus: focusOf(record, library),
  lessons: heldDays(record.intake.lessons),
  checkins: daysOf(record.checkins.checkins),
  stages: record.practice.gates.map(({ drill, stage, day }) => ({ drill, stage, from: day })),
});

const daysOf = (entries: readonly { readonly day: IsoDay }[]): IsoDay[] =>
  [...new Set(entries.map(({ day }) => day))].sort();
