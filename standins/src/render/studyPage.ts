import { gaussian, seededRandom } from '@inchstep/core/foundation';
import { wrap } from 'comlink';
import {
  ALL_FORMATS,
  BlobSource,
  BufferTarget,
  CanvasSink,
  CanvasSource,
  Input,
  Mp4OutputFormat,
  Output,
} from 'mediabunny';
import { PCFShadowMap, type Scene, WebGLRenderer } from 'three';
import type { StandInCamera } from '../devices/camera.ts';
import { anotherSwing, makeGolfer } from '../golfer/golfer.ts';
import { faultsAt, type StudySwing } from '../studies/proposalCast.ts';
import { makeBay } from './bay.ts';
import { gaze, IMPACT_S, solvedCamera } from './camera.ts';
import { Figure } from './figure.ts';
import { bentLens, glove, passer } from './studyFlaws.ts';

/** One clip of the study: who swings, and which camera films. */
interface StudyJob {
  readonly swing: StudySwing;
  readonly camera: StandInCamera;
  readonly framesPerSecond: number;
  readonly bitrate: number;
  /** Frames that are filmed: all of them take minutes, those about the stations tell of marks. */
  readonly frames: readonly number[];
}

/** What the network's worker answers, as far as the study keeps it. */
interface Points {
  readonly u: Float32Array;
  readonly v: Float32Array;
  readonly seen: Float32Array;
}
type Region = object;
interface Found {
  readonly points: Points & { readonly next: Region };
  readonly region: Region;
}
interface Eyes {
  load(base: string): Promise<void>;
  everybody(picture: ImageBitmap, regions: readonly Region[], others: boolean): Promise<Found[]>;
  again(picture: ImageBitmap, at: Region): Promise<{ mirrored: Points | null; wider: Points | null }>;
}
interface Kept {
  readonly u: number[];
  readonly v: number[];
  readonly seen: number[];
}

/** One frame as it was looked at: the network's 33 points, or nobody; and what it sees in the mirror and in a wider crop. */
interface StudyFrame {
  readonly time: number;
  readonly points: Kept | null;
  readonly mirrored: Kept | null;
  readonly wider: Kept | null;
}

/** Moments that are drawn into one another where the shutter is open for long. */
const LONG_SHUTTER = 0.35;
const SUBFRAMES = 2;

/** Films a swing, writes it as H.264, reads that file again and looks through it with the network: what the program does. */
async function studyJob(job: StudyJob): Promise<StudyFrame[]> {
  const file = await film(job);
  const eyes = wrap<Eyes>(new Worker('/networks/poser.js'));
  await eyes.load(`${location.origin}/networks/`);
  const input = new Input({ source: new BlobSource(new Blob([file])), formats: ALL_FORMATS });
  const track = await input.getPrimaryVideoTrack();
  if (!track) throw new Error('studyJob: the file has no picture');
  const frames: StudyFrame[] = [];
  let stood: Region[] = [];
  for await (const { canvas, timestamp } of new CanvasSink(track).canvases()) {
    const picture = await createImageBitmap(canvas as OffscreenCanvas);
    const [found] = await eyes.everybody(picture, stood, false);
    const more = found && (await eyes.again(picture, found.region));
    stood = found ? [found.points.next] : [];
    picture.close();
    frames.push({
      time: Math.round(1e4 * timestamp) / 1e4,
      points: kept(found?.points),
      mirrored: kept(more?.mirrored),
      wider: kept(more?.wider),
    });
  }
  return frames;
}

const rounded = (values: Float32Array) => Array.from(values, (x) => Math.round(100 * x) / 100);
const kept = (found: Points | null | undefined): Kept | null =>
  found ? { u: rounded(found.u), v: rounded(found.v), seen: rounded(found.seen) } : null;

async function film({ swing, camera, framesPerSecond, bitrate, frames }: StudyJob): Promise<ArrayBuffer> {
  const { player, picture } = swing;
  const { widthPx, heightPx } = camera.view;
  const first = makeGolfer(player.golfer, faultsAt(swing), seededRandom(player.seed));
  const golfer = anotherSwing(first, seededRandom(player.seed * 31 + swing.swing));
  const { scene, ball } = makeBay();
  dimmed(scene, picture.light);
  const figure = new Figure(player.look, player.golfer.heightIn);
  scene.add(figure.group);
  const company = picture.passer ? passer(scene, player.seed) : () => {};
  if (picture.glove) scene.add(glove());
  const renderer = new WebGLRenderer({ preserveDrawingBuffer: true });
  renderer.setSize(widthPx, heightPx);
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = PCFShadowMap;
  const camera3 = solvedCamera(camera);
  const bent = bentLens(renderer, scene, camera3, picture.distortion);
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d', { willReadFrequently: true }) as OffscreenCanvasRenderingContext2D;
  const random = seededRandom(player.seed * 17 + swing.swing);
  const parts = picture.shutter > LONG_SHUTTER ? SUBFRAMES : 1;
  const draw = (seconds: number) => {
    for (let part = 0; part < parts; part++) {
      const within = parts === 1 ? 0 : part / (parts - 1) - 0.5;
      const at = seconds + (within * picture.shutter) / framesPerSecond;
      const after = Math.max(0, at - IMPACT_S);
      figure.pose(golfer.poseAt(Math.max(0, at)), gaze(at));
      ball.position.set(after * 1900, 0.84 + after * 500, after * 20);
      ball.visible = after < 0.12;
      company(at);
      bent();
      context.save();
      context.globalAlpha = 1 / (part + 1);
      if (player.golfer.handedness === 'left') {
        context.translate(widthPx, 0);
        context.scale(-1, 1);
      }
      const [du, dv] = [picture.shakePx * gaussian(random), picture.shakePx * gaussian(random)];
      context.drawImage(renderer.domElement, part === 0 ? 0 : du * 0.2, part === 0 ? 0 : dv * 0.2);
      context.restore();
    }
    addGrain(context, widthPx, heightPx, picture.grain, random);
  };
  const written = await inH264(canvas, frames, framesPerSecond, bitrate, draw);
  renderer.dispose();
  return written;
}

/** The frames as an MP4, each drawn before it is taken. */
async function inH264(
  canvas: OffscreenCanvas,
  frames: readonly number[],
  framesPerSecond: number,
  bitrate: number,
  draw: (seconds: number) => void,
): Promise<ArrayBuffer> {
  const output = new Output({
    format: new Mp4OutputFormat({ fastStart: 'in-memory' }),
    target: new BufferTarget(),
  });
  const source = new CanvasSource(canvas, {
    codec: 'avc',
    fullCodecString: 'avc1.42E01F',
    bitrate,
    keyFrameInterval: 1,
  });
  output.addVideoTrack(source, { frameRate: framesPerSecond });
  await output.start();
  for (const i of frames) {
    draw(i / framesPerSecond);
    await source.add(i / framesPerSecond, 1 / framesPerSecond);
  }
  await output.finalize();
  return (output.target as BufferTarget).buffer as ArrayBuffer;
}

function dimmed(scene: Scene, light: number): void {
  scene.traverse((one) => {
    if ('intensity' in one) one.intensity = (one.intensity as number) * light;
  });
}

/** The sensor's noise: one tile of it, laid anew each frame, is as good as fresh numbers for each pixel. */
function addGrain(
  context: OffscreenCanvasRenderingContext2D,
  widthPx: number,
  heightPx: number,
  sd: number,
  random: () => number,
): void {
  if (sd <= 0) return;
  const tile = grainTile(sd);
  const [du, dv] = [Math.floor(TILE * random()), Math.floor(TILE * random())];
  context.save();
  context.globalCompositeOperation = 'overlay';
  for (let u = -du; u < widthPx; u += TILE)
    for (let v = -dv; v < heightPx; v += TILE) context.drawImage(tile, u, v);
  context.restore();
}

const TILE = 256;
const tiles = new Map<number, OffscreenCanvas>();
function grainTile(sd: number): OffscreenCanvas {
  const known = tiles.get(sd);
  if (known) return known;
  const tile = new OffscreenCanvas(TILE, TILE);
  const context = tile.getContext('2d') as OffscreenCanvasRenderingContext2D;
  const pixels = context.createImageData(TILE, TILE);
  const random = seededRandom(9);
  for (let i = 0; i < pixels.data.length; i += 4) {
    const grey = 128 + sd * gaussian(random);
    pixels.data[i] = grey;
    pixels.data[i + 1] = grey;
    pixels.data[i + 2] = grey;
    pixels.data[i + 3] = 255;
  }
  context.putImageData(pixels, 0, 0);
  tiles.set(sd, tile);
  return tile;
}

Object.assign(window, { studyJob });
