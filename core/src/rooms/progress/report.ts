import { type IsoDay, Z80, Z95 } from '../../foundation/index.ts';
import { type Band, type Limit, nextLessonFrom } from '../intake/index.ts';
import { gateStates, type Practised, practisedOf, type Stage } from '../practice/index.ts';
import { inUse, type Library } from '../prescription/index.ts';
import { type FeltPer, feltPer } from './feltPer.ts';
import { type MeasureStory, measureStory } from './measureStory.ts';
import { ownedOf } from './owned.ts';
import { progressOf } from './progressView.ts';
import type { Forecast } from './season/forecast.ts';
import type { Look } from './season/judgeSeason.ts';
import type { Kept } from './season/retention.ts';
import type { CellName } from './season/transfer.ts';
import type { Series } from './series.ts';
import type { StudentRecord } from './studentRecord.ts';

export const REPORT_FOR = ['student', 'parent', 'coach'] as const;
export type ReportFor = (typeof REPORT_FOR)[number];

/** One measure as a report tells it: the same verdict, level and date as on the screen. */
export interface ReportMeasure {
  readonly measure: string;
  readonly band: Band;
  readonly look: Look;
  readonly direction: Series['direction'];
  /** Where the level was before the work, and where it is; with half of the 95 % interval of now. */
  readonly before: number | null;
  readonly now: number;
  readonly half95: number;
  readonly since: IsoDay;
  readonly inBand: number;
  readonly when: Forecast | null;
  readonly next: CellName | null;
  readonly kept: readonly Kept[];
  readonly felt: FeltPer | null;
}

/** What a second coach has to know beside it. */
interface Handover {
  readonly limits: readonly Limit[];
  /** What was worked on, oldest first, with the rung each drill came to. */
  readonly past: readonly {
    readonly fault: string;
    readonly drills: readonly { readonly drill: string; readonly reached: string | null }[];
    readonly from: IsoDay;
    readonly to: IsoDay | null;
  }[];
  /** Told to go with the root, and left alone. */
  readonly leave: readonly string[];
  readonly lastWords: string;
}

/** Where a student stands, for whoever is to read it. */
export interface Report {
  readonly for: ReportFor;
  readonly day: IsoDay;
  readonly firstName: string;
  readonly name: string;
  readonly hold: boolean;
  readonly work: {
    readonly fault: string;
    readonly since: IsoDay;
    readonly drills: readonly { readonly drill: string; readonly stage: Stage | null }[];
  } | null;
  readonly practised: Practised;
  /** Of the present work; for a coach what else has surely or probably moved, too. */
  readonly measures: readonly ReportMeasure[];
  readonly owned: boolean;
  readonly nextLesson: IsoDay | null;
  readonly handover: Handover | null;
}

type Feels = readonly { readonly measure: string; readonly felt: number; readonly measured: number }[];

/** For student and parent what is worked on, and nothing of a body's troubles; for a coach everything that the work stands on. */
export function reportOf(
  record: StudentRecord,
  library: Library,
  feels: Feels,
  reader: ReportFor,
  today: IsoDay,
): Report {
  const { intake, prescription, practice } = record;
  const work = inUse(prescription);
  const gates = gateStates(record, library);
  return {
    for: reader,
    day: today,
    firstName: intake.firstName,
    name: `${intake.firstName} ${intake.familyName}`,
    hold: intake.heldSince !== null,
    work: work && {
      fault: work.forFault,
      since: work.day,
      drills: work.drills.map((drill) => ({
        drill,
        stage: gates.find((gate) => gate.drill === drill)?.stage ?? null,
      })),
    },
    practised: practisedOf(practice, today),
    measures: toldSeries(record, library, reader).flatMap(
      (series) => measureIn(record, library, series, feels, today) ?? [],
    ),
    owned: ownedOf(record, library).owned,
    nextLesson: nextLessonFrom(intake.lessons, today)?.day ?? null,
    handover: reader === 'coach' ? handoverOf(record) : null,
  };
}

function toldSeries(record: StudentRecord, library: Library, reader: ReportFor): Series[] {
  const { series, focus } = progressOf(record, library);
  const moved = ({ change }: Series) => change.verdict === 'real' || change.verdict === 'maybe';
  return series.filter((one) => focus.includes(one.measure) || (reader === 'coach' && moved(one)));
}

function measureIn(
  record: StudentRecord,
  library: Library,
  { measure, direction }: Series,
  feels: Feels,
  today: IsoDay,
): ReportMeasure | null {
  const story = measureStory(record, library, measure, today);
  const look = story?.looks.at(-1);
  const level = story?.line.at(-1);
  if (!story || !look || !level) return null;
  return {
    measure,
    band: story.band,
    look,
    direction,
    before: look.delta === null ? null : level.level - look.delta,
    now: level.level,
    half95: ((level.hi80 - level.lo80) / 2) * Z95_OF_80,
    since: story.occasions[story.baseline - 1]?.date ?? look.date,
    inBand: story.inBand,
    when: dateOf(story),
    next: story.transfer.next,
    kept: story.kept,
    felt: feltPer(feels.filter((one) => one.measure === measure)),
  };
}

/** Half widths: 95 of 100 by 80 of 100. */
const Z95_OF_80 = Z95 / Z80;
/** From here on nobody waits for it. */
const THERE = 0.8;

const dateOf = ({ inBand, forecast }: MeasureStory): Forecast | null =>
  inBand >= THERE ? null : (forecast.planned?.inBand ?? forecast.done.inBand);

function handoverOf({ intake, prescription, diagnosis, checkins }: StudentRecord): Handover {
  return {
    limits: intake.limits,
    past: prescription.choices.map(({ forFault, drills, reached, day, endedDay }) => ({
      fault: forFault,
      drills: drills.map((drill) => ({ drill, reached: reached[drill] ?? null })),
      from: day,
      to: endedDay,
    })),
    leave: diagnosis.diagnoses.at(-1)?.follow ?? [],
    lastWords: checkins.checkins.at(-1)?.note ?? '',
  };
}
