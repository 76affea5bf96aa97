import type { Club, School } from '../intake/index.ts';
import { breastboneAwayIn, bumpIn, shuffleIn } from './amountsByClub.ts';

/** The steps before a swing, in the one order they keep. */
export const ROUTINE_STEPS = [
  'grip',
  'posture',
  'stance',
  'aim',
  'preset',
  'trigger',
  'press',
  'shuffle',
  'go',
] as const;

export interface RoutineStep {
  readonly step: (typeof ROUTINE_STEPS)[number];
  /** How far, inches, lowest and highest; null where nothing is moved by a measure. */
  readonly sizeIn: readonly [lo: number, hi: number] | null;
  /** How far the breastbone goes the other way, inches; 0 = stays. */
  readonly breastboneAwayIn: number;
}

/** Where a school sets the hips before the start, and what of it begins the swing. */
const OF_SCHOOL: Readonly<Record<School['setup_bias'], readonly RoutineStep['step'][]>> = {
  centred: ['trigger'],
  preset: ['preset', 'trigger'],
  pressed: ['press'],
  opened: ['shuffle'],
};

/** A set-up routine by school and club: what a school does not have is not in it, and wedges want less of it. */
export function routineFor({ setup_bias }: Pick<School, 'setup_bias'>, club: Club): RoutineStep[] {
  const steps = ['grip', 'posture', 'stance', 'aim', ...OF_SCHOOL[setup_bias], 'go'] as const;
  return steps.map((step) => ({
    step,
    sizeIn: sizeOf(step, club),
    breastboneAwayIn: step === 'preset' ? breastboneAwayIn(club) : 0,
  }));
}

function sizeOf(step: RoutineStep['step'], club: Club): RoutineStep['sizeIn'] {
  if (step === 'preset' || step === 'press') return [bumpIn(club), bumpIn(club)];
  return step === 'shuffle' ? shuffleIn(club) : null;
}
