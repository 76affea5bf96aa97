import { roundTo } from '@inchstep/core/foundation';
import type { MeasureStory } from '@inchstep/core/progress';
import { writeCsv } from './tables.ts';

const FIELDS = [
  'measure',
  'unit',
  'band_lo',
  'band_hi',
  'date',
  'cue',
  'speed',
  'aid',
  'club',
  'place',
  'swings',
  'mean',
  'level',
  'level_lo80',
  'level_hi80',
  'verdict',
  'probability',
  'change',
  'change_lo95',
  'change_hi95',
];

const figure = (value: number | null | undefined): number | string =>
  value == null ? '' : roundTo(value, 4);

/** A row for each occasion of each measure, with what was to be said after it; the same figures as on the screen. */
export const progressCsv = (stories: readonly MeasureStory[]): string =>
  writeCsv(
    FIELDS,
    stories.flatMap(({ measure, band, occasions, looks, line }) =>
      occasions.map((one, i) => {
        const look = looks[i];
        const level = line.find(({ date }) => date === one.date);
        return [
          measure,
          band.unit,
          figure(band.lo),
          figure(band.hi),
          one.date,
          one.cue ?? '',
          one.speed ?? '',
          one.aid ?? '',
          one.club ?? '',
          one.place ?? '',
          one.values.length,
          figure(one.values.reduce((a, b) => a + b, 0) / one.values.length),
          figure(level?.level),
          figure(level?.lo80),
          figure(level?.hi80),
          look?.delta == null ? '' : look.verdict,
          look?.delta == null ? '' : figure(look.probability),
          figure(look?.delta),
          figure(look?.lo95),
          figure(look?.hi95),
        ];
      }),
    ),
  );

const ROSTER_FIELDS = [
  'student',
  'archived',
  'state',
  'fault',
  'drills',
  'rung',
  'measure',
  'unit',
  'before',
  'after',
  'verdict',
  'direction',
  'probability',
];

/** A student of a whole roster with the surest change of the present work; the same figures as in lists. */
export interface RosterProgress {
  readonly student: string;
  readonly archived: boolean;
  readonly state: string;
  readonly fault: string;
  readonly drills: readonly string[];
  readonly rung: string | null;
  readonly moved: {
    readonly id: string;
    readonly unit: string;
    readonly before: number;
    readonly after: number;
    readonly verdict: string;
    readonly direction: string;
    readonly changed: number;
  } | null;
}

/** A row for each student. */
export const rosterProgressCsv = (rows: readonly RosterProgress[]): string =>
  writeCsv(
    ROSTER_FIELDS,
    rows.map(({ student, archived, state, fault, drills, rung, moved }) => [
      student,
      archived ? 'yes' : 'no',
      state,
      fault,
      drills.join(' '),
      rung ?? '',
      moved?.id ?? '',
      moved?.unit ?? '',
      figure(moved?.before),
      figure(moved?.after),
      moved?.verdict ?? '',
      moved?.direction ?? '',
      figure(moved?.changed),
    ]),
  );
