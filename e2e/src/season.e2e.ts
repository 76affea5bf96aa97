import type { MeasureStory } from '@inchstep/contract/progress';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { press, see, seePart, textOf } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** What may be said of a season, on the demo: each verdict, a cell that does not hold, dates, and what is owned. */
describe('progress', () => {
  let program: Program;
  let page: Page;
  let idOf: (name: string) => string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    idOf = await enterDemo(page, program.url);
  });
  afterAll(() => program.stop());

  const ask = <T>(path: string): Promise<T> => page.evaluate((url) => fetch(url).then((r) => r.json()), path);
  const story = (name: string, measure: string) =>
    ask<MeasureStory>(`/api/students/${idOf(name)}/progress/${measure}`);
  const open = async (name: string, measure?: string) => {
    await page.goto(`${program.url}/students/${idOf(name)}/progress`);
    if (measure) await press(page, measure);
    await seePart(page, '[data-testid="verdict"]');
  };
  const verdict = async () => [
    await page.$eval('[data-testid="verdict"]', (e) => (e as HTMLElement).dataset.verdict),
    await textOf(page, '[data-testid="verdict"]'),
  ];

  it.each([
    ['Hanne', undefined, 'real', /^Really better: /],
    ['Hanne', /^Lead knee in/, 'none', /^The same as on /],
    ['Kofi', /^Seat off its line/, 'maybe', /^Probably better: .*Not yet sure enough/],
    ['Gus', undefined, 'cant_tell', /^Can’t tell yet/],
  ] as const)('%s: %s is %s', async (name, measure, wanted, said) => {
    await page.goto(`${program.url}/students/${idOf(name)}/progress`);
    await seePart(page, '[data-testid="verdict"]');
    if (measure)
      await page.evaluate((source) => {
        const named = new RegExp(source);
        for (const button of document.querySelectorAll('button'))
          if (named.test(button.textContent?.trim() ?? '')) return button.click();
      }, measure.source);
    await page.waitForFunction(
      (v) => document.querySelector<HTMLElement>('[data-testid="verdict"]')?.dataset.verdict === v,
      {},
      wanted,
    );
    expect((await verdict())[1]).toMatch(said);
  });

  it('the driver is another question: it does not hold there, and the screen says what to film', async () => {
    await open('Hanne');
    const { transfer, inBand } = await story('Hanne', 'trunk_lean_top');
    const filmed = transfer.cells.filter(({ swings }) => swings > 0);
    const of = (club: string) => filmed.find((cell) => cell.club === club)?.inBand as number;
    expect(inBand).toBeGreaterThan(0.9);
    expect(of('driver')).toBeLessThan(0.5);
    expect(of('mid_iron')).toBeGreaterThan(0.8);
    await see(page, 'Film next: driver');
    await see(page, `${Math.round(100 * of('driver'))} in 100, 3 swings`);
  });

  it('dates told before stand beside what came, and Kofi’s stands open', async () => {
    const { dates } = await story('Hanne', 'trunk_lean_top');
    expect(dates.told.some(({ came, pit }) => came !== null && pit !== null)).toBe(true);
    expect(dates.score.judged).toBeGreaterThan(0);
    await open('Hanne');
    await see(page, `${dates.score.held} of ${dates.score.judged} told dates held`);
    const { forecast } = await story('Kofi', 'seat_loss_impact');
    const { inBand } = forecast.done;
    if (!inBand) throw new Error('Kofi has no date');
    expect(inBand.lo80 < inBand.likely && inBand.likely < inBand.hi80).toBe(true);
  });

  it('felt and ball stand beside it, and nothing is called a cause', async () => {
    await open('Hanne');
    await see(page, '3 answers, 1 of them felt as nothing');
    await see(page, 'Low point went together with it');
    expect(await textOf(page, 'main')).not.toMatch(/caused/i);
  });

  it('owned is what two cold films a week apart say; the report says so to a parent, with no odds', async () => {
    const brief = await ask<{ owned: { owned: boolean } }>(`/api/students/${idOf('Hanne')}/brief`);
    expect(brief.owned.owned).toBe(true);
    await open('Hanne');
    await page.locator('a[href$="/report"]').click();
    await see(page, 'You have logged');
    await page.locator('label ::-p-text(For a parent)').click();
    await see(page, 'Where Hanne Dahl stands');
    await see(page, 'The change is owned');
    expect(await textOf(page, 'article')).not.toMatch(/in band \d|19 times/);
    const pdf = await page.evaluate(
      (url) => fetch(url).then(async (r) => [r.headers.get('content-type'), (await r.text()).slice(0, 5)]),
      `/api/students/${idOf('Hanne')}/report.pdf?for=parent`,
    );
    expect(pdf).toEqual(['application/pdf', '%PDF-']);
  });

  it('everybody: what works with how few, gates not yet passed, and how good dates were', async () => {
    await page.goto(`${program.url}/everybody`);
    await see(page, 'How good told dates were');
    await see(page, 'few: more a guess than a figure');
    await see(page, 'Who is still on a rung counts as not yet');
  });
});
