import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { Checkin } from '@inchstep/contract/checkins';
import type { Hold } from '@inchstep/contract/intake';
import type { StoredSet } from '@inchstep/contract/practice';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { press, see, seePart, seriousFindings, story, textOf, type } from './hands.ts';
import { type Line, lineTo } from './line.ts';
import { CLIPS, type Program, startProgram } from './program.ts';
import { studentWithDrill } from './setUp.ts';

const DRILL = 'knee_swap';

/** A student at a range without a signal, and the coach who hears of it when there is one. */
describe('practice without a signal, in the browser', () => {
  const step = story(it);
  const student = randomUUID();
  let program: Program;
  let line: Line;
  let coach: Page;
  let phone: Page;
  let card: string;

  beforeAll(async () => {
    program = await startProgram({ at: '2027-03-01T09:00:00' });
    line = await lineTo(program.url);
    coach = await program.page();
    const token = await studentWithDrill(program, coach, student, DRILL);
    await coach.goto(`${program.url}/students/${student}/ladder`);
    await see(coach, 'Lay out the plan');
    await press(coach, 'Accept this plan');
    await see(coach, 'Plan saved.');
    card = `${line.url}/p/${token}`;
    phone = await program.page(390, 844);
  });
  afterAll(async () => {
    await line.close();
    await program.stop();
  });

  /** Closes the page and opens it anew, as a phone does that was put away. */
  const coldStart = async () => {
    const next = await program.again(phone);
    await phone.close();
    phone = next;
    await phone.goto(card);
    await see(phone, 'Priya’s practice');
  };
  const asCoach = <T>(path: string): Promise<T> =>
    coach.evaluate((url) => fetch(url).then((r) => r.json()), `/api/students/${student}/${path}`);

  step('at home: the page is opened once, and the phone keeps it', async () => {
    await phone.bringToFront();
    await phone.goto(card);
    await see(phone, 'Priya’s practice');
    await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
    const manifest = await phone.evaluate(async () => {
      const link = document.querySelector<HTMLLinkElement>('link[rel="manifest"]');
      return (await fetch(String(link?.href))).json();
    });
    expect(manifest).toMatchObject({ name: 'Priya’s practice', scope: '/p/', display: 'standalone' });
    expect(card).toContain(manifest.start_url);
    // It learns what it needs for other days while nobody waits for it.
    await phone.waitForFunction(
      async (drill) => {
        const papers = await caches.open('page-papers-by-digest');
        const urls = (await papers.keys()).map(({ url }) => url);
        return urls.some((url) => url.endsWith('/plan')) && urls.some((url) => url.endsWith(`/${drill}`));
      },
      {},
      DRILL,
    );
    // The link itself stands in none of the names under which they lie.
    const names = await phone.evaluate(async () => {
      const all = await Promise.all(
        (await caches.keys()).map(async (name) => (await caches.open(name)).keys()),
      );
      return all.flat().map(({ url }) => url);
    });
    expect(names.length).toBeGreaterThan(3);
    expect(names.join()).not.toContain(card.split('/p/')[1]);
  });

  step('at the range: a cold start without a signal shows today, the week and the card', async () => {
    line.cut();
    await coldStart();
    await see(phone, 'No signal. This is what this phone knows');
    expect(await textOf(phone, 'article')).toContain('Still');
    await phone.locator('::-p-text(How to set it up)').click();
    await seePart(phone, 'article details svg[role="img"]');
    await phone.locator('::-p-text(The days ahead)').click();
    await seePart(phone, 'details ol li');
    expect(await seriousFindings(phone)).toEqual([]);
  });

  step('a session is counted, and the next rung opens by the phone’s own reckoning', async () => {
    for (let i = 0; i < 9; i++) await press(phone, 'Counted');
    await press(phone, 'Log this set');
    await see(phone, 'it opened the next rung of Knee swap: Slow');
    await see(phone, 'Kept on this phone: one set.');
    await coldStart();
    expect(await textOf(phone, 'article')).toContain('Slow');
    await see(phone, '9 repetitions logged today.');
  });

  step('words and two clips wait with it', async () => {
    await phone.locator('fieldset label::-p-text(No)').click();
    await type(phone, 'textarea', 'The knee goes out by itself now.');
    const input = await seePart(phone, '[data-testid="clip-input"]');
    const clips = ['priya-now.face_on.mp4', 'priya-now.down_the_line.mp4'].map((n) => join(CLIPS, n));
    await (input as unknown as { uploadFile(...paths: string[]): Promise<void> }).uploadFile(...clips);
    await press(phone, 'Send');
    await see(phone, 'Kept on this phone: one set, one message, 2 clips.');
    await see(phone, 'Kept on this phone; it goes by itself.');
  });

  step('two days on, still none: the card is Wednesday’s, on the rung that was earned', async () => {
    await program.at('2027-03-03T17:00:00');
    await coldStart();
    await see(phone, 'No signal.');
    expect(await textOf(phone, 'article')).toContain('Slow');
    for (const call of ['Counted', 'Counted', 'Missed']) await press(phone, call);
    await press(phone, 'Log this set');
    await see(phone, 'Kept on this phone: 2 sets, one message, 2 clips.');
  });

  step(
    'it hurts: the drills stop at once, a slip can be taken back, and nobody claims that the coach knows',
    async () => {
      await press(phone, 'It hurts: stop');
      await see(phone, 'Stopped: it hurts');
      expect(await phone.$$('article')).toEqual([]);
      await phone.locator('::-p-text(A slip of the finger)').click();
      await seePart(phone, 'article');
      await press(phone, 'It hurts: stop');
      await see(phone, 'Ilse will be told as soon as there is one, and does not know yet.');
      expect(await phone.evaluate(() => document.body.innerText)).not.toContain('has been told');
      await type(phone, 'input[aria-label="Where does it hurt?"]', 'lead knee');
      await press(phone, 'Say it');
      await coldStart();
      await see(phone, 'Stopped: it hurts');
      await see(phone, 'does not know yet');
      expect(await phone.$$('article')).toEqual([]);
      expect(await seriousFindings(phone)).toEqual([]);
      expect(await asCoach<Hold | null>('hold')).toBeNull();
    },
  );

  step('a signal that breaks twice brings everything, once', async () => {
    line.upward(150_000);
    const before = line.sentBytes();
    line.mend();
    await see(phone, 'Your coach has been told');
    await waitFor(() => line.sentBytes() - before > 150_000);
    line.cut();
    await new Promise((done) => setTimeout(done, 500));
    const then = line.sentBytes();
    line.mend();
    await waitFor(() => line.sentBytes() - then > 150_000);
    line.cut();
    await new Promise((done) => setTimeout(done, 500));
    line.upward(null);
    line.mend();
    await phone.waitForFunction(() => !document.body.innerText.includes('Kept on this phone'));
    const sets = await asCoach<StoredSet[]>('sets');
    expect(sets.map(({ reps, date }) => `${date} ${reps}`).sort()).toEqual([
      '2027-03-01 PPPPPPPPP',
      '2027-03-03 PPF',
    ]);
    const checkins = await asCoach<Checkin[]>('checkins');
    expect(checkins.map(({ note, clips }) => [note, clips.length])).toEqual([
      ['The knee goes out by itself now.', 2],
    ]);
    expect(await asCoach<Hold | null>('hold')).toMatchObject({ where: 'lead knee', liftedAt: null });
  });

  step('the coach sees the pain first, lifts it, answers, and the phone goes on', async () => {
    await coach.bringToFront();
    await coach.goto(program.url);
    await seePart(coach, '[data-testid="queue"]');
    expect(await textOf(coach, '[data-testid="queue"]')).toContain('Pain');
    await coach.goto(`${program.url}/students/${student}/checkins`);
    await see(coach, 'Paused for pain.');
    await type(coach, 'input[aria-label="Why you lift the pause"]', 'We talked: sore from gardening.');
    await press(coach, 'Lift pause');
    await seePart(coach, 'textarea[aria-label="Reply"]');
    await coach.focus('textarea[aria-label="Reply"]');
    await coach.keyboard.type('Go gently. ');
    await press(coach, 'Send');
    await see(coach, 'Goes at');
    await press(coach, 'Send it now');
    await see(coach, 'It has gone.');
    await phone.bringToFront();
    await phone.reload();
    await see(phone, 'Go gently.');
    expect(await textOf(phone, 'article')).toContain('Slow');
  });

  step('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});

async function waitFor(so: () => boolean, ms = 30_000): Promise<void> {
  const until = Date.now() + ms;
  while (!so()) {
    if (Date.now() > until) throw new Error('noSignal: it did not come to that');
    await new Promise((done) => setTimeout(done, 50));
  }
}
