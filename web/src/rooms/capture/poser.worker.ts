// A classic worker, built by tools/build.mjs on its own: the network's runtime loads its code by importScripts.
import { type CompiledModel, loadAndCompile, loadLiteRt, Tensor } from '@litertjs/core';
import { expose } from 'comlink';
import {
  areOne,
  type BodyPoints,
  bodiesIn,
  bodyPoints,
  DETECTOR_SIDE,
  MOST_BODIES,
  POINTS_SIDE,
  type Region,
  unmirrored,
} from './decode.ts';

/** Below this the region has lost the body and is looked for again. */
const LOST = 0.4;
/** The second crop, beside the first. */
const WIDER = 1.12;
/** A body that was lost is one that stands nearer to where it was than this share of its square. */
const STRAYS = 0.5;

/** A body in a picture, and the square it was found in. */
export interface FoundBody {
  readonly points: BodyPoints;
  readonly region: Region;
}

class Poser {
  private detector: CompiledModel | null = null;
  private points: CompiledModel | null = null;
  private readonly canvas = new OffscreenCanvas(POINTS_SIDE, POINTS_SIDE);

  /** Loads both networks from `base`; everything lies on this server. */
  async load(base: string): Promise<void> {
    // The runtime reports every step on the console; its errors come back as rejections anyway.
    const quiet = () => {};
    const module = { locateFile: (name: string) => base + name, print: quiet, printErr: quiet };
    Object.assign(self, { Module: module });
    await loadLiteRt(base);
    const cpu = { accelerator: 'wasm' as const };
    [this.detector, this.points] = await Promise.all([
      loadAndCompile(`${base}detector.tflite`, cpu),
      loadAndCompile(`${base}points.tflite`, cpu),
    ]);
  }

  /** Who is in a picture: those who were in `regions` a moment ago and, where it is asked, whoever else. */
  async everybody(picture: ImageBitmap, regions: readonly Region[], others: boolean): Promise<FoundBody[]> {
    const found: FoundBody[] = [];
    const keep = (one: FoundBody | null) => {
      if (one && !found.some((other) => areOne(other.points.next, one.points.next))) found.push(one);
    };
    for (const region of regions) keep(await this.within(picture, region));
    if (others || found.length === 0) {
      const seen = await this.detect(picture);
      const strangers = seen.filter((region) => !found.some(({ points }) => areOne(points.next, region)));
      for (const region of strangers.slice(0, MOST_BODIES - found.length))
        keep(await this.lookTwice(picture, region));
    }
    return found;
  }

  /** The body that stood in `near` a moment ago; null where it is not to be found about there. */
  async look(picture: ImageBitmap, near: Region): Promise<FoundBody | null> {
    const tracked = await this.within(picture, near);
    if (tracked) return tracked;
    const off = (region: Region) => Math.hypot(region.u - near.u, region.v - near.v);
    const [nearest] = (await this.detect(picture)).sort((a, b) => off(a) - off(b));
    return nearest && off(nearest) < STRAYS * near.side ? this.lookTwice(picture, nearest) : null;
  }

  /** The body of a region once more, in the mirror and in a wider crop. */
  async again(
    picture: ImageBitmap,
    at: Region,
  ): Promise<{ mirrored: BodyPoints | null; wider: BodyPoints | null }> {
    const mirrored = await this.within(picture, at, true);
    const wider = await this.within(picture, { ...at, side: at.side * WIDER });
    return { mirrored: mirrored?.points ?? null, wider: wider?.points ?? null };
  }

  /** The detector's region is rough: a second look at the place the first one found. */
  private async lookTwice(picture: ImageBitmap, region: Region): Promise<FoundBody | null> {
    const first = await this.within(picture, region);
    return first && this.within(picture, first.points.next);
  }

  private async detect(picture: ImageBitmap): Promise<Region[]> {
    const { width, height } = picture;
    const side = Math.max(width, height);
    const whole = { u: width / 2, v: height / 2, side, turn: 0 };
    // The detector wants -1 to 1, the point network 0 to 1.
    const input = this.pixels(picture, whole, DETECTOR_SIDE, (byte) => byte / 127.5 - 1);
    const outputs = await run(this.detector, input, DETECTOR_SIDE);
    const boxes = outputs.find((o) => o.length > scoresLength(outputs)) as Float32Array;
    const scores = outputs.find((o) => o.length === scoresLength(outputs)) as Float32Array;
    return bodiesIn(boxes, scores, width, height);
  }

  private async within(picture: ImageBitmap, region: Region, mirrored = false): Promise<FoundBody | null> {
    const input = this.pixels(picture, region, POINTS_SIDE, (byte) => byte / 255, mirrored);
    const outputs = await run(this.points, input, POINTS_SIDE);
    const values = outputs.find((o) => o.length === 195) as Float32Array;
    const score = (outputs.find((o) => o.length === 1) as Float32Array)[0] as number;
    if (score < LOST) return null;
    return { points: bodyPoints(mirrored ? unmirrored(values) : values, score, region), region };
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
