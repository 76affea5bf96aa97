import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { chooseFile, seePart } from './hands.ts';
import { makePhoneClip } from './phoneClip.ts';
import { startProgram } from './program.ts';

/**
 * `./inchstep bench frames`: two H.264 clips of a phone's size on the bench of the running program. What a
 * step takes from the wish to the picture, how long the clips take to be ready the first time and the
 * second, what the browser weighs. Writes one JSON line.
 */
const FRAMES = 240;
const STEPS = 80;
const [WIDE, HIGH] = [1920, 1080];

const folder = mkdtempSync(join(tmpdir(), 'inchstep-frames-study-'));
const program = await startProgram({ demo: true });
try {
  const page = await program.page();
  page.setDefaultTimeout(180_000);
  // What runs in the page was compiled with names kept; the page has no such helper.
  await page.evaluateOnNewDocument('globalThis.__name = (it) => it');
  const idOf = await enterDemo(page, program.url);
  writeFileSync(join(folder, 'phone.mp4'), await makePhoneClip(page, FRAMES, WIDE, HIGH));
  const before = megabytes(page);
  await page.goto(`${program.url}/students/${idOf('Wren')}/bench`);
  await chooseFile(page, 'input[type="file"][accept*="mp4"]', join(folder, 'phone.mp4'));
  await seePart(page, '[data-testid="frame-face_on"]');
  await chooseFile(page, 'input[type="file"][accept*="mp4"]', join(folder, 'phone.mp4'));
  await seePart(page, '[data-testid="frame-down_the_line"]');
  const firstS = await secondsToReady(page);
  await new Promise((done) => setTimeout(done, 3000));
  const steps = {
    on: await step(page, (i) => i + 1),
    back: await step(page, (i) => FRAMES - 2 - i),
    random: await step(page, (i) => (i * 97 + 31) % FRAMES),
  };
  const after = megabytes(page);
  const devtools = await page.createCDPSession();
  await devtools.send('Memory.simulatePressureNotification', { level: 'critical' });
  await new Promise((done) => setTimeout(done, 1000));
  const pressed = megabytes(page);
  await page.reload();
  const againS = await secondsToReady(page);
  const again = await step(page, (i) => (i * 89 + 17) % FRAMES);
  const afterAgain = megabytes(page);
  console.log(
    JSON.stringify({
      frames: FRAMES,
      wide: HIGH,
      high: WIDE,
      firstS,
      againS,
      steps,
      again,
      before,
      after,
      pressed,
      afterAgain,
    }),
  );
} finally {
  await program.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** Seconds until both panes show a picture and no working copy is being made any more. */
async function secondsToReady(page: Page): Promise<number> {
  const from = performance.now();
  await page.waitForFunction(
    () =>
      ['face_on', 'down_the_line'].every(
        (kind) =>
          (document.querySelector(`[data-testid="pane-${kind}"] canvas`) as HTMLCanvasElement | null)
            ?.width &&
          /frame \d+ of/.test(document.querySelector(`[data-testid="frame-${kind}"]`)?.textContent ?? ''),
      ) && !document.body.innerText.includes('making frames ready'),
    { polling: 100 },
  );
  return (performance.now() - from) / 1000;
}

/** Median and 95th percentile of the milliseconds from the wish to the picture, over some steps. */
async function step(page: Page, frameOf: (i: number) => number): Promise<{ median: number; p95: number }> {
  const wishes = Array.from({ length: STEPS }, (_, i) => frameOf(i));
  const took = await page.evaluate(timeSteps, wishes);
  took.sort((a, b) => a - b);
  const at = (share: number) => took[Math.floor(share * (took.length - 1))] as number;
  return { median: at(0.5), p95: at(0.95) };
}

/** Runs in the page: moves the slider and waits until the number drawn into the frame is the one wished. */
async function timeSteps(wishes: readonly number[]): Promise<number[]> {
  const slider = document.querySelector('input[aria-label="Frame"]') as HTMLInputElement;
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
  const shown = () => {
    // The slider moves the view that is at hand.
    const canvas = document.querySelector('figure.border-primary canvas') as HTMLCanvasElement;
    const context = canvas.getContext('2d');
    let number = 0;
    for (let bit = 0; bit < 10; bit++) {
      const pixel = context?.getImageData(canvas.width / 2, ((bit + 0.5) * canvas.height) / 10, 1, 1).data;
      if ((pixel?.[0] ?? 0) > 128) number += 2 ** bit;
    }
    return number;
  };
  const took: number[] = [];
  for (const wish of wishes) {
    const from = performance.now();
    set?.call(slider, String(wish));
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    while (shown() !== wish && performance.now() - from < 10_000) await new Promise(requestAnimationFrame);
    took.push(performance.now() - from);
  }
  return took;
}

/** Proportional share of memory of all the browser's processes, in megabytes (Linux). */
function megabytes(page: Page): number {
  const root = page.browser().process()?.pid ?? 0;
  const parents = new Map(
    readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .map((name) => [Number(name), Number(field(`/proc/${name}/status`, 'PPid'))]),
  );
  const within = (pid: number): boolean => pid === root || (pid > 1 && within(parents.get(pid) ?? 0));
  const kilobytes = [...parents.keys()]
    .filter(within)
    .reduce((sum, pid) => sum + Number(field(`/proc/${pid}/smaps_rollup`, 'Pss')), 0);
  return kilobytes / 1024;
}

function field(path: string, name: string): string {
  try {
    return new RegExp(`^${name}:\\s+(\\d+)`, 'm').exec(readFileSync(path, 'utf8'))?.[1] ?? '0';
  } catch {
    return '0';
  }
}
