import type { CaseFile } from '../diagnosis/index.ts';
import type { IntakeRecord } from '../intake/index.ts';
import { drillHistory } from './drillOutcomes.ts';
import { inUse, type PrescriptionRecord } from './prescriptionRecord.ts';

/**
 * What is known of a student before anything is measured or seen. Drills in use count as active where they
 * serve another fault than `forFault`: those for the same one would be replaced by what is chosen now.
 */
export function knownCase(
  { intake, prescription }: { readonly intake: IntakeRecord; readonly prescription: PrescriptionRecord },
  forFault: string | null = null,
): CaseFile {
  const now = inUse(prescription);
  return {
    student: intake.facts,
    school: intake.school,
    club: 'mid_iron',
    measures: [],
    findings: [],
    active: now && now.forFault !== forFault ? now.drills : [],
    history: drillHistory(prescription.choices),
  };
}
