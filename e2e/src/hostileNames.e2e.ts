import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { see, story } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { send } from './setUp.ts';
import { PROFILE } from './siege/people.ts';

/** Whatever of it were run would raise this flag. */
const FLAG = 'window.ran=1';
const NAMES = [
  `<img src=x onerror="${FLAG}">`,
  `"><script>${FLAG}</script>`,
  `javascript:${FLAG}`,
  `{{constructor.constructor('${FLAG}')()}}`,
  `=HYPERLINK("http://elsewhere.example","x")`,
  `'+alert(1)+'`,
];
const WORDS = `</script><svg onload="${FLAG}"> [x](javascript:${FLAG}) =1+1`;

/** A real browser with its content security policy, and a student whose every word is a trap. */
describe('hostile names on every screen', () => {
  const step = story(it);
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-names-'));
  const students = [0, 2, 4].map(() => randomUUID());
  let program: Program;
  let page: Page;
  let link: string;
  const alarms: string[] = [];

  /** A page that tells of whatever ran, was held back by the policy, asked, or went elsewhere. */
  const watched = async (width: number, height: number): Promise<Page> => {
    const opened = await program.page(width, height);
    opened.on('dialog', (dialog) => {
      alarms.push(`dialog ${dialog.message()}`);
      void dialog.dismiss();
    });
    opened.on('request', (request) => {
      const { host, protocol } = new URL(request.url());
      if (/^http/.test(protocol) && host !== new URL(program.url).host) alarms.push(`asked ${request.url()}`);
    });
    await opened.exposeFunction('alarmed', (what: string) => void alarms.push(what));
    await opened.evaluateOnNewDocument(() => {
      const told = window as unknown as { alarmed: (what: string) => void };
      document.addEventListener('securitypolicyviolation', (event) =>
        told.alarmed(
          `policy ${event.violatedDirective} ${event.blockedURI} ${event.sourceFile}:${event.columnNumber} ${location.pathname}`,
        ),
      );
      Object.defineProperty(window, 'ran', { set: () => told.alarmed('ran') });
    });
    return opened;
  };

  beforeAll(async () => {
    program = await startProgram();
    page = await watched(1280, 800);
    await page.goto(program.url);
    await send(page, '/api/setup', { name: NAMES[0], passphrase: 'limestone and larks' });
    for (const [i, id] of students.entries()) {
      const profile = {
        ...PROFILE,
        firstName: NAMES[2 * i],
        familyName: NAMES[2 * i + 1],
        aims: WORDS,
      };
      await send(page, '/api/students', { id, profile });
      const diagnosis = {
        id: randomUUID(),
        swingId: null,
        findings: [{ id: 'obs.overswing', seen: 'present' }],
      };
      await send(page, `/api/students/${id}/diagnoses`, diagnosis);
      const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills: ['knee_swap'], note: WORDS };
      await send(page, '/api/drill-choices', choice);
      const made = (await send(page, `/api/students/${id}/links`, { days: 9 })) as { token: string };
      link = made.token;
      const checkin = {
        id: randomUUID(),
        pain: i === 0,
        painWhere: WORDS,
        note: WORDS,
        felt: 3,
        clipIds: [],
      };
      await send(page, `/api/page/${link}/checkins`, checkin);
      const to = [{ id: randomUUID(), studentId: id }];
      await send(page, '/api/messages', { to, text: WORDS });
      const lesson = { id: randomUUID(), day: new Date().toISOString().slice(0, 10), begin: true };
      await send(page, `/api/students/${id}/lessons`, lesson);
      await send(page, `/api/students/${id}/lessons/${lesson.id}/notes`, {
        ...{ id: randomUUID(), tag: 'said', text: WORDS },
      });
    }
  });
  afterAll(async () => {
    await program.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  const ROOMS = [
    '',
    '/lesson',
    '/intake',
    '/bench',
    '/diagnosis',
    '/drills',
    '/ladder',
    '/checkins',
    '/progress',
  ];
  const PLACES = ['/', '/students', '/everybody', '/library', '/schools', '/data'];

  step('the coach’s screens show them as letters, run nothing and ask nobody else', async () => {
    for (const path of [
      ...PLACES,
      ...students.flatMap((id) => ROOMS.map((room) => `/students/${id}${room}`)),
    ]) {
      await page.goto(`${program.url}${path}`, { waitUntil: 'networkidle2' });
      if (path === '/students') for (const name of NAMES) await see(page, name);
    }
    expect(alarms).toEqual([]);
  });

  step('so does the student’s page', async () => {
    const phone = await watched(390, 844);
    await phone.goto(`${program.url}/p/${link}`, { waitUntil: 'networkidle2' });
    await see(phone, String(NAMES.at(-2)));
    await phone.close();
    expect(alarms).toEqual([]);
  });

  step('and every file that leaves: reports, cards, tables, the calendar, the export', async () => {
    for (const id of students) {
      const paths = [
        `/api/students/${id}/report.pdf?for=coach`,
        `/api/students/${id}/export.zip`,
        `/api/students/${id}/progress.csv`,
        '/api/everybody.csv',
      ];
      for (const path of paths) {
        const { status, text } = await page.evaluate(async (at) => {
          const answer = await fetch(at);
          return { status: answer.status, text: (await answer.text()).slice(0, 20_000) };
        }, path);
        expect([path, status]).toEqual([path, 200]);
        // A cell that begins like a formula begins with an apostrophe.
        if (path.endsWith('.csv')) expect(text).not.toMatch(/(^|[,\n])"?[=+@]/);
      }
    }
  });
});
