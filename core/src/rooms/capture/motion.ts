import type { Vec3 } from '../../foundation/index.ts';
import { LANDMARKS, type Landmark } from './landmarks.ts';

/** Points over time as a file gives them: its own axes, its own unit, its own names. */
export interface RawMotion {
  /** Seconds, rising. */
  readonly times: readonly number[];
  /** Name of a marker to its x, y, z at each time; NaN where it was not seen. */
  readonly markers: ReadonlyMap<string, readonly Vec3[]>;
  /** What the file says of its unit, or null. */
  readonly unit: MotionUnit | null;
}

/** Landmarks over time in the ground frame: inches, x to the target, y to the ball, z up. */
export interface Motion {
  readonly times: readonly number[];
  readonly points: ReadonlyMap<Landmark, readonly Vec3[]>;
}

export const MOTION_UNITS = ['in', 'cm', 'mm', 'm'] as const;
export type MotionUnit = (typeof MOTION_UNITS)[number];
export const IN_PER_UNIT: Readonly<Record<MotionUnit, number>> = {
  in: 1,
  cm: 1 / 2.54,
  mm: 1 / 25.4,
  m: 1 / 0.0254,
};

const KNOWN = new Set<string>(LANDMARKS);

/** "Left Hip", "L_HIP" and "lead_hip" to a landmark; null for names that are none of ours. */
export function landmarkNamed(name: string, leftHanded: boolean): Landmark | null {
  const plain = name
    .trim()
    .replace(/([a-z])([A-Z])/g, '$1_$2')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_');
  if (KNOWN.has(plain)) return plain as Landmark;
  const side = /^(left|l|right|r)_(.+)$/.exec(plain);
  if (!side) return null;
  const isLead = side[1]?.startsWith('l') !== leftHanded;
  const own = `${isLead ? 'lead' : 'trail'}_${side[2]}`;
  return KNOWN.has(own) ? (own as Landmark) : null;
}

export const LOST: Vec3 = [Number.NaN, Number.NaN, Number.NaN];
export const isLost = ([x, y, z]: Vec3): boolean => !Number.isFinite(x + y + z);
