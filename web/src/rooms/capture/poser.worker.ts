// A classic worker, built by tools/build.mjs on its own: the network's runtime loads its code by importScripts.
import { type CompiledModel, loadAndCompile, loadLiteRt, Tensor } from '@litertjs/core';
import { expose } from 'comlink';
import {
  type BodyPoints,
  bestBody,
  bodyPoints,
  DETECTOR_SIDE,
  POINTS_SIDE,
  type Region,
  unmirrored,
} from './decode.ts';

/** Below this the region has lost the body and is looked for again. */
const LOST = 0.4;
/** The second crop, beside the first. */
const WIDER = 1.12;

class Poser {
  private detector: CompiledModel | null = null;
  private points: CompiledModel | null = null;
  private region: Region | null = null;
  /** Where the last body was found. */
  private last: Region | null = null;
  private readonly canvas = new OffscreenCanvas(POINTS_SIDE, POINTS_SIDE);

  /** Loads both networks from `base`; everything lies on this server. */
  async load(base: string): Promise<void> {
    // The runtime reports every step on the console; its errors come back as rejections anyway.
    const quiet = () => {};
    const module = { locateFile: (name: string) => base + name, print: quiet, printErr: quiet };
    Object.assign(self, { Module: module });
    await loadLiteRt(base);
    const cpu = { accelerator: 'wasm' as const };
    this.detector = await loadAndCompile(`${base}detector.tflite`, cpu);
    this.points = await loadAndCompile(`${base}points.tflite`, cpu);
  }

  /** Starts a new clip: the body is looked for anew. */
  forget(): void {
    this.region = null;
  }

  /** The body in one picture, or null. Frames are given in the order of the clip. */
  async find(picture: ImageBitmap): Promise<BodyPoints | null> {
    const tracked = this.region ? await this.within(picture, this.region) : null;
    if (tracked) return this.keep(tracked);
    const region = await this.detect(picture);
    if (!region) return this.keep(null);
    // The detector's region is rough: a second look at the place the first one found.
    const first = await this.within(picture, region);
    return this.keep(first ? await this.within(picture, first.next) : null);
  }

  /** The body in one picture, and the region it was found in; null where it was not. */
  async look(picture: ImageBitmap): Promise<{ found: BodyPoints; region: Region } | null> {
    const found = await this.find(picture);
    return found && this.last && { found, region: this.last };
  }

  /** The body of a picture once more, in the mirror and in a wider crop; of the last one, where no region is named. */
  async again(
    picture: ImageBitmap,
    at: Region | null = this.last,
  ): Promise<{ mirrored: BodyPoints | null; wider: BodyPoints | null }> {
    if (!at) return { mirrored: null, wider: null };
    const last = this.last;
    const looks = {
      mirrored: await this.within(picture, at, true),
      wider: await this.within(picture, { ...at, side: at.side * WIDER }),
    };
    this.last = last;
    return looks;
  }

  private keep(found: BodyPoints | null): BodyPoints | null {
    this.region = found?.next ?? null;
    if (!found) this.last = null;
    return found;
  }

  private async detect(picture: ImageBitmap): Promise<Region | null> {
    const { width, height } = picture;
    const side = Math.max(width, height);
    const whole = { u: width / 2, v: height / 2, side, turn: 0 };
    // The detector wants -1 to 1, the point network 0 to 1.
    const input = this.pixels(picture, whole, DETECTOR_SIDE, (byte) => byte / 127.5 - 1);
    const outputs = await run(this.detector, input, DETECTOR_SIDE);
    const boxes = outputs.find((o) => o.length > scoresLength(outputs)) as Float32Array;
    const scores = outputs.find((o) => o.length === scoresLength(outputs)) as Float32Array;
    return bestBody(boxes, scores, width, height);
  }

  private async within(picture: ImageBitmap, region: Region, mirrored = false): Promise<BodyPoints | null> {
    const input = this.pixels(picture, region, POINTS_SIDE, (byte) => byte / 255, mirrored);
    const outputs = await run(this.points, input, POINTS_SIDE);
    const values = outputs.find((o) => o.length === 195) as Float32Array;
    const score = (outputs.find((o) => o.length === 1) as Float32Array)[0] as number;
    if (score < LOST) return null;
    this.last = region;
    return bodyPoints(mirrored ? unmirrored(values) : values, score, region);
  }

  /** The turned square of the picture as the network's numbers. */
  private pixels(
    picture: ImageBitmap,
    region: Region,
    side: number,
    value: (byte: number) => number,
    mirrored = false,
  ): Float32Array {
    this.canvas.width = side;
    this.canvas.height = side;
    const context = this.canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('no canvas');
    context.fillRect(0, 0, side, side);
    if (mirrored) {
      context.translate(side, 0);
      context.scale(-1, 1);
    }
    context.translate(side / 2, side / 2);
    context.scale(side / region.side, side / region.side);
    context.rotate(-region.turn);
    context.drawImage(picture, -region.u, -region.v);
    const { data } = context.getImageData(0, 0, side, side);
    const out = new Float32Array(side * side * 3);
    for (let i = 0, o = 0; i < data.length; i += 4) {
      out[o++] = value(data[i] as number);
      out[o++] = value(data[i + 1] as number);
      out[o++] = value(data[i + 2] as number);
    }
    return out;
  }
}

const scoresLength = (outputs: readonly Float32Array[]): number => Math.min(...outputs.map((o) => o.length));

async function run(model: CompiledModel | null, input: Float32Array, side: number): Promise<Float32Array[]> {
  if (!model) throw new Error('the networks are not loaded');
  const tensor = new Tensor(input, [1, side, side, 3]);
  const outputs = await model.run(tensor);
  tensor.delete();
  return outputs.map((output) => {
    const values = Float32Array.from(output.toTypedArray() as Float32Array);
    output.delete();
    return values;
  });
}

export type PoseFinder = Poser;
expose(new Poser());
