import type { CaseFile } from '@inchstep/core/diagnosis';
import { resolveSchool } from '@inchstep/core/intake';

/** An adult without limits, for tests of the screens. */
export const referenceFile = (): CaseFile => ({
  student: {
    handedness: 'right',
    heightIn: 70,
    ageYears: 40,
    flexibility: 'usual',
    armSwing: 'usual',
    beginner: false,
    limits: [],
    aids: ['stick', 'wall', 'phone'],
    places: ['home', 'range'],
    cueLiking: { kind: 'any', side: 'any' },
    films: ['face_on', 'down_the_line'],
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
