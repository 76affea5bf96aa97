import type { Page } from 'puppeteer-core';
import { runInPage } from './pageMaker.ts';

const MAKER = `
import { BufferTarget, CanvasSource, Mp4OutputFormat, Output } from 'mediabunny';
globalThis.makePhoneClip = async (frames, wide, high) => {
  const canvas = new OffscreenCanvas(wide, high);
  const context = canvas.getContext('2d');
  const output = new Output({ format: new Mp4OutputFormat(), target: new BufferTarget() });
  const source = new CanvasSource(canvas, {
    codec: 'avc', fullCodecString: 'avc1.42E028', bitrate: 6e6, keyFrameInterval: 1,
  });
  output.addVideoTrack(source, { rotation: 90 });
  await output.start();
  let time = 0;
  for (let f = 0; f < frames; f++) {
    context.fillStyle = '#3a6b4a';
    context.fillRect(0, 0, wide, high);
    // Ten bars, black or white: the number of the frame in binary.
    for (let bit = 0; bit < 10; bit++) {
      context.fillStyle = (f >> bit) & 1 ? '#ffffff' : '#000000';
      context.fillRect(bit * (wide / 10), 0, wide / 10, high);
    }
    // Variable frame rate, as a phone in the dusk: between 1/120 and 1/40 of a second.
    const length = f % 3 === 0 ? 1 / 40 : f % 2 === 0 ? 1 / 60 : 1 / 120;
    await source.add(time, length);
    time += length;
  }
  await output.finalize();
  const bytes = new Uint8Array(output.target.buffer);
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
};`;

/** An H.264 MP4 lying on its side with a rotation tag, variable frame rate, key frames a second apart. */
export async function makePhoneClip(page: Page, frames: number, wide = 640, high = 360): Promise<Buffer> {
  await runInPage(page, MAKER);
  const base64 = await page.evaluate(
    (n, w, h) =>
      (globalThis as unknown as { makePhoneClip: (...size: number[]) => Promise<string> }).makePhoneClip(
        n,
        w,
        h,
      ),
    frames,
    wide,
    high,
  );
  return Buffer.from(base64, 'base64');
}
