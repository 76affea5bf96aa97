import { cameraFrame } from '@inchstep/core/capture';
import type { Vec3 } from '@inchstep/core/foundation';
import { Matrix4, PerspectiveCamera } from 'three';
import type { StandInCamera } from '../devices/camera.ts';

export const IMPACT_S = 85 / 60;

/** Eyes on the ball, then after it down the range. */
export function gaze(seconds: number): Vec3 {
  const u = Math.min(1, Math.max(0, (seconds - IMPACT_S - 0.05) / 0.45));
  const ease = u * u * (3 - 2 * u);
  return [ease * 260, -ease * 30, ease * 55];
}

/** The stand-in's camera as the renderer's. */
export function solvedCamera(standIn: StandInCamera): PerspectiveCamera {
  const { widthPx, heightPx, kind } = standIn.view;
  const [x, y, z, , , , focal] = standIn.truth as [number, number, number, number, number, number, number];
  const fov = (2 * Math.atan(heightPx / 2 / focal) * 180) / Math.PI;
  const camera = new PerspectiveCamera(fov, widthPx / heightPx, 10, 6000);
  const { right, up, forward } = cameraFrame(kind, standIn.truth);
  const t = (v: Vec3) => [v[0], v[2], v[1]] as const;
  const [r, u, f] = [t(right), t(up), t(forward)];
  const world = new Matrix4().set(
    r[0],
    u[0],
    -f[0],
    x,
    r[1],
    u[1],
    -f[1],
    z,
    r[2],
    u[2],
    -f[2],
    y,
    0,
    0,
    0,
    1,
  );
  camera.matrixAutoUpdate = false;
  camera.matrix.copy(world);
  camera.matrixWorld.copy(world);
  camera.matrixWorldInverse.copy(world).invert();
  return camera;
}
