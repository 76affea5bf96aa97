import { LANDMARK_WORDS } from '@inchstep/contract/words';
import type { Page } from 'puppeteer-core';
import { press } from './hands.ts';
import type { ClipTruth } from './program.ts';

export const KEYS: Readonly<Record<string, string>> = {
  address: 'a',
  top: 't',
  delivery: 'd',
  impact: 'i',
  finish: 'f',
};

/** Where the frame counter of a pane stands, from 0. */
const frameOf = (page: Page, view: string): Promise<number> =>
  page.$eval(`[data-testid="frame-${view}"]`, (element) => {
    const found = /frame (\d+) of/.exec((element as HTMLElement).innerText);
    return found ? Number(found[1]) - 1 : -1;
  });

/** Steps with the arrow keys, tens first, as a coach would. */
export async function stepTo(page: Page, view: string, frame: number): Promise<void> {
  await page.waitForFunction(
    (id) => document.querySelector(`[data-testid="frame-${id}"]`)?.textContent?.includes('frame '),
    {},
    view,
  );
  for (let guard = 0; guard < 60; guard++) {
    const by = frame - (await frameOf(page, view));
    if (by === 0) return;
    const big = Math.abs(by) >= 10;
    if (big) await page.keyboard.down('Shift');
    await page.keyboard.press(by > 0 ? 'ArrowRight' : 'ArrowLeft');
    if (big) await page.keyboard.up('Shift');
  }
  throw new Error(`bench: frame ${frame} of ${view} was not reached`);
}

/** Names the stations of one view at their true frames, with the keys alone. */
export async function nameStations(page: Page, view: string, truth: ClipTruth): Promise<void> {
  for (const [station, key] of Object.entries(KEYS)) {
    await stepTo(page, view, truth.stationFrames[station] as number);
    await page.keyboard.press(key as never);
  }
}

/** Puts a point of the picture under the pointer and presses. */
export async function pressAt(
  page: Page,
  view: string,
  truth: ClipTruth,
  u: number,
  v: number,
): Promise<void> {
  const size = truth.views.find(({ id }) => id === view);
  const pane = await page.$(`[data-testid="pane-${view}"]`);
  const box = await pane?.boundingBox();
  if (!box || !size) throw new Error(`bench: no pane for ${view}`);
  await page.mouse.click(box.x + (u / size.widthPx) * box.width, box.y + (v / size.heightPx) * box.height);
}

/** Marks every landmark the list of the view asks for at a station, in the list's order. */
export async function markStation(
  page: Page,
  view: string,
  station: string,
  truth: ClipTruth,
): Promise<number> {
  const exact = truth.marks.filter((m) => m.view === view && m.station === station);
  let placed = 0;
  for (const name of await landmarkNames(page)) {
    const at = exact.find(({ landmark }) => LANDMARK_WORDS[landmark] === name);
    if (!at) continue;
    await page.locator(`ul[aria-label="Landmarks"] ::-p-text(${name})`).click();
    await pressAt(page, view, truth, at.u, at.v);
    placed++;
  }
  return placed;
}

const landmarkNames = (page: Page): Promise<string[]> =>
  page.$$eval('ul[aria-label="Landmarks"] button', (all) =>
    all.map((b) => (b as HTMLElement).innerText.trim()),
  );

/** Marks the stick ends that the picture holds and skips the others. */
export async function markSticks(page: Page, view: string, truth: ClipTruth): Promise<void> {
  const ends = truth.views.find(({ id }) => id === view)?.groundMarks ?? [];
  await press(page, 'Stick ends 0/4');
  for (const place of [
    [-24, -22],
    [24, -22],
    [0, -8],
    [0, 40],
  ]) {
    const end = ends.find(({ xIn, yIn }) => xIn === place[0] && yIn === place[1]);
    if (end) await pressAt(page, view, truth, end.u, end.v);
    else await press(page, 'Not in the picture');
  }
}

export interface Shown {
  readonly id: string;
  readonly value: number;
  readonly sd: number;
}

/** The tapes as the screen shows them at the chosen station. */
export const shownMeasures = (page: Page): Promise<Shown[]> =>
  page.$$eval('[data-testid^="measure-"]', (all) =>
    all.map((element) => {
      const number = element.querySelector('[data-value]') as HTMLElement;
      return {
        id: (element as HTMLElement).dataset.testid?.slice('measure-'.length) ?? '',
        value: Number(number.dataset.value),
        sd: Number(number.dataset.sd),
      };
    }),
  );
