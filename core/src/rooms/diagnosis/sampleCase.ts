import { resolveSchool, type SchoolChoiceSet } from '../intake/index.ts';
import type { CaseFile } from './caseFile.ts';
import { referenceCase } from './referenceCase.ts';

/** The reference case with what a test of the reasoning rooms says otherwise, and with a school. */
export const sampleCase = (more: Partial<CaseFile> = {}, school: SchoolChoiceSet = {}): CaseFile => ({
  ...referenceCase({ minutesPerWeek: 150 }),
  school: resolveSchool(school),
  ...more,
});

export const seen = (...ids: string[]) => ids.map((id) => ({ id, seen: 'present' as const }));
export const notSeen = (...ids: string[]) => ids.map((id) => ({ id, seen: 'absent' as const }));
