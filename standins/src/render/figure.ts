import { add, cross, mix, scale, sub, unit, type Vec3 } from '@inchstep/core/foundation';
import {
  Color,
  CylinderGeometry,
  Group,
  Mesh,
  MeshStandardMaterial,
  Quaternion,
  SphereGeometry,
  Vector3,
} from 'three';
import type { Look } from '../demo/cast.ts';
import type { Pose } from '../golfer/body.ts';
import { makeHead, placeHead } from './head.ts';
import { limbRings, type Ring, Tube } from './surfaces.ts';

const LEG_RADII = [
  [-0.02, 3.5],
  [0.06, 3.55],
  [0.2, 3.15],
  [0.36, 2.6],
  [0.46, 2.35],
  [0.5, 2.3],
  [0.54, 2.25],
  [0.64, 2.3],
  [0.78, 2.1],
  [0.9, 1.9],
  [0.985, 2.0],
] as const;
const SLEEVE_RADII = [
  [-0.05, 0.5],
  [-0.035, 1.25],
  [0, 1.8],
  [0.06, 2.05],
  [0.16, 1.95],
  [0.28, 1.9],
  [0.33, 1.95],
] as const;
const ARM_RADII = [
  [0.28, 1.4],
  [0.4, 1.32],
  [0.48, 1.25],
  [0.52, 1.25],
  [0.62, 1.3],
  [0.78, 1.1],
  [0.92, 0.85],
  [1.0, 0.9],
] as const;

const cloth = (color: string, roughness = 0.9) => new MeshStandardMaterial({ color, roughness });

/** A dressed golfer with club and shoes, moved by poses. */
export class Figure {
  readonly group = new Group();
  private readonly k: number;
  private readonly build: number;
  private readonly legsWide: number;
  private readonly legs: Record<'lead' | 'trail', Tube>;
  private readonly sleeves: Record<'lead' | 'trail', Tube>;
  private readonly arms: Record<'lead' | 'trail', Tube>;
  private readonly hands: Record<'lead' | 'trail', Mesh>;
  private readonly shoes: Record<'lead' | 'trail', Group>;
  private readonly shirt: Tube;
  private readonly hips: Tube;
  private readonly skirt: Tube | null;
  private readonly belt: Tube;
  private readonly neck: Tube;
  private readonly head: Group;
  private readonly shaft: Mesh;
  private readonly grip: Mesh;
  private readonly clubHead: Mesh;

  constructor(look: Look, heightIn: number) {
    this.k = heightIn / 70;
    this.build = look.build;
    this.legsWide = look.legsWide ?? 1;
    const skin = cloth(look.skin, 0.7);
    const shirt = cloth(look.shirt);
    const trousers = cloth(look.trousers);
    const add3 = <T extends Tube>(tube: T) => {
      this.group.add(tube.mesh);
      return tube;
    };
    const sides = <T>(make: () => T): Record<'lead' | 'trail', T> => ({ lead: make(), trail: make() });
    this.legs = sides(() => add3(new Tube(look.skirt ? skin : trousers, LEG_RADII.length)));
    this.skirt = look.skirt ? add3(new Tube(trousers, SKIRT_SHARES.length)) : null;
    this.sleeves = sides(() => add3(new Tube(shirt, SLEEVE_RADII.length)));
    this.arms = sides(() => add3(new Tube(skin, ARM_RADII.length)));
    this.hips = add3(new Tube(trousers, 5));
    this.belt = add3(new Tube(cloth('#3a2a20', 0.6), 3));
    this.shirt = add3(new Tube(look.stripes ? cloth('#ffffff') : shirt, 9));
    if (look.stripes) {
      (this.shirt.mesh.material as MeshStandardMaterial).vertexColors = true;
      this.shirt.stripe(new Color(look.shirt), new Color(look.stripes));
    }
    this.neck = add3(new Tube(skin, 4));
    this.head = makeHead(look);
    this.hands = {
      lead: this.solid(new SphereGeometry(1.5, 16, 12), cloth('#f3f1ec', 0.6)),
      trail: this.solid(new SphereGeometry(1.45, 16, 12), skin),
    };
    this.shoes = sides(() => this.makeShoe(look.shoes));
    this.shaft = this.solid(
      new CylinderGeometry(0.22, 0.28, 1, 10),
      new MeshStandardMaterial({ color: '#8d949b', roughness: 0.35, metalness: 0.6 }),
    );
    this.grip = this.solid(new CylinderGeometry(0.5, 0.42, 1, 12), cloth('#1e1f22', 0.8));
    this.clubHead = this.solid(
      new SphereGeometry(1.5, 16, 10),
      new MeshStandardMaterial({ color: '#9aa1a8', roughness: 0.3, metalness: 0.6 }),
    );
    this.group.add(this.head);
  }

  private solid(geometry: ConstructorParameters<typeof Mesh>[0], material: MeshStandardMaterial): Mesh {
    const mesh = new Mesh(geometry, material);
    mesh.castShadow = true;
    this.group.add(mesh);
    return mesh;
  }

  private makeShoe(color: string): Group {
    const shoe = new Group();
    const upper = new Mesh(new SphereGeometry(1, 24, 16), cloth(color, 0.6));
    upper.scale.set(1.95, 1.75, 5.4);
    upper.position.set(0, 1.0, 2.3);
    const ankle = new Mesh(new SphereGeometry(1, 20, 14), cloth(color, 0.6));
    ankle.scale.set(1.75, 2.1, 2.3);
    ankle.position.set(0, 1.6, -0.6);
    const sole = new Mesh(new SphereGeometry(1, 24, 12), cloth('#2c2c2c'));
    sole.scale.set(2.05, 0.55, 5.6);
    sole.position.set(0, 0.35, 2.3);
    for (const part of [upper, ankle, sole]) {
      part.castShadow = true;
      shoe.add(part);
    }
    this.group.add(shoe);
    return shoe;
  }

  /** `eyesOn` is what the face looks at. */
  pose(pose: Pose, eyesOn: Vec3): void {
    const L = pose.landmarks;
    const { k, build } = this;
    const hipLine = unit(sub(L.lead_hip, L.trail_hip));
    const shoulderLine = unit(sub(L.lead_shoulder, L.trail_shoulder));
    const pelvis = mix(L.lead_hip, L.trail_hip, 0.5);
    const size = k * build;
    for (const side of ['lead', 'trail'] as const) {
      const sign = side === 'lead' ? 1 : -1;
      const hip = add(L[`${side}_hip`], scale(hipLine, sign * 0.9 * k));
      const radii = (table: readonly (readonly [number, number])[], wide = 1) =>
        table.map(([share, r]) => [share, r * size * wide] as const);
      this.legs[side].shape(
        limbRings(hip, L[`${side}_knee`], L[`${side}_ankle`], radii(LEG_RADII, this.legsWide), hipLine),
      );
      const shoulder = L[`${side}_shoulder`];
      this.sleeves[side].shape(
        limbRings(shoulder, pose.elbows[side], L.grip, radii(SLEEVE_RADII), [0.3, 0.9, 0.2]),
      );
      this.arms[side].shape(
        limbRings(shoulder, pose.elbows[side], L.grip, radii(ARM_RADII), [0.3, 0.9, 0.2]),
      );
      this.placeShoe(side, L[`${side}_heel`], L[`${side}_toe`]);
    }
    this.skirt?.shape(skirtRings(L, hipLine, size));
    this.shapeTrunk(pelvis, L.neck, hipLine, shoulderLine, size);
    this.shapeNeck(L.neck, L.head, shoulderLine, size);
    const crown = unit(sub(L.head, L.neck));
    placeHead(this.head, add(L.head, scale(crown, 0.2 * k)), eyesOn, crown, 0.98 * k);
    this.placeClub(L.grip, pose.clubHead);
    const shaftWay = unit(sub(pose.clubHead, L.grip));
    place(this.hands.lead, add(L.grip, scale(shaftWay, -1.2 * k)), 1.05 * k, 0.9 * k, 1.25 * k);
    place(this.hands.trail, add(L.grip, scale(shaftWay, 1.4 * k)), 1.05 * k, 0.9 * k, 1.2 * k);
  }

  private shapeTrunk(pelvis: Vec3, neck: Vec3, hipLine: Vec3, shoulderLine: Vec3, size: number): void {
    const way = unit(sub(neck, pelvis));
    const long = Math.hypot(...sub(neck, pelvis));
    const ring = (share: number, wide: number, deep: number, lift: Vec3 = [0, 0, 0]): Ring => {
      const turn = Math.min(1, Math.max(0, (share - 0.12) / 0.6));
      const twisted = unit(add(scale(hipLine, 1 - turn), scale(shoulderLine, turn)));
      return {
        at: add(add(pelvis, scale(way, share * long)), lift),
        wide: wide * size,
        deep: deep * size,
        across: twisted,
      };
    };
    const behind = unit(cross(way, hipLine));
    const back = scale(behind, (behind[1] > 0 ? -1 : 1) * 0.5);
    this.hips.shape([
      ring(-0.17, 3.6, 3.2, back),
      ring(-0.1, 5.3, 4.3, back),
      ring(0, 6.3, 4.8, back),
      ring(0.1, 6.3, 4.5),
      ring(0.19, 5.9, 4.2),
    ]);
    this.belt.shape([ring(0.17, 6.05, 4.35), ring(0.2, 6.05, 4.35), ring(0.23, 6.0, 4.3)]);
    this.shirt.shape([
      ring(0.2, 6.1, 4.4),
      ring(0.28, 5.95, 4.35),
      ring(0.42, 6.0, 4.3),
      ring(0.58, 6.6, 4.5),
      ring(0.72, 7.2, 4.6),
      ring(0.83, 7.6, 4.3),
      ring(0.91, 7.3, 3.5),
      ring(0.97, 4.6, 2.8),
      ring(1.02, 2.6, 2.4),
    ]);
  }

  private shapeNeck(neck: Vec3, head: Vec3, across: Vec3, size: number): void {
    const at = (share: number): Vec3 => mix(neck, head, share);
    this.neck.shape(
      [-0.1, 0.2, 0.5, 0.8].map((share) => ({ at: at(share), wide: 1.8 * size, deep: 1.85 * size, across })),
    );
  }

  private placeShoe(side: 'lead' | 'trail', heel: Vec3, toe: Vec3): void {
    const shoe = this.shoes[side];
    const way = unit(sub(toe, heel));
    shoe.position.set(
      heel[0] + way[0] * 1.6 * this.k,
      heel[2] - 0.95 * this.k,
      heel[1] + way[1] * 1.6 * this.k,
    );
    shoe.quaternion.setFromUnitVectors(new Vector3(0, 0, 1), new Vector3(way[0], way[2], way[1]));
    shoe.scale.setScalar(0.98 * this.k);
  }

  private placeClub(grip: Vec3, end: Vec3): void {
    stretch(this.shaft, grip, end);
    const way = unit(sub(end, grip));
    stretch(this.grip, add(grip, scale(way, -4 * this.k)), add(grip, scale(way, 6 * this.k)));
    place(this.clubHead, end, 1.1, 0.75, 0.9);
  }
}

/** From the waist to above the knee, wide enough for both thighs in it. */
const SKIRT_SHARES = [-0.12, 0.05, 0.25, 0.5, 0.75] as const;
function skirtRings(L: Pose['landmarks'], across: Vec3, size: number): Ring[] {
  return SKIRT_SHARES.map((share) => {
    const [lead, trail] = (['lead', 'trail'] as const).map((side) =>
      mix(L[`${side}_hip`], L[`${side}_knee`], share),
    ) as [Vec3, Vec3];
    const flare = 1 + 0.25 * Math.max(0, share);
    const wide = Math.hypot(...sub(lead, trail)) / 2 + 4.7 * size * flare;
    return { at: mix(lead, trail, 0.5), wide, deep: 5.5 * size * flare, across };
  });
}

function place(mesh: Mesh, at: Vec3, sx: number, sy: number, sz: number): void {
  mesh.position.set(at[0], at[2], at[1]);
  mesh.scale.set(sx, sy, sz);
}

/** Lays a unit cylinder from `a` to `b`. */
function stretch(mesh: Mesh, a: Vec3, b: Vec3): void {
  const middle = mix(a, b, 0.5);
  const way = new Vector3(b[0] - a[0], b[2] - a[2], b[1] - a[1]);
  mesh.scale.set(1, way.length(), 1);
  mesh.position.set(middle[0], middle[2], middle[1]);
  mesh.quaternion.copy(new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), way.normalize()));
}
