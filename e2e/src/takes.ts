import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { CLIPS } from './program.ts';

/** A clip as the camera's key brings it: sent, and made a swing of today, as the day's card asks. */
export async function bringIn(page: Page, student: string, name: string): Promise<string> {
  const bytes = readFileSync(join(CLIPS, name)).toString('base64');
  return page.evaluate(
    async (id, text) => {
      const today = (await (await fetch('/api/me')).json()).today as string;
      const own = { 'x-inchstep': '1' };
      const form = new FormData();
      form.set('id', crypto.randomUUID());
      form.set('kind', 'face_on');
      form.set('recordedOn', today);
      const bytes = Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
      form.set('file', new Blob([bytes]), 'take.mp4');
      const sent = await fetch(`/api/students/${id}/clips`, { method: 'POST', headers: own, body: form });
      const clip = await sent.json();
      const view = {
        kind: 'face_on',
        clipId: clip.id,
        widthPx: clip.widthPx,
        heightPx: clip.heightPx,
        camera: {},
        groundMarks: [],
        stationTimes: {},
      };
      const made = await (await fetch(`/api/students/${id}/how-made?on=${today}`)).json();
      const swing = { id: crypto.randomUUID(), recordedOn: today, ...made, views: [view], marks: [] };
      const answer = await fetch(`/api/students/${id}/swings`, {
        method: 'POST',
        headers: { ...own, 'content-type': 'application/json' },
        body: JSON.stringify(swing),
      });
      if (!answer.ok) throw new Error(await answer.text());
      return swing.id;
    },
    student,
    bytes,
  );
}
