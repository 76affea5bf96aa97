import type { Club } from '../intake/index.ts';

export const STAGES = ['still', 'slow', 'half', 'three_quarter', 'full', 'clubs', 'course'] as const;
export type Stage = (typeof STAGES)[number];

interface StageRow {
  readonly id: Stage;
  readonly speedPct: number;
  readonly ball: boolean;
  /** Needs the drill's measure in band, besides the count of passed repetitions. */
  readonly measureGate: boolean;
  /** Repetitions and days that a usual player spends here before the gate opens. */
  readonly reps: number;
  readonly days: number;
  /** One look in this many sets. */
  readonly lookEvery: number;
  readonly clubs: readonly Club[];
}

export const STAGE_ROWS: readonly StageRow[] = [
  { id: 'still', speedPct: 0, ball: false, measureGate: false, reps: 60, days: 2, lookEvery: 1, clubs: [] },
  { id: 'slow', speedPct: 30, ball: false, measureGate: false, reps: 150, days: 3, lookEvery: 3, clubs: [] },
  {
    id: 'half',
    speedPct: 55,
    ball: true,
    measureGate: true,
    reps: 36,
    days: 3,
    lookEvery: 1,
    clubs: ['short_iron'],
  },
  {
    id: 'three_quarter',
    speedPct: 75,
    ball: true,
    measureGate: true,
    reps: 45,
    days: 3,
    lookEvery: 3,
    clubs: ['short_iron', 'mid_iron'],
  },
  {
    id: 'full',
    speedPct: 100,
    ball: true,
    measureGate: true,
    reps: 54,
    days: 3,
    lookEvery: 5,
    clubs: ['mid_iron', 'short_iron'],
  },
  {
    id: 'clubs',
    speedPct: 100,
    ball: true,
    measureGate: false,
    reps: 45,
    days: 2,
    lookEvery: 5,
    clubs: ['wedge', 'short_iron', 'mid_iron', 'long_iron', 'wood', 'driver'],
  },
  {
    id: 'course',
    speedPct: 100,
    ball: true,
    measureGate: false,
    reps: 9,
    days: 1,
    lookEvery: 9,
    clubs: ['mid_iron'],
  },
];

export function stageRow(stage: Stage): StageRow {
  const row = STAGE_ROWS.find((candidate) => candidate.id === stage);
  if (!row) throw new Error(`stageRow: ${stage}`);
  return row;
}

export const stageAfter = (stage: Stage): Stage | null => STAGES[STAGES.indexOf(stage) + 1] ?? null;
export const stageBefore = (stage: Stage): Stage | null => STAGES[STAGES.indexOf(stage) - 1] ?? null;

/** Two rehearsals, one ball, look. */
export const REHEARSALS_PER_BALL = 2;
export const SECONDS = { rehearsal: 6, ball: 35, look: 40, restPerSet: 20 } as const;
