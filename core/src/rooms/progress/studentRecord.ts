import type { CaptureRecord } from '../capture/index.ts';
import type { CheckinRecord } from '../checkins/index.ts';
import type { DiagnosisRecord } from '../diagnosis/index.ts';
import type { IntakeRecord } from '../intake/index.ts';
import type { MeasuresRecord } from '../measures/index.ts';
import type { PracticeRecord } from '../practice/index.ts';
import type { PrescriptionRecord } from '../prescription/index.ts';

/** A student's whole file: each room's slice. Everything that says where a student stands is asked of it. */
export interface StudentRecord {
  readonly intake: IntakeRecord;
  readonly capture: CaptureRecord;
  readonly measures: MeasuresRecord;
  readonly diagnosis: DiagnosisRecord;
  readonly prescription: PrescriptionRecord;
  readonly practice: PracticeRecord;
  readonly checkins: CheckinRecord;
}

/** What series of measures are made from. */
export interface SeriesFile {
  readonly measures: MeasuresRecord;
  readonly prescription: PrescriptionRecord;
  /** What was logged between films; where it is absent a week is a week. */
  readonly practice?: Pick<PracticeRecord, 'sets'>;
}
