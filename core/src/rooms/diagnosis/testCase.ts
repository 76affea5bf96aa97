import { resolveSchool, type SchoolChoiceSet } from '../intake/index.ts';
import type { CaseFile } from './caseFile.ts';

/** An adult with every aid and no limits, for the tests of the reasoning rooms. */
export function testCase(more: Partial<CaseFile> = {}, school: SchoolChoiceSet = {}): CaseFile {
  return {
    student: {
      handedness: 'right',
      heightIn: 70,
      ageYears: 40,
      flexibility: 'usual',
      armSwing: 'usual',
      beginner: false,
      limits: [],
      aids: [],
      places: ['home', 'range'],
      cueLiking: { kind: 'any', side: 'any' },
      films: ['face_on', 'down_the_line'],
      minutesPerWeek: 150,
      ballsPerVisit: 60,
    },
    school: resolveSchool(school),
    club: 'mid_iron',
    measures: [],
    findings: [],
    active: [],
    history: [],
    ...more,
  };
}

export const seen = (...ids: string[]) => ids.map((id) => ({ id, seen: 'present' as const }));
export const notSeen = (...ids: string[]) => ids.map((id) => ({ id, seen: 'absent' as const }));
