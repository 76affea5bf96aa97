/** The made-up students of Quarry Lane Practice Ground, as their intake forms say. */
export interface Person {
  readonly key: string;
  readonly profile: Record<string, unknown>;
  /** Born this many years (and 100 days) before today. */
  readonly age: number;
  readonly heightIn: number;
  readonly left?: boolean;
}

const NO_TROUBLE = {
  painNow: false,
  painWhere: '',
  surgeryOrInjuryInYear: false,
  injuredAreas: [],
  trouble: [],
  dizziness: false,
  clinicianRestriction: '',
  pregnant: false,
};

const usual = {
  outerHipWidthIn: null,
  hipJointsApartIn: null,
  flexibility: 'usual',
  armSwing: 'usual',
  beginner: false,
  aids: ['stick', 'phone', 'chair', 'wall', 'box'],
  places: ['home', 'range'],
  cueLiking: { kind: 'any', side: 'any' },
  films: ['face_on', 'down_the_line'],
  days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
  minutesPerDay: { mon: 20, tue: 20, wed: 20, thu: 20, fri: 20, sat: 45, sun: 30 },
  placeByDay: { tue: 'range', thu: 'range', sat: 'range' },
  ballsPerVisit: 50,
  school: { preset: 'centre_and_turn' },
  safety: NO_TROUBLE,
  guardianConsent: null,
  aims: '',
  nextLesson: null,
  mail: null,
};

export const PEOPLE: readonly Person[] = [
  {
    key: 'priya',
    age: 34,
    heightIn: 65,
    profile: {
      ...usual,
      firstName: 'Priya',
      familyName: 'Raman',
      flexibility: 'supple',
      aims: 'A shorter swing that holds up with the driver.',
      cueLiking: { kind: 'external', side: 'any' },
    },
  },
  {
    key: 'gus',
    age: 51,
    heightIn: 72,
    left: true,
    profile: {
      ...usual,
      firstName: 'Gus',
      familyName: 'Lindqvist',
      aims: 'Stop pushing it; less sore after eighteen holes.',
    },
  },
  {
    key: 'odette',
    age: 66,
    heightIn: 64,
    profile: {
      ...usual,
      firstName: 'Odette',
      familyName: 'Marchand',
      flexibility: 'stiff',
      aims: 'Turn without paying for it the next day.',
      safety: { ...NO_TROUBLE, trouble: ['back'] },
      minutesPerDay: { mon: 15, wed: 15, fri: 15 },
      days: ['mon', 'wed', 'fri'],
      placeByDay: { fri: 'range' },
      ballsPerVisit: 30,
    },
  },
  {
    key: 'kofi',
    age: 27,
    heightIn: 74,
    profile: {
      ...usual,
      firstName: 'Kofi',
      familyName: 'Asante',
      aims: 'Keep the length, lose the block.',
      school: { preset: 'centre_and_turn' },
      ballsPerVisit: 90,
    },
  },
  {
    key: 'hanne',
    age: 13,
    heightIn: 60,
    profile: {
      ...usual,
      firstName: 'Hanne',
      familyName: 'Dahl',
      aims: 'Play the junior medal.',
      aids: ['stick', 'basket', 'phone'],
      guardianConsent: { guardian: 'Marit Dahl', on: '2026-01-10' },
      minutesPerDay: { tue: 20, thu: 20, sat: 30 },
      days: ['tue', 'thu', 'sat'],
      placeByDay: { tue: 'range', thu: 'range', sat: 'range' },
      ballsPerVisit: 40,
    },
  },
  {
    key: 'rafael',
    age: 42,
    heightIn: 70,
    profile: {
      ...usual,
      firstName: 'Rafael',
      familyName: 'Quintero',
      aims: 'Hit it straight for once. Works mornings, range only on Sundays.',
      minutesPerDay: { mon: 15, wed: 15, fri: 15, sun: 40 },
      days: ['mon', 'wed', 'fri', 'sun'],
      placeByDay: { sun: 'range' },
    },
  },
  {
    key: 'mei',
    age: 38,
    heightIn: 63,
    profile: {
      ...usual,
      firstName: 'Mei',
      familyName: 'Tanaka',
      aims: 'More turn through the ball. Lives far away: check-ins only.',
      films: ['face_on'],
      cueLiking: { kind: 'inner', side: 'lead' },
    },
  },
  {
    key: 'piet',
    age: 58,
    heightIn: 71,
    profile: {
      ...usual,
      firstName: 'Piet',
      familyName: 'Visser',
      aims: 'Trust the new knee.',
      safety: { ...NO_TROUBLE, surgeryOrInjuryInYear: true, injuredAreas: ['knee'], trouble: ['knee'] },
    },
  },
  {
    key: 'wren',
    age: 30,
    heightIn: 69,
    profile: { ...usual, firstName: 'Wren', familyName: 'Oyelaran', aims: 'First lesson this week.' },
  },
];
