import { LANDMARK_WORDS, STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { KEYS, pressAt } from './bench.ts';
import { enterDemo } from './demo.ts';
import { seePart, story } from './hands.ts';
import { type Program, startProgram, truthOf } from './program.ts';

/** Fewer than a third of all places. */
const MOST = 39;
/** Measures of this swing that get a verdict when all 120 places are marked. */
const TOLD_BY_ALL = 32;

interface Measured {
  readonly id: string;
  readonly value: number;
  readonly lo95: number;
  readonly hi95: number;
  readonly verdict: string;
}

/** A swing read from the marks the program asks for, and no others. */
describe('few marks', () => {
  const step = story(it);
  const truth = truthOf('priya-then');
  let program: Program;
  let page: Page;
  let swing: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    const idOf = await enterDemo(page, program.url);
    swing = await unmarkedSwing(page, idOf('Priya'));
    await page.goto(`${program.url}/students/${idOf('Priya')}/bench/${swing}`);
    await seePart(page, '[data-testid="pane-face_on"]');
  });
  afterAll(() => program.stop());

  /** The clip's swing with its stations named and its cameras known, and not one mark. */
  async function unmarkedSwing(on: Page, student: string): Promise<string> {
    const stationTimes = Object.fromEntries(
      Object.keys(KEYS).map((s) => [s, (truth.stationFrames[s] as number) / truth.framesPerSecond]),
    );
    const views = truth.views.map(({ id: _, ...view }) => ({ ...view, clipId: null, stationTimes }));
    return on.evaluate(
      async (url, told) => {
        const clips = (await fetch(`${url}/clips`).then((r) => r.json())) as {
          id: string;
          fileName: string;
        }[];
        const clipOf = (kind: string) =>
          clips.find((c) => c.fileName === `priya-then.${kind}.mp4`)?.id ?? null;
        const id = crypto.randomUUID();
        const made = await fetch(`${url}/swings`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
          body: JSON.stringify({
            id,
            recordedOn: '2026-01-05',
            club: 'mid_iron',
            speed: 'full',
            views: told.map((v) => ({ ...v, clipId: clipOf(v.kind) })),
            marks: [],
          }),
        });
        if (!made.ok) throw new Error(await made.text());
        return id;
      },
      `/api/students/${student}`,
      views,
    );
  }

  const asked = () =>
    page.$eval(
      'section[aria-label="Mark next"]',
      (element) => (element.querySelector('button') as HTMLElement | null)?.innerText ?? '',
    );
  /** Waits for what comes after; empty when nothing more is worth a mark. */
  const askedAfter = async (before: string): Promise<string> => {
    await page.waitForFunction(
      (old) => {
        const part = document.querySelector('section[aria-label="Mark next"]');
        return part && ((part.querySelector('button') as HTMLElement | null)?.innerText ?? '') !== old;
      },
      {},
      before,
    );
    return asked();
  };

  step('asks for the hips first, then for what settles most; N goes there, a press marks it', async () => {
    let said = await askedAfter('?');
    expect(said).toContain(LANDMARK_WORDS.lead_hip as string);
    let placed = 0;
    while (said !== '' && placed < MOST) {
      const mark = truth.marks.find(
        (m) =>
          said.includes(`${LANDMARK_WORDS[m.landmark]}, ${STATION_WORDS[m.station]}\n`) &&
          said.includes(VIEW_WORDS[m.view] as string),
      );
      if (!mark) throw new Error(`the truth has no place for “${said}”`);
      await page.keyboard.press('n');
      await page.waitForFunction(
        (name) =>
          document.querySelector('ul[aria-label="Landmarks"] [aria-pressed="true"]')?.textContent === name,
        {},
        LANDMARK_WORDS[mark.landmark],
      );
      await pressAt(page, mark.view, truth, mark.u, mark.v);
      placed++;
      said = await askedAfter(said);
    }
    expect(placed).toBeGreaterThan(20);
    expect(placed).toBeLessThanOrEqual(MOST);
  });

  step('which is enough to read the swing: verdicts, and intervals that hold the truth', async () => {
    await page.waitForFunction(
      () => document.querySelector('[data-testid="saved"]')?.textContent === 'Saved',
    );
    const { measures } = (await page.evaluate(
      (url) => fetch(url).then((r) => r.json()),
      `/api/swings/${swing}/reading`,
    )) as { measures: Measured[] };
    const told = measures.filter((m) => m.verdict !== 'cant_tell');
    expect(told.length).toBeGreaterThan(TOLD_BY_ALL / 2);
    const known = measures.filter((m) => truth.measures[m.id] !== undefined);
    const held = known.filter((m) => {
      const real = truth.measures[m.id] as number;
      return m.lo95 <= real && real <= m.hi95;
    });
    expect(held.length / known.length).toBeGreaterThan(0.85);
  });

  step('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});
