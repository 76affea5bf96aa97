import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { runInPage } from './pageMaker.ts';
import { CLIPS } from './program.ts';

/** One of those in a picture: whose clip, where its middle stands across, how tall, how many frames later, and whether it is a reflection. */
export interface Person {
  readonly clip: string;
  readonly middlePx: number;
  readonly scale: number;
  readonly laterFrames: number;
  readonly mirrored?: boolean;
}

const MAKER = `
import { ALL_FORMATS, BlobSource, BufferTarget, CanvasSink, CanvasSource, Input, Mp4OutputFormat, Output } from 'mediabunny';
const picturesOf = async (base64) => {
  const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
  const input = new Input({ source: new BlobSource(new Blob([bytes])), formats: ALL_FORMATS });
  const pictures = [];
  for await (const { canvas } of new CanvasSink(await input.getPrimaryVideoTrack()).canvases())
    pictures.push(await createImageBitmap(canvas));
  return pictures;
};
globalThis.makePeopleClip = async (people, wide, high) => {
  const films = [];
  for (const { file } of people) films.push(await picturesOf(file));
  const canvas = new OffscreenCanvas(wide, high);
  const context = canvas.getContext('2d');
  const output = new Output({ format: new Mp4OutputFormat(), target: new BufferTarget() });
  const source = new CanvasSource(canvas, { codec: 'avc', fullCodecString: 'avc1.42E028', bitrate: 4e6, keyFrameInterval: 1 });
  output.addVideoTrack(source, { frameRate: 60 });
  await output.start();
  const frames = Math.max(...films.map((film, i) => film.length + people[i].laterFrames));
  for (let f = 0; f < frames; f++) {
    context.fillStyle = '#8c7b62';
    context.fillRect(0, 0, wide, high);
    people.forEach(({ middlePx, scale, laterFrames, mirrored }, i) => {
      const film = films[i];
      const picture = film[Math.min(film.length - 1, Math.max(0, f - laterFrames))];
      const [w, h] = [picture.width * scale, picture.height * scale];
      context.save();
      context.beginPath();
      context.rect(middlePx - 0.45 * w, 0, 0.9 * w, high);
      context.clip();
      context.translate(middlePx, 0);
      if (mirrored) context.scale(-1, 1);
      context.drawImage(picture, -w / 2, 0.55 * (high - h), w, h);
      context.restore();
    });
    await source.add(f / 60, 1 / 60);
  }
  await output.finalize();
  const bytes = new Uint8Array(output.target.buffer);
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
};`;

/** A clip with several people beside each other, each from a clip of the stand-ins. */
export async function makePeopleClip(
  page: Page,
  people: readonly Person[],
  wide = 1000,
  high = 960,
): Promise<Buffer> {
  await runInPage(page, MAKER);
  const base64 = await page.evaluate(
    (all, w, h) =>
      (
        globalThis as unknown as {
          makePeopleClip: (people: unknown, w: number, h: number) => Promise<string>;
        }
      ).makePeopleClip(all, w, h),
    people.map((one) => ({ ...one, file: readFileSync(join(CLIPS, one.clip)).toString('base64') })) as never,
    wide,
    high,
  );
  return Buffer.from(base64, 'base64');
}
