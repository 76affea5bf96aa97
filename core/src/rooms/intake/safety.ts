import type { Limit } from './student.ts';

export const BODY_AREAS = ['back', 'hip', 'knee', 'ankle'] as const;
type BodyArea = (typeof BODY_AREAS)[number];

/** The answers given at intake (and again whenever something changes). */
interface SafetyAnswers {
  readonly painNow: boolean;
  readonly painWhere: string;
  readonly surgeryOrInjuryInYear: boolean;
  readonly injuredAreas: readonly BodyArea[];
  readonly trouble: readonly BodyArea[];
  readonly dizziness: boolean;
  readonly clinicianRestriction: string;
  readonly pregnant: boolean;
}

export interface LimitReason {
  readonly limit: Limit;
  readonly because: 'pain_now' | 'injured_in_year' | 'trouble' | 'dizziness' | 'clinician' | 'pregnant';
}

/**
 * Answers to limits, each with the answer it came from. Not medical advice: the rules only
 * make the drill choice more careful, and a clinician's restriction closes every marked load.
 */
export function limitsFrom(answers: SafetyAnswers): LimitReason[] {
  const reasons: LimitReason[] = [];
  const say = (limit: Limit, because: LimitReason['because']) => reasons.push({ limit, because });
  if (answers.painNow) say('pain', 'pain_now');
  for (const area of answers.trouble) say(area, 'trouble');
  if (answers.surgeryOrInjuryInYear) {
    for (const area of answers.injuredAreas) say(area, 'injured_in_year');
  }
  if (answers.dizziness) say('balance', 'dizziness');
  if (answers.clinicianRestriction.trim() !== '') {
    for (const area of BODY_AREAS) say(area, 'clinician');
    say('balance', 'clinician');
  }
  if (answers.pregnant) {
    say('back', 'pregnant');
    say('balance', 'pregnant');
  }
  return reasons;
}

/** The limits alone, each once. */
export const limitSet = (answers: SafetyAnswers): Limit[] => [
  ...new Set(limitsFrom(answers).map((reason) => reason.limit)),
];

export const NO_TROUBLE: SafetyAnswers = {
  painNow: false,
  painWhere: '',
  surgeryOrInjuryInYear: false,
  injuredAreas: [],
  trouble: [],
  dizziness: false,
  clinicianRestriction: '',
  pregnant: false,
};
