import type { ShotFieldId } from '@inchstep/core/capture';

export interface ShotWords {
  readonly name: string;
  readonly unit: string;
  /** What plus and minus mean, where it is not right and left. */
  readonly plus?: string;
  readonly minus?: string;
}

export const SHOT_WORDS: Readonly<Record<ShotFieldId, ShotWords>> = {
  lowPointIn: { name: 'Low point', unit: 'in', plus: 'ahead of the ball', minus: 'behind the ball' },
  strikeIn: { name: 'Strike across the face', unit: 'in', plus: 'toward the toe', minus: 'toward the heel' },
  startLineDeg: { name: 'Start line', unit: '°' },
  curveDeg: { name: 'Curve', unit: '°' },
  pathDeg: { name: 'Club path', unit: '°' },
  faceDeg: { name: 'Club face', unit: '°' },
  clubSpeedMph: { name: 'Club speed', unit: 'mph' },
  ballSpeedMph: { name: 'Ball speed', unit: 'mph' },
  carryYd: { name: 'Carry', unit: 'yd' },
};

export const SIGN_WORDS = {
  present: 'the shots show it',
  absent: 'the shots rule it out',
  not_looked: 'too close to call',
} as const;
