import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Clip, viewOf } from '@inchstep/contract/capture';
import type { Page } from 'puppeteer-core';
import { CLIPS } from './program.ts';

/** A clip as the camera's key brings it: sent, and made a swing of today, as the day's card asks. */
export async function bringIn(page: Page, student: string, name: string): Promise<string> {
  const bytes = readFileSync(join(CLIPS, name)).toString('base64');
  const { clip, made } = (await page.evaluate(sendClip, student, bytes)) as { clip: Clip; made: object };
  const swing = { recordedOn: clip.recordedOn, ...made, views: [viewOf(clip)], marks: [] };
  return page.evaluate(makeSwing, student, JSON.stringify(swing));
}

/** Runs in the page: sends the clip, and asks how a swing of today is made. */
async function sendClip(student: string, base64: string): Promise<{ clip: unknown; made: unknown }> {
  const { today } = (await (await fetch('/api/me')).json()) as { today: string };
  const form = new FormData();
  form.set('id', crypto.randomUUID());
  form.set('kind', 'face_on');
  form.set('recordedOn', today);
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  form.set('file', new Blob([bytes]), 'take.mp4');
  const own = { 'x-inchstep': '1' };
  const sent = await fetch(`/api/students/${student}/clips`, { method: 'POST', headers: own, body: form });
  const made = await fetch(`/api/students/${student}/how-made?on=${today}`);
  return { clip: await sent.json(), made: await made.json() };
}

/** Runs in the page: makes the swing, and answers its id. */
async function makeSwing(student: string, swing: string): Promise<string> {
  const id = crypto.randomUUID();
  const answer = await fetch(`/api/students/${student}/swings`, {
    method: 'POST',
    headers: { 'x-inchstep': '1', 'content-type': 'application/json' },
    body: JSON.stringify({ id, ...JSON.parse(swing) }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  return id;
}
