import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { chooseFile, press, see, seePart, story, type } from './hands.ts';
import { CLIPS, type Program, startProgram } from './program.ts';

const MOST_ACTIONS = 40;
const MOST_MS = 5 * 60_000;

/** A coach with a new student before him and two clips in hand: from opening the program to a dated plan, counted. */
describe('five minutes', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let actions = 0;
  let began = 0;

  beforeAll(async () => {
    program = await startProgram();
    page = await program.page();
    // The coach is known already; the five minutes begin when the program is opened.
    await page.goto(program.url);
    await type(page, 'input[autocomplete="name"]', 'Ilse Varga');
    await type(page, 'input[type="password"]', 'limestone and larks');
    await press(page, 'Begin');
    await see(page, 'Add the first student');
  });
  afterAll(() => program.stop());

  const presses = async (name: string, role?: string) => {
    actions++;
    await press(page, name, role);
  };
  const fills = async (field: string, text: string) => {
    actions++;
    await type(page, field, text);
  };
  const files = async (view: string) => {
    actions++;
    await chooseFile(page, `[data-testid="file-${view}"]`, join(CLIPS, `priya-then.${view}.mp4`));
    await seePart(page, `[data-testid="pane-${view}"]`);
  };

  step('the student', async () => {
    began = Date.now();
    await page.goto(program.url);
    await presses('Add the first student', 'link');
    await fills('#firstName', 'Priya');
    await fills('#familyName', 'Raman');
    await fills('#bornOn', '1988-04-09');
    await fills('#heightIn', '65');
    await presses('Save and go to the bench');
    await see(page, 'No swing yet');
  });

  step('both clips, marked by proposals', async () => {
    await files('face_on');
    await files('down_the_line');
    for (const view of ['down the line', 'face-on']) {
      await presses(`Propose stations and marks, ${view}`);
      await page.waitForFunction(
        () =>
          /proposed, not checked/.test(
            document.querySelector('[data-testid="proposed-count"]')?.textContent ?? '',
          ),
        { timeout: 120_000 },
      );
      if (view === 'down the line') {
        actions++;
        await page.keyboard.press('v');
      }
    }
    await see(page, 'Saved');
  });

  step('why, what to do, and when', async () => {
    await presses('Diagnose', 'link');
    // Proposals that nobody checked leave it open; what would settle it is named, and the coach has seen it.
    await see(page, 'Next look');
    await presses('club runs past level at the top: not looked');
    await presses('Diagnose again');
    await seePart(page, '[data-testid^="root-"]');
    await presses('Work on this, find the drill');
    await seePart(page, '[data-testid^="drill-"]');
    await presses('Take into use, lay out the plan');
    await see(page, 'Lay out the plan');
    await presses('Accept this plan');
    await see(page, 'Plan saved.');
    const days = await page.$$eval('section, div', (all) => all.map((e) => e.textContent ?? '').join(' '));
    expect(days).toMatch(/\d+ ahead/);
  });

  step('under five minutes and forty actions', () => {
    expect(actions).toBeLessThanOrEqual(MOST_ACTIONS);
    expect(Date.now() - began).toBeLessThan(MOST_MS);
    expect(program.complaints).toEqual([]);
  });
});
