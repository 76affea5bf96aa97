import { REFERENCE_HEIGHT_IN, resolveSchool, type StudentFacts } from '../intake/index.ts';
import type { CaseFile } from './caseFile.ts';

/**
 * A grown player without limits or aids, of the usual school, of whom nothing is measured or seen: for pages
 * that belong to no student, for studies and for tests, each with what it says otherwise.
 */
export const referenceCase = (student: Partial<StudentFacts> = {}): CaseFile => ({
  student: {
    handedness: 'right',
    heightIn: REFERENCE_HEIGHT_IN,
    ageYears: 40,
    flexibility: 'usual',
    armSwing: 'usual',
    beginner: false,
    limits: [],
    aids: [],
    places: ['home', 'range'],
    cueLiking: { kind: 'any', side: 'any' },
    films: ['face_on', 'down_the_line'],
    minutesPerWeek: 120,
    ballsPerVisit: 60,
    ...student,
  },
  school: resolveSchool({}),
  club: 'mid_iron',
  measures: [],
  findings: [],
  active: [],
  history: [],
});
