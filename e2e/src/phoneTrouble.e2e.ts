import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Checkin } from '@inchstep/contract/checkins';
import type { StoredSet } from '@inchstep/contract/practice';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { lightFormat } from 'date-fns';
import type { ElementHandle, Page } from 'puppeteer-core';
import { chooseFile, press, see, seePart, soon, story, type } from './hands.ts';
import { type Line, lineTo } from './line.ts';
import { moveDate } from './movedDate.mjs';
import { CLIPS, type Program, startProgram } from './program.ts';
import { send, studentWithDrill } from './setUp.ts';

/** What goes wrong with phones: two tabs, a link that was closed, no room, a film that is too large. */
describe('a phone in trouble', () => {
  const step = story(it);
  const student = randomUUID();
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-films-'));
  let program: Program;
  let line: Line;
  let coach: Page;
  let phone: Page;
  let card: string;

  beforeAll(async () => {
    program = await startProgram({ env: { MAX_CLIP_MB: '1' } });
    line = await lineTo(program.url);
    coach = await program.page();
    card = `${line.url}/p/${await studentWithDrill(program, coach, student, 'knee_swap')}`;
    phone = await program.page(390, 844);
    await phone.bringToFront();
    await phone.goto(card);
    await see(phone, 'Priya’s practice');
    await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
  });
  afterAll(async () => {
    rmSync(folder, { recursive: true, force: true });
    await line.close();
    await program.stop();
  });

  const asCoach = <T>(path: string): Promise<T> =>
    coach.evaluate((url) => fetch(url).then((r) => r.json()), `/api/students/${student}/${path}`);
  const reps = async () => (await asCoach<StoredSet[]>('sets')).map((set) => set.reps).sort();
  const count = async (page: Page, ...calls: string[]) => {
    const today = await page.evaluate(() => document.querySelector('article') !== null);
    // A tab that was behind another one may miss the first press.
    for (let i = 0; !today && i < 5; i++) {
      await press(page, 'Practise anyway');
      if (await page.waitForSelector('article', { timeout: 4000 }).catch(() => null)) break;
    }
    const looks = await page.evaluate(() => document.body.innerText.includes('Looked, go on'));
    if (looks) await press(page, 'Looked, go on');
    for (const call of calls) await press(page, call);
    await press(page, 'Log this set');
  };

  step('two tabs, no signal: both know what waits, and it goes once', async () => {
    line.cut();
    const other = await program.again(phone);
    await other.bringToFront();
    await other.goto(card);
    await see(other, 'Priya’s practice');
    await phone.bringToFront();
    await count(phone, 'Counted', 'Missed');
    await see(phone, 'Kept on this phone: one set.');
    await other.bringToFront();
    await see(other, 'Kept on this phone: one set.');
    line.mend();
    await other.waitForFunction(() => !document.body.innerText.includes('Kept on this phone'));
    await phone.bringToFront();
    await phone.waitForFunction(() => !document.body.innerText.includes('Kept on this phone'));
    await other.close();
    expect(await reps()).toEqual(['PF']);
  });

  step(
    'a link that was closed meanwhile loses nothing: a newer one on the same phone brings it',
    async () => {
      line.cut();
      await count(phone, 'Counted', 'Counted', 'Counted');
      await see(phone, 'Kept on this phone: one set.');
      const { token } = await send(coach, `/api/students/${student}/links`, { days: 9 });
      line.mend();
      await phone.reload();
      await see(phone, 'This link was closed by your coach.');
      await see(phone, 'This link is closed; it goes when you open a newer link on this phone.');
      expect(await reps()).toEqual(['PF']);
      card = `${line.url}/p/${token}`;
      await phone.goto(card);
      await see(phone, 'Priya’s practice');
      // What is kept shows only once the phone has looked: its going away says nothing yet.
      await soon(reps, ['PF', 'PPP']);
    },
  );

  step('a film that is too large is refused in words; what was written goes without it', async () => {
    const large = join(folder, 'large.mp4');
    writeFileSync(large, Buffer.alloc(1.5 * 1024 * 1024));
    await phone.locator('fieldset label::-p-text(No)').click();
    await type(phone, 'textarea', 'Two films of it.');
    const input = (await seePart(phone, '[data-testid="clip-input"]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(large, join(CLIPS, 'wren.face_on.mp4'));
    await press(phone, 'Send');
    await see(phone, 'Not taken: A clip');
    await see(phone, 'Sent. It is in the coach’s queue.');
    const [checkin] = await asCoach<Checkin[]>('checkins');
    expect(checkin).toMatchObject({ note: 'Two films of it.', clips: [{ fileName: 'wren.face_on.mp4' }] });
    await press(phone, 'Let it go');
    await phone.waitForFunction(() => !document.body.innerText.includes('Not taken'));
  });

  step(
    'a phone whose clock is weeks ahead: what it did without a signal lands on the day it was done',
    async () => {
      const today = (await asCoach<StoredSet[]>('sets'))[0]?.date ?? '';
      line.cut();
      const ahead = await program.again(phone);
      await ahead.evaluateOnNewDocument(`(${moveDate.toString()})(${40 * 86_400_000})`);
      await ahead.goto(card);
      await see(ahead, 'No signal');
      await count(ahead, 'Counted', 'Missed', 'Missed');
      await ahead.locator('fieldset label::-p-text(No)').click();
      await type(ahead, 'textarea', 'From next month.');
      const film = join(CLIPS, 'wren.face_on.mp4');
      await chooseFile(ahead, '[data-testid="clip-input"]', film);
      await press(ahead, 'Send');
      await see(ahead, 'Kept on this phone: one set, one message, one clip.');
      line.mend();
      await see(ahead, 'Sent. It is in the coach’s queue.');
      await ahead.waitForFunction(() => !document.body.innerText.includes('Kept on this phone'));
      expect(await ahead.evaluate(() => document.body.innerText.includes('Not taken'))).toBe(false);
      await ahead.close();
      await phone.bringToFront();
      const sets = await asCoach<StoredSet[]>('sets');
      expect(sets.find((set) => set.reps === 'PFF')?.date).toBe(today);
      const [checkin] = await asCoach<Checkin[]>('checkins');
      // The film was made on the day that its own file names.
      const filmed = lightFormat(statSync(film).mtime, 'yyyy-MM-dd');
      expect(checkin).toMatchObject({ note: 'From next month.', clips: [{ recordedOn: filmed }] });
    },
  );

  step('no room on the phone: the page says to leave it open, and sends all the same', async () => {
    await phone.evaluate(() => {
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (
        this: IDBObjectStore,
        value: { file?: unknown },
        key?: IDBValidKey,
      ) {
        if (value?.file) throw new DOMException('full', 'QuotaExceededError');
        return put.call(this, value, key);
      };
    });
    line.cut();
    await phone.locator('fieldset label::-p-text(No)').click();
    await type(phone, 'textarea', 'And one more.');
    await chooseFile(phone, '[data-testid="clip-input"]', join(CLIPS, 'wren.face_on.mp4'));
    await press(phone, 'Send');
    await see(phone, 'There is no room on this phone to keep all of it');
    await see(phone, 'Kept on this phone; it goes by itself.');
    line.mend();
    await see(phone, 'Sent. It is in the coach’s queue.');
    expect(
      (await asCoach<Checkin[]>('checkins')).map(({ note, clips }) => [note, clips.length]),
    ).toContainEqual(['And one more.', 1]);
  });

  step('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});
