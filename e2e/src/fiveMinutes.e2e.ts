import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Swing } from '@inchstep/contract/capture';
import type { Reading } from '@inchstep/contract/measures';
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
    program = await startProgram({ reads: true });
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

  /** Asks the server as the page does. */
  const ask = <T>(method: string, path: string, body?: unknown): Promise<T | null> =>
    page.evaluate(
      async (how, url, json) => {
        const headers = { 'content-type': 'application/json', 'x-inchstep': '1' };
        const answer = await fetch(url, { method: how, headers, body: json });
        return answer.ok ? answer.json() : null;
      },
      method,
      path,
      body === undefined ? null : JSON.stringify(body),
    );
  const toldIn = (reading: Reading | null) =>
    reading?.measures.filter(({ verdict }) => verdict !== 'cant_tell').length ?? 0;
  let student = '';
  let untaught = 0;

  step('the coach checks every mark of that swing: the program knows the player', async () => {
    const [known] = (await ask<{ id: string }[]>('GET', '/api/students')) ?? [];
    student = known?.id ?? '';
    const [first] = (await ask<Swing[]>('GET', `/api/students/${student}/swings`)) ?? [];
    if (!first) throw new Error('no swing');
    untaught = toldIn(await ask<Reading>('GET', `/api/swings/${first.id}/reading`));
    const truth = JSON.parse(readFileSync(join(CLIPS, 'priya-then.truth.json'), 'utf8')) as {
      marks: Swing['marks'];
    };
    const marks = first.marks.flatMap(({ view, station, landmark, net }) => {
      const real = truth.marks.find(
        (m) => m.view === view && m.station === station && m.landmark === landmark,
      );
      return real && net ? [{ view, station, landmark, u: real.u, v: real.v, sdPx: 1.5, net }] : [];
    });
    expect(marks.length).toBeGreaterThan(60);
    const { version, recordedOn, club, speed, drill, aid, place, cue, views } = first;
    const edit = { version, recordedOn, club, speed, drill, aid, place, cue, views, marks };
    expect(await ask('PUT', `/api/swings/${first.id}`, edit)).not.toBeNull();
    await page.goto(`${program.url}/students/${student}/bench/${first.id}`);
    await see(page, 'Knows Priya’s hips to');
  });

  step('her next swing measures itself, without a hand on it', async () => {
    await page.goto(`${program.url}/students/${student}/bench`);
    for (const view of ['face_on', 'down_the_line'] as const) {
      await chooseFile(page, `[data-testid="file-${view}"]`, join(CLIPS, `priya-now.${view}.mp4`));
      await seePart(page, `[data-testid="pane-${view}"]`);
    }
    const second = page.url().split('/').at(-1) ?? '';
    // Off the bench, the clips are looked through in the background.
    await page.goto(`${program.url}/`);
    const measured = async () => {
      const swing = await ask<Swing>('GET', `/api/swings/${second}`);
      const both = new Set(swing?.marks.map(({ view }) => view)).size === 2;
      const found = both ? await ask<Reading>('GET', `/api/swings/${second}/reading`) : null;
      // Each view is saved and measured by itself: what is read is of the marks of both only then.
      return found && !found.stale && found.version === swing?.version ? found : null;
    };
    let reading = await measured();
    for (let i = 0; i < 240 && !reading; i++) {
      await new Promise((done) => setTimeout(done, 500));
      reading = await measured();
    }
    const swing = await ask<Swing>('GET', `/api/swings/${second}`);
    expect(swing?.marks.every(({ by }) => by === 'network')).toBe(true);
    const truth = JSON.parse(readFileSync(join(CLIPS, 'priya-now.truth.json'), 'utf8')) as {
      measures: Record<string, number>;
    };
    const wrong = reading?.measures.filter(({ id, verdict, band }) => {
      const real = truth.measures[id];
      if (real === undefined || verdict === 'cant_tell') return false;
      const low = band.lo !== null && real < band.lo;
      const high = band.hi !== null && real > band.hi;
      return verdict !== (low ? 'low' : high ? 'high' : 'in');
    });
    // Untaught proposals tell much by themselves (18 of the first swing), so that both are asked for: more than these, and many.
    expect(toldIn(reading)).toBeGreaterThanOrEqual(untaught + 2);
    expect(toldIn(reading)).toBeGreaterThanOrEqual(20);
    expect((wrong ?? []).length).toBeLessThanOrEqual(1);
  });
});
