/** A point or direction in inches: [x toward the target, y toward the ball, z up]. */
export type Vec3 = readonly [number, number, number];

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const norm = (a: Vec3): number => Math.sqrt(dot(a, a));
export const distance = (a: Vec3, b: Vec3): number => norm(sub(a, b));
export const midpoint = (a: Vec3, b: Vec3): Vec3 => scale(add(a, b), 0.5);
export const mix = (a: Vec3, b: Vec3, t: number): Vec3 => add(scale(a, 1 - t), scale(b, t));

export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Unit vector along `a`; the zero vector has no direction and throws. */
export function unit(a: Vec3): Vec3 {
  const length = norm(a);
  if (length === 0) throw new Error('unit: the zero vector has no direction');
  return scale(a, 1 / length);
}

/** Angle between two directions, degrees 0..180. */
export function angleDeg(a: Vec3, b: Vec3): number {
  const cosine = dot(a, b) / (norm(a) * norm(b));
  return toDeg(Math.acos(Math.min(1, Math.max(-1, cosine))));
}

export const toDeg = (radians: number): number => (radians * 180) / Math.PI;
export const toRad = (degrees: number): number => (degrees * Math.PI) / 180;
export const clamp = (value: number, low: number, high: number): number =>
  Math.min(high, Math.max(low, value));
