import { seededRandom } from '@inchstep/core/foundation';
import { BufferTarget, CanvasSource, Mp4OutputFormat, Output } from 'mediabunny';
import { PCFShadowMap, WebGLRenderer } from 'three';
import type { FilmedSwing } from '../demo/cast.ts';
import type { StandInCamera } from '../devices/camera.ts';
import { makeGolfer } from '../golfer/golfer.ts';
import { makeBay } from './bay.ts';
import { gaze, IMPACT_S, solvedCamera } from './camera.ts';
import { Figure } from './figure.ts';

/** What the render script asks of the page. */
export interface RenderJob {
  readonly swing: FilmedSwing;
  readonly camera: StandInCamera;
  readonly framesPerSecond: number;
  readonly bitrate: number;
  /** Only this frame, as a PNG data URL, to look at. */
  readonly still?: number;
}

/** Renders a made-up golfer's swing to an H.264 MP4 (base64), or one still. */
async function renderJob(job: RenderJob): Promise<string> {
  const { widthPx, heightPx } = job.camera.view;
  const golfer = makeGolfer(job.swing.golfer, job.swing.faults, seededRandom(job.swing.seed));
  const { scene, ball } = makeBay();
  const figure = new Figure(job.swing.look, job.swing.golfer.heightIn);
  scene.add(figure.group);
  const renderer = new WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  renderer.setSize(widthPx, heightPx);
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = PCFShadowMap;
  const camera = solvedCamera(job.camera);
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
  const draw = (seconds: number) => {
    const after = Math.max(0, seconds - IMPACT_S);
    figure.pose(golfer.poseAt(seconds), gaze(seconds));
    ball.position.set(after * 1900, 0.84 + after * 500, after * 20);
    ball.visible = after < 0.12;
    renderer.render(scene, camera);
    context.save();
    if (job.swing.golfer.handedness === 'left') {
      context.translate(widthPx, 0);
      context.scale(-1, 1);
    }
    context.drawImage(renderer.domElement, 0, 0);
    context.restore();
  };
  if (job.still !== undefined) {
    draw(job.still / job.framesPerSecond);
    return toBase64(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
  }
  const output = new Output({
    format: new Mp4OutputFormat({ fastStart: 'in-memory' }),
    target: new BufferTarget(),
  });
  const source = new CanvasSource(canvas, {
    codec: 'avc',
    fullCodecString: 'avc1.42E01F',
    bitrate: job.bitrate,
    keyFrameInterval: 1,
  });
  output.addVideoTrack(source, { frameRate: job.framesPerSecond });
  await output.start();
  const frames = Math.round(golfer.lengthSeconds * job.framesPerSecond);
  for (let i = 0; i < frames; i++) {
    draw(i / job.framesPerSecond);
    await source.add(i / job.framesPerSecond, 1 / job.framesPerSecond);
  }
  await output.finalize();
  renderer.dispose();
  return toBase64((output.target as BufferTarget).buffer as ArrayBuffer);
}

function toBase64(buffer: ArrayBuffer): string {
  const bytes = new Uint8Array(buffer);
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000)
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
}

Object.assign(window, { renderJob });
