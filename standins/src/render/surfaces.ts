import { add, cross, dot, scale, sub, unit, type Vec3 } from '@inchstep/core/foundation';
import { BufferGeometry, type Color, Float32BufferAttribute, type Material, Mesh } from 'three';

/** One ring of a tube: where it is, its half-widths, and which way its wide side points. */
export interface Ring {
  readonly at: Vec3;
  readonly wide: number;
  readonly deep: number;
  readonly across: Vec3;
}

const SIDES = 22;

/** A closed, soft tube through rings, rebuilt for each frame: cloth and limbs without seams. */
export class Tube {
  readonly mesh: Mesh;
  private readonly geometry = new BufferGeometry();
  private readonly rings: number;

  constructor(material: Material, rings: number) {
    const index: number[] = [];
    for (let r = 0; r < rings - 1; r++) {
      for (let s = 0; s < SIDES; s++) {
        const a = r * SIDES + s;
        const b = r * SIDES + ((s + 1) % SIDES);
        index.push(a, a + SIDES, b, b, a + SIDES, b + SIDES);
      }
    }
    const cap = (start: number, centre: number, flip: boolean) => {
      for (let s = 0; s < SIDES; s++) {
        const [a, b] = [start + s, start + ((s + 1) % SIDES)];
        index.push(...(flip ? [centre, a, b] : [centre, b, a]));
      }
    };
    cap(0, rings * SIDES, false);
    cap((rings - 1) * SIDES, rings * SIDES + 1, true);
    this.geometry.setIndex(index);
    this.geometry.setAttribute('position', new Float32BufferAttribute((rings * SIDES + 2) * 3, 3));
    this.mesh = new Mesh(this.geometry, material);
    this.rings = rings;
    this.mesh.castShadow = true;
    this.mesh.receiveShadow = true;
    this.mesh.frustumCulled = false;
  }

  /** Stripes along the tube: `color` on every other pair of sides; the material has to take colours of points. */
  stripe(cloth: Color, color: Color): void {
    const colors = Array.from({ length: this.rings * SIDES + 2 }, (_, i) =>
      (i % SIDES) % 4 < 2 ? cloth.toArray() : color.toArray(),
    ).flat();
    this.geometry.setAttribute('color', new Float32BufferAttribute(colors, 3));
  }

  shape(rings: readonly Ring[]): void {
    const position = this.geometry.getAttribute('position');
    rings.forEach((ring, r) => {
      const before = rings[Math.max(0, r - 1)] as Ring;
      const after = rings[Math.min(rings.length - 1, r + 1)] as Ring;
      const along = unit(sub(after.at, before.at));
      const wideAxis = unit(sub(ring.across, scale(along, dot(ring.across, along))));
      const deepAxis = cross(along, wideAxis);
      for (let s = 0; s < SIDES; s++) {
        const angle = (s / SIDES) * 2 * Math.PI;
        const p = add(
          ring.at,
          add(scale(wideAxis, ring.wide * Math.cos(angle)), scale(deepAxis, ring.deep * Math.sin(angle))),
        );
        position.setXYZ(r * SIDES + s, p[0], p[2], p[1]);
      }
    });
    const ends = [rings[0], rings.at(-1)] as [Ring, Ring];
    ends.forEach((ring, i) => {
      position.setXYZ(rings.length * SIDES + i, ring.at[0], ring.at[2], ring.at[1]);
    });
    position.needsUpdate = true;
    this.geometry.computeVertexNormals();
  }
}

/** Rings along a bent limb: a rounded path through the joint, with a radius at each share. */
export function limbRings(
  a: Vec3,
  joint: Vec3,
  b: Vec3,
  radii: readonly (readonly [share: number, radius: number])[],
  across: Vec3,
): Ring[] {
  return radii.map(([share, radius]) => ({
    at: roundedPath(a, joint, b, share),
    wide: radius,
    deep: radius,
    across,
  }));
}

/** 0 at `a`, 0.5 at the joint, 1 at `b`; the corner is rounded over a tenth on each side. */
function roundedPath(a: Vec3, joint: Vec3, b: Vec3, share: number): Vec3 {
  const straight = (t: number): Vec3 =>
    t <= 0.5 ? add(a, scale(sub(joint, a), t / 0.5)) : add(joint, scale(sub(b, joint), (t - 0.5) / 0.5));
  const reach = 0.08;
  if (Math.abs(share - 0.5) >= reach) return straight(share);
  const u = (share - 0.5 + reach) / (2 * reach);
  const [p, q] = [straight(0.5 - reach), straight(0.5 + reach)];
  const c = joint;
  const mixed = (i: 0 | 1 | 2) => (1 - u) ** 2 * p[i] + 2 * u * (1 - u) * c[i] + u * u * q[i];
  return [mixed(0), mixed(1), mixed(2)];
}
