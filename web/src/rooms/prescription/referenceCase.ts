import type { CaseFile } from '@inchstep/core/diagnosis';
import { resolveSchool } from '@inchstep/core/intake';

/** An adult of some height without limits, for pages that belong to no student. */
export const referenceCase = (heightIn: number, left: boolean): CaseFile => ({
  student: {
    handedness: left ? 'left' : 'right',
    heightIn,
    ageYears: 40,
    flexibility: 'usual',
    armSwing: 'usual',
    beginner: false,
    limits: [],
    aids: [],
    places: ['home', 'range'],
    cueLiking: { kind: 'any', side: 'any' },
    films: ['face_on'],
    minutesPerWeek: 120,
    ballsPerVisit: 60,
  },
  school: resolveSchool({}),
  club: 'mid_iron',
  measures: [],
  findings: [],
  active: [],
  history: [],
});
