import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Swing } from '@inchstep/contract/capture';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { chooseFile, press, see, seePart, story, type } from './hands.ts';
import { makePeopleClip, type Person } from './peopleClip.ts';
import { type Program, startProgram } from './program.ts';

/** Wide of the real ones' middles, either side. */
const REACH_PX = 230;

describe('two people in the picture', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-people-'));

  beforeAll(async () => {
    program = await startProgram();
    page = await program.page();
    await page.goto(program.url);
    await type(page, 'input[autocomplete="name"]', 'Ilse Varga');
    await type(page, 'input[type="password"]', 'limestone and larks');
    await press(page, 'Begin');
    await see(page, 'Add the first student');
    await press(page, 'Add the first student', 'link');
    await type(page, '#firstName', 'Gus');
    await type(page, '#familyName', 'Marlow');
    await type(page, '#bornOn', '1961-09-30');
    await type(page, '#heightIn', '70');
    await press(page, 'Save and go to the bench');
    await see(page, 'No swing yet');
  });
  afterAll(async () => {
    rmSync(folder, { recursive: true, force: true });
    await program.stop();
  });

  const student = () => page.url().split('/students/')[1]?.split('/')[0] ?? '';
  const bring = async (name: string, people: readonly Person[]) => {
    const path = join(folder, `${name}.mp4`);
    writeFileSync(path, await makePeopleClip(page, people));
    await page.goto(`${program.url}/students/${student()}/bench`);
    await chooseFile(page, '[data-testid="file-face_on"]', path);
    await seePart(page, '[data-testid="pane-face_on"]');
    await press(page, 'Propose stations and marks, face-on');
  };
  const proposedMarks = async (): Promise<Swing['marks']> => {
    await page.waitForFunction(() => document.querySelector('[data-testid="proposed-count"]') !== null, {
      timeout: 120_000,
    });
    await see(page, 'Saved');
    const id = page.url().split('/').at(-1) ?? '';
    const swing = await page.evaluate((one) => fetch(`/api/swings/${one}`).then((r) => r.json()), id);
    return (swing as Swing).marks;
  };
  const allWithin = (marks: Swing['marks'], middlePx: number) => {
    expect(marks.length).toBeGreaterThan(60);
    expect(marks.filter(({ u }) => Math.abs(u - middlePx) > REACH_PX)).toEqual([]);
  };

  step('a player before a mirror is told from his reflection', async () => {
    await bring('mirror', [
      { clip: 'gus.face_on.mp4', middlePx: 270, scale: 0.72, laterFrames: 0, mirrored: true },
      { clip: 'gus.face_on.mp4', middlePx: 740, scale: 1, laterFrames: 0 },
    ]);
    allWithin(await proposedMarks(), 740);
  });

  step('of two who swing each in his own time the coach says which is the student', async () => {
    await bring('two', [
      { clip: 'gus.face_on.mp4', middlePx: 260, scale: 0.95, laterFrames: 0 },
      { clip: 'wren.face_on.mp4', middlePx: 750, scale: 1, laterFrames: 25 },
    ]);
    await page.waitForFunction(
      () => /Two people swing/.test(document.querySelector('[role="alert"]')?.textContent ?? ''),
      { timeout: 120_000 },
    );
    // By the keys: Enter on the answer answers, and sets no mark.
    await page.focus('::-p-aria([name="The one on the left"][role="button"])');
    await page.keyboard.press('Enter');
    allWithin(await proposedMarks(), 260);
    expect(program.complaints).toEqual([]);
  });
});
