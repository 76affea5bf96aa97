import type { Station } from '@inchstep/core/capture';
import type { ShapeKey, SwingShape } from './swingShape.ts';

/** What one grade of a fault adds: station, quantity, amount. Stance faults act on the setup. */
interface FaultEffect {
  readonly fault: string;
  readonly adds: readonly (readonly [Station, ShapeKey, number])[];
  readonly stance?: {
    readonly ratio?: number;
    readonly offset?: number;
    readonly flex?: number;
    readonly trailFlare?: number;
    readonly startMs?: number;
    readonly startsLate?: number;
  };
}

type Line = readonly [fault: string, adds: string, stance?: FaultEffect['stance']];

const THROUGH = 'shaft_through chest_through finish';

// "stations: quantity amount, quantity amount; stations: .." ; amounts are for one grade.
const LINES: readonly Line[] = [
  ['base_narrow', '', { ratio: -0.17 }],
  ['base_wide', '', { ratio: 0.17 }],
  // Legs that start out bent straighten on the way back and stay so.
  [
    'setup_squat',
    'shaft_back: rise 0.5; arm_back top arm_down delivery impact shaft_through chest_through finish: rise 0.9',
    { flex: 12 },
  ],
  ['hips_off_centre', '', { offset: 0.86 }],
  [
    'false_bump',
    'address: lean 6; shaft_back arm_back: lean 5.5; top arm_down delivery: lean 5; impact shaft_through: lean 3',
  ],
  [
    'sway',
    'shaft_back: shift -0.7; arm_back: shift -1.4, lean -1; top: shift -1.3, lean -1, headX 0.35, leadKnee 6; arm_down: shift -0.5',
  ],
  // The head keeps its place, so that the trunk leans over the pelvis that stayed.
  ['no_load', 'shaft_back: shift 1; arm_back: shift 1.6, lean 3; top: shift 1.3, lean 2.5, headX -0.4'],
  ['frozen_hips', 'arm_back: turn 10; top: turn 14, depth 0.5'],
  ['over_turn', 'arm_back: turn -8; top: turn -14, shoulders -15; arm_down: turn -5, depth -0.35'],
  ['lead_knee_collapse', 'arm_back: leadKnee -10; top: leadKnee -20'],
  ['reverse_pivot', 'arm_back: lean -4; top: lean -6, headX 0.5; arm_down: lean -2'],
  ['hip_hike', 'arm_back: tilt 3, depth 0.5; top: tilt 7.4, depth 1.1, rise 0.3'],
  ['flat_turn', 'arm_back: tilt -4; top: tilt -6'],
  ['head_drift', 'top: headX -1.8; arm_back: headX -1'],
  ['toward_ball_back', 'arm_back: depth 1.0; top: depth 1.6'],
  [
    'hang_back',
    'arm_down: shift -0.9; delivery: shift -1.5; impact: shift -1.5, lean 2; shaft_through: shift -1.4; chest_through: shift -1.4; finish: shift -1.2',
  ],
  ['spin_out', 'arm_down: turn 21, shift -0.5; delivery: turn 14, shift -0.9; impact: turn 8'],
  [
    'over_slide',
    'arm_down: shift 1; delivery: shift 2; impact: shift 1.7; shaft_through: shift 1.6; chest_through: shift 1.2',
  ],
  ['upper_dive', 'arm_down: lean -5; delivery: lean -8.2'],
  [
    'knee_shut',
    'arm_down: leadKnee -18, turn -6; delivery: leadKnee -24, turn -18; impact: leadKnee -10, turn -5',
  ],
  ['depth_loss', `arm_down: depth 0.7; delivery: depth 1.1; impact: depth 2.7; ${THROUGH}: depth 1.9`],
  [
    'trail_knee_kick',
    'arm_down: trailHeelUp 0.6; delivery: trailHeelUp 1.5, trailKnee -14; impact: trailHeelUp 1.8, trailKnee -18',
  ],
  ['lead_hip_pop', 'arm_down: tilt -6.6, rise 1.1; delivery: tilt -5.5, rise 1.1'],
  ['stall', 'delivery: turn -2; impact: turn -14.6; shaft_through: turn -18; chest_through: turn -16'],
  ['wipe', 'impact: shift -1.7; shaft_through: shift -1.4; delivery: shift 0.1'],
  [
    'no_post',
    'impact: rise -0.9, leadKnee 6.5; shaft_through: rise -1.2; chest_through: rise -0.8; finish: rise -0.7',
  ],
  [
    'trail_side_stays',
    'impact: trailHeelUp -0.3; chest_through: turn -10, trailHeelUp -1.2; finish: turn -20, trailHeelUp -2.4, trailKnee -22, trailFootTurn -18',
  ],
  ['no_extension', 'chest_through: incline 12, depth -1'],
  ['stands_up', 'chest_through: incline -8; shaft_through: incline -7; impact: incline -3'],
  // A start after the top: the pelvis is still going away there.
  ['late_start', '', { startMs: -40, startsLate: 1 }],
  ['lost_brace', '', { trailFlare: 11.3 }],
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

/**
 * Grades per fault: 0 none, 1 slight, 2 clear, 3 strong (fractions allowed). At two grades the fault's own
 * strongest finding lies about two steps or more beyond its band (tested).
 */
export type FaultGrades = Readonly<Record<string, number>>;

interface StanceShift {
  ratio: number;
  offset: number;
  flex: number;
  trailFlare: number;
  /** Change of the pelvis's start toward the target, milliseconds; negative is later. */
  startMs: number;
  /** Over 0: the pelvis is still on its way back at the top. */
  startsLate: number;
}

const STANCE_KEYS = ['ratio', 'offset', 'flex', 'trailFlare', 'startMs', 'startsLate'] as const;

/** A shape with the faults' amounts added. */
export function withFaults(
  shape: SwingShape,
  grades: FaultGrades,
): { shape: SwingShape; stance: StanceShift } {
  const changed = structuredClone(shape) as Record<Station, Record<ShapeKey, number>>;
  const stance: StanceShift = { ratio: 0, offset: 0, flex: 0, trailFlare: 0, startMs: 0, startsLate: 0 };
  for (const [fault, grade] of Object.entries(grades)) {
    const effect = FAULT_EFFECTS.find((candidate) => candidate.fault === fault);
    if (!effect) throw new Error(`stand-in golfer: no fault called ${fault}`);
    for (const [station, key, amount] of effect.adds) changed[station][key] += amount * grade;
    for (const key of STANCE_KEYS) {
      stance[key] += (effect.stance?.[key] ?? 0) * grade;
    }
  }
  const late = Math.min(1, stance.startsLate);
  changed.arm_back.shift += 0.3 * late;
  changed.top.shift -= 0.7 * late;
  for (const row of Object.values(changed)) row.trailHeelUp = Math.max(0, row.trailHeelUp);
  return { shape: changed as unknown as SwingShape, stance };
}
