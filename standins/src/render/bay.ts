import {
  AmbientLight,
  BoxGeometry,
  Color,
  CylinderGeometry,
  DirectionalLight,
  Fog,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  PlaneGeometry,
  Scene,
  SphereGeometry,
} from 'three';
import { STICK_LINES } from '../devices/camera.ts';

const paint = (color: string, roughness = 0.95) => new MeshStandardMaterial({ color, roughness });

/** A bay in an old quarry: mat, floor, a boarded wall behind, grass and pale cliffs down range. */
export function makeBay(): { scene: Scene; ball: Mesh } {
  const scene = new Scene();
  scene.background = new Color('#cfd9dd');
  scene.fog = new Fog('#cfd9dd', 900, 3200);
  const box = (w: number, h: number, d: number, color: string, x: number, y: number, z: number) => {
    const mesh = new Mesh(new BoxGeometry(w, h, d), paint(color));
    mesh.position.set(x, y, z);
    mesh.receiveShadow = true;
    mesh.castShadow = h > 4;
    scene.add(mesh);
    return mesh;
  };
  const ground = new Mesh(new PlaneGeometry(8000, 8000), paint('#7f9468'));
  ground.rotation.x = -Math.PI / 2;
  ground.position.y = -1.6;
  ground.receiveShadow = true;
  scene.add(ground);
  box(300, 1, 330, '#b7b2a6', -60, -1, 40);
  box(84, 0.5, 62, '#5d7d57', 0, -0.27, -20);
  box(88, 0.4, 66, '#3d4540', 0, -0.3, -20);
  for (let i = 0; i < 14; i++) box(300, 8.6, 3, i % 2 ? '#a08c70' : '#978367', -60, 4 + i * 9, -118);
  box(300, 130, 2, '#7d6b53', -60, 64, -121);
  for (const x of [-200, 80]) box(7, 130, 7, '#6d5c48', x, 64, -112);
  for (let i = 0; i < 9; i++)
    box(500, 260 + 90 * Math.sin(i * 2.1), 420, i % 2 ? '#cdc5b2' : '#bfb6a2', 2600, 120, -1700 + i * 420);
  for (const [a, b] of STICK_LINES) {
    const [ax, ay] = a as readonly [number, number];
    const [bx, by] = b as readonly [number, number];
    const stick = new Mesh(
      new CylinderGeometry(0.3, 0.3, Math.hypot(bx - ax, by - ay), 10),
      paint('#e8662f', 0.5),
    );
    stick.position.set((ax + bx) / 2, 0.3, (ay + by) / 2);
    stick.rotation.set(ax === bx ? Math.PI / 2 : 0, 0, ax === bx ? 0 : Math.PI / 2);
    stick.castShadow = true;
    scene.add(stick);
  }
  const ball = new Mesh(new SphereGeometry(0.84, 20, 14), paint('#ffffff', 0.4));
  ball.position.set(0, 0.84, 0);
  ball.castShadow = true;
  scene.add(ball);
  addLight(scene);
  return { scene, ball };
}

function addLight(scene: Scene): void {
  scene.add(new HemisphereLight('#eef4f7', '#8a8674', 1.5), new AmbientLight('#ffffff', 0.25));
  const sun = new DirectionalLight('#fff3df', 2.4);
  sun.position.set(-90, 210, 160);
  sun.castShadow = true;
  sun.shadow.mapSize.set(1024, 1024);
  Object.assign(sun.shadow.camera, { left: -90, right: 90, top: 110, bottom: -60, near: 20, far: 500 });
  sun.shadow.bias = -0.0008;
  sun.shadow.normalBias = 0.4;
  scene.add(sun);
}
