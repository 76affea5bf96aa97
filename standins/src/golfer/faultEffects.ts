import type { Station } from '@inchstep/core/capture';
import type { ShapeKey, SwingShape } from './swingShape.ts';

/** What one grade of a fault adds: station, quantity, amount. Stance faults act on the setup. */
export interface FaultEffect {
  readonly fault: string;
  readonly adds: readonly (readonly [Station, ShapeKey, number])[];
  readonly stance?: {
    readonly ratio?: number;
    readonly offset?: number;
    readonly flex?: number;
    readonly trailFlare?: number;
  };
}

type Line = readonly [fault: string, adds: string, stance?: FaultEffect['stance']];

const THROUGH = 'shaft_through chest_through finish';

// "stations: quantity amount, quantity amount; stations: .." ; amounts are for one grade.
const LINES: readonly Line[] = [
  ['base_narrow', '', { ratio: -0.16 }],
  ['base_wide', '', { ratio: 0.16 }],
  ['setup_squat', '', { flex: 10 }],
  ['hips_off_centre', '', { offset: 0.8 }],
  ['false_bump', 'address: lean 5'],
  ['sway', 'shaft_back: shift -0.7; arm_back: shift -1.4; top: shift -1.3, headX -0.4; arm_down: shift -0.5'],
  ['no_load', 'shaft_back: shift 0.7; arm_back: shift 1.1; top: shift 0.9'],
  ['frozen_hips', 'arm_back: turn 8; top: turn 11, depth 0.4'],
  ['over_turn', 'arm_back: turn -6; top: turn -11, shoulders -12'],
  ['lead_knee_collapse', 'arm_back: leadKnee -10; top: leadKnee -20'],
  ['reverse_pivot', 'arm_back: lean -4; top: lean -6, headX 0.5; arm_down: lean -2'],
  ['hip_hike', 'arm_back: tilt 3, depth 0.5; top: tilt 6, depth 1.2, rise 0.3'],
  ['flat_turn', 'arm_back: tilt -4; top: tilt -6'],
  ['head_drift', 'top: headX -1.8; arm_back: headX -1'],
  ['toward_ball_back', 'arm_back: depth 1.0; top: depth 1.6'],
  [
    'hang_back',
    'arm_down: shift -0.9; delivery: shift -1.5; impact: shift -1.5, lean 2; shaft_through: shift -1.4; chest_through: shift -1.4; finish: shift -1.2',
  ],
  ['spin_out', 'arm_down: turn 14, shift -0.4; delivery: turn 10, shift -0.8; impact: turn 6'],
  [
    'over_slide',
    'arm_down: shift 0.7; delivery: shift 1.4; impact: shift 1.7; shaft_through: shift 1.6; chest_through: shift 1.2',
  ],
  ['upper_dive', 'arm_down: lean -4; delivery: lean -7'],
  ['knee_shut', 'arm_down: leadKnee -16; delivery: leadKnee -22; impact: leadKnee -8'],
  ['depth_loss', `arm_down: depth 0.8; delivery: depth 1.4; impact: depth 1.9; ${THROUGH}: depth 1.2`],
  [
    'trail_knee_kick',
    'arm_down: trailHeelUp 0.6; delivery: trailHeelUp 1.5, trailKnee -14; impact: trailHeelUp 1.8, trailKnee -18',
  ],
  ['lead_hip_pop', 'arm_down: tilt -6, rise 1.0; delivery: tilt -5, rise 1.0'],
  ['stall', 'delivery: turn -2; impact: turn -13; shaft_through: turn -16; chest_through: turn -14'],
  ['wipe', 'impact: shift -1.7; shaft_through: shift -1.4; delivery: shift 0.1'],
  [
    'no_post',
    'impact: rise -0.8, leadKnee 6; shaft_through: rise -1.1; chest_through: rise -1.2; finish: rise -0.8',
  ],
  [
    'trail_side_stays',
    'impact: trailHeelUp -0.3; chest_through: turn -10, trailHeelUp -1.2; finish: turn -20, trailHeelUp -2.4, trailKnee -22, trailFootTurn -18',
  ],
  ['no_extension', 'chest_through: incline 12, depth -1'],
  ['stands_up', 'chest_through: incline -8; shaft_through: incline -7; impact: incline -3'],
  ['late_start', ''],
  ['lost_brace', '', { trailFlare: 10 }],
];

function readAdds(text: string): FaultEffect['adds'] {
  return text
    .split('; ')
    .filter(Boolean)
    .flatMap((part) => {
      const [stations, adds] = part.split(': ') as [string, string];
      return stations.split(' ').flatMap((station) =>
        adds.split(', ').map((add) => {
          const [key, amount] = add.split(' ') as [ShapeKey, string];
          return [station as Station, key, Number(amount)] as const;
        }),
      );
    });
}

export const FAULT_EFFECTS: readonly FaultEffect[] = LINES.map(([fault, adds, stance]) => ({
  fault,
  adds: readAdds(adds),
  ...(stance ? { stance } : {}),
}));

/** Grades per fault: 0 none, 1 slight, 2 clear, 3 strong (fractions allowed). */
export type FaultGrades = Readonly<Record<string, number>>;

export interface StanceShift {
  ratio: number;
  offset: number;
  flex: number;
  trailFlare: number;
}

/** A shape with the faults' amounts added. */
export function withFaults(
  shape: SwingShape,
  grades: FaultGrades,
): { shape: SwingShape; stance: StanceShift } {
  const changed = structuredClone(shape) as Record<Station, Record<ShapeKey, number>>;
  const stance: StanceShift = { ratio: 0, offset: 0, flex: 0, trailFlare: 0 };
  for (const [fault, grade] of Object.entries(grades)) {
    const effect = FAULT_EFFECTS.find((candidate) => candidate.fault === fault);
    if (!effect) throw new Error(`stand-in golfer: no fault called ${fault}`);
    for (const [station, key, amount] of effect.adds) changed[station][key] += amount * grade;
    for (const key of ['ratio', 'offset', 'flex', 'trailFlare'] as const) {
      stance[key] += (effect.stance?.[key] ?? 0) * grade;
    }
  }
  for (const row of Object.values(changed)) row.trailHeelUp = Math.max(0, row.trailHeelUp);
  return { shape: changed as unknown as SwingShape, stance };
}
