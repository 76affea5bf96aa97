import { add, cross, scale, sub, unit, type Vec3 } from '@inchstep/core/foundation';
import {
  CapsuleGeometry,
  ConeGeometry,
  CylinderGeometry,
  Group,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  SphereGeometry,
} from 'three';
import type { Look } from '../demo/cast.ts';

const matte = (color: string, roughness = 0.85) => new MeshStandardMaterial({ color, roughness });

/** A head of about 4.6 in radius, face toward local +Z, crown toward +Y; inches. */
export function makeHead(look: Look): Group {
  const head = new Group();
  const skin = matte(look.skin, 0.7);
  const put = (mesh: Mesh, x: number, y: number, z: number, sx = 1, sy = 1, sz = 1) => {
    mesh.position.set(x, y, z);
    mesh.scale.set(sx, sy, sz);
    mesh.castShadow = true;
    head.add(mesh);
    return mesh;
  };
  const ball = (radius: number, material: MeshStandardMaterial) =>
    new Mesh(new SphereGeometry(radius, 28, 20), material);
  put(ball(3.9, skin), 0, 0.9, 0, 0.86, 1, 1);
  put(ball(2.9, skin), 0, -1.9, 0.9, 0.86, 0.95, 0.92);
  put(new Mesh(new ConeGeometry(0.55, 1.5, 12), skin), 0, -0.3, 3.9).rotation.x = Math.PI * 0.42;
  for (const side of [-1, 1]) {
    put(ball(0.52, matte('#f4f1ec', 0.4)), side * 1.35, 0.55, 3.25, 1.15, 0.8, 0.7);
    put(ball(0.3, matte('#2a1d14', 0.3)), side * 1.32, 0.5, 3.62, 1, 1, 0.6);
    put(
      new Mesh(
        new CapsuleGeometry(0.16, 1.1, 4, 8),
        matte(look.hairStyle === 'bald' ? '#5a4634' : look.hair),
      ),
      side * 1.35,
      1.3,
      3.45,
    ).rotation.z = Math.PI / 2 + side * 0.1;
    put(ball(0.85, skin), side * 3.4, -0.1, -0.1, 0.45, 1.1, 0.75);
  }
  put(new Mesh(new CapsuleGeometry(0.2, 1.2, 4, 8), matte('#9a5a4c')), 0, -2.3, 3.35).rotation.z =
    Math.PI / 2;
  addHair(look, head, put);
  if (look.cap) addCap(look.cap, put);
  return head;
}

type Put = (mesh: Mesh, x: number, y: number, z: number, sx?: number, sy?: number, sz?: number) => Mesh;

function addHair(look: Look, _head: Group, put: Put): void {
  if (look.hairStyle === 'bald') return;
  const hair = matte(look.hair, 0.95);
  const shell = new SphereGeometry(4.12, 28, 20, 0, Math.PI * 2, 0, Math.PI * 0.53);
  put(new Mesh(shell, hair), 0, 0.95, -0.25, 0.9, 1.02, 1).rotation.x = -0.62;
  put(new Mesh(new SphereGeometry(3.4, 20, 16), hair), 0, 0.1, -1.05, 0.98, 1, 0.92);
  if (look.hairStyle === 'tail') {
    const tail = put(new Mesh(new CapsuleGeometry(0.95, 5, 6, 12), hair), 0, -2.6, -4.0);
    tail.rotation.x = 0.12;
  }
  if (look.hairStyle === 'bun') put(new Mesh(new SphereGeometry(1.7, 16, 12), hair), 0, 1.9, -3.9);
  if (look.hairStyle === 'long')
    put(new Mesh(new CapsuleGeometry(2.7, 3.4, 6, 16), hair), 0, -2, -1.7, 1.15, 1, 0.62);
}

function addCap(color: string, put: Put): void {
  const cloth = matte(color, 0.9);
  const crown = new SphereGeometry(4.25, 28, 20, 0, Math.PI * 2, 0, Math.PI * 0.48);
  put(new Mesh(crown, cloth), 0, 1.25, 0, 0.9, 0.95, 1);
  const peak = put(
    new Mesh(new CylinderGeometry(3, 3, 0.25, 28, 1, false, -Math.PI / 2, Math.PI), cloth),
    0,
    1.5,
    3.2,
    0.95,
    1,
    1.05,
  );
  peak.rotation.x = 0.12;
}

/** Stands the head at a point, facing a target; the crown leans with the spine. */
export function placeHead(head: Group, at: Vec3, facing: Vec3, crown: Vec3, size: number): void {
  const forward = unit(sub(facing, at));
  const right = unit(cross(crown, forward));
  const up = cross(forward, right);
  const three = (v: Vec3): [number, number, number] => [v[0], v[2], v[1]];
  const [r, u, f] = [three(right), three(up), three(forward)];
  // Our frame is mirrored against three's, so the face's left and right swap: it is symmetric.
  const m = new Matrix4().set(-r[0], u[0], f[0], 0, -r[1], u[1], f[1], 0, -r[2], u[2], f[2], 0, 0, 0, 0, 1);
  head.setRotationFromMatrix(m);
  const p = three(add(at, scale(up, 0)));
  head.position.set(p[0], p[1], p[2]);
  head.scale.setScalar(size);
}
