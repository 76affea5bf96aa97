import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { Checkin, Review } from '@inchstep/contract/checkins';
import type { Reading } from '@inchstep/contract/measures';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { press, see, seePart, story } from './hands.ts';
import { CLIPS, type Program, startProgram } from './program.ts';
import { studentWithDrill } from './setUp.ts';

/** A film of today goes from the phone to a verdict without a hand on it. */
describe('a check-in of today’s clip that measures itself', () => {
  const step = story(it);
  const student = randomUUID();
  let program: Program;
  let coach: Page;
  let phone: Page;

  beforeAll(async () => {
    program = await startProgram({ reads: true });
    coach = await program.page();
    const token = await studentWithDrill(program, coach, student, 'knee_swap');
    phone = await program.page(390, 844);
    await phone.goto(`${program.url}/p/${token}`);
    await see(phone, 'Priya’s practice');
  });
  afterAll(() => program.stop());

  const ask = <T>(path: string): Promise<T> =>
    coach.evaluate((url) => fetch(url).then((r) => r.json()), path) as Promise<T>;

  step('the phone sends it with a word', async () => {
    await phone.locator('fieldset label::-p-text(No)').click();
    const input = await seePart(phone, '[data-testid="clip-input"]');
    const clip = join(CLIPS, 'priya-now.face_on.mp4');
    await (input as unknown as { uploadFile(...paths: string[]): Promise<void> }).uploadFile(clip);
    await press(phone, 'Send');
    await see(phone, 'Sent. It is in the coach’s queue.');
    await phone.close();
  });

  step('with the coach’s program open it is looked through, measured, and the review says so', async () => {
    await coach.bringToFront();
    await coach.goto(program.url);
    await coach.waitForFunction(
      (of) =>
        fetch(of)
          .then((r) => r.json())
          .then((all: unknown[]) => all.length > 0),
      { polling: 2000, timeout: 180_000 },
      `/api/students/${student}/readings`,
    );
    const [reading] = await ask<Reading[]>(`/api/students/${student}/readings`);
    expect(reading?.measures.length).toBeGreaterThan(5);
    const [checkin] = await ask<Checkin[]>(`/api/students/${student}/checkins`);
    const review = await ask<Review>(`/api/checkins/${checkin?.id}/review`);
    expect(review.facts.film).toBe('measured');
    await coach.goto(`${program.url}/students/${student}/checkins/${checkin?.id}`);
    await see(coach, 'Nothing has clearly changed yet.');
  });
});
