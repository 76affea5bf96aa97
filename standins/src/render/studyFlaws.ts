import { seededRandom } from '@inchstep/core/foundation';
import {
  BoxGeometry,
  type Camera,
  HalfFloatType,
  Mesh,
  MeshStandardMaterial,
  OrthographicCamera,
  PlaneGeometry,
  Scene,
  ShaderMaterial,
  Vector2,
  type WebGLRenderer,
  WebGLRenderTarget,
} from 'three';
import { makeGolfer } from '../golfer/golfer.ts';
import { Figure } from './figure.ts';

/** Somebody in other clothes who walks by behind the player, along the back wall. */
export function passer(scene: Scene, seed: number): (seconds: number) => void {
  const random = seededRandom(seed + 31);
  const figure = new Figure(
    {
      skin: '#c68f63',
      hair: '#3a2a1c',
      hairStyle: 'short',
      cap: null,
      shirt: '#c94f3a',
      trousers: '#3c4450',
      shoes: '#2e2a28',
      build: 1,
    },
    69,
  );
  const golfer = makeGolfer({ handedness: 'right', heightIn: 69 }, {}, random);
  figure.pose(golfer.poseAt(0), [0, 0, 0]);
  scene.add(figure.group);
  const from = -110 + 40 * random();
  const inchesPerSecond = 25 + 20 * random();
  return (seconds) => figure.group.position.set(from + inchesPerSecond * seconds, 0, -62);
}

/** A white glove on the grass, beside the ball. */
export function glove(): Mesh {
  const mesh = new Mesh(
    new BoxGeometry(4, 0.8, 7),
    new MeshStandardMaterial({ color: '#f3f1ec', roughness: 0.8 }),
  );
  mesh.position.set(14, 0.4, 6);
  mesh.rotation.y = 0.6;
  return mesh;
}

const VERTEX = 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }';
/** A point r from the middle (half the picture's diagonal = 1) is fetched from r (1 + k r^2) of the straight picture. */
const FRAGMENT = `
uniform sampler2D straight; uniform float k; uniform vec2 size; varying vec2 at;
void main() {
  vec2 off = (at - 0.5) * size / (0.5 * length(size));
  vec2 from = off * (1.0 + k * dot(off, off)) * (0.5 * length(size)) / size + 0.5;
  gl_FragColor = texture2D(straight, clamp(from, 0.0, 1.0));
  #include <colorspace_fragment>
}`;

/** Draws the scene through a lens that bends straight lines by `k` at the corners. */
export function bentLens(renderer: WebGLRenderer, scene: Scene, camera: Camera, k: number): () => void {
  const size = renderer.getDrawingBufferSize(new Vector2());
  const straight = new WebGLRenderTarget(size.x, size.y, { samples: 4, type: HalfFloatType });
  const material = new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: FRAGMENT,
    uniforms: { straight: { value: straight.texture }, k: { value: k }, size: { value: size } },
  });
  const sheet = new Scene();
  sheet.add(new Mesh(new PlaneGeometry(2, 2), material));
  const flat = new OrthographicCamera();
  return () => {
    renderer.setRenderTarget(straight);
    renderer.render(scene, camera);
    renderer.setRenderTarget(null);
    renderer.render(sheet, flat);
  };
}
