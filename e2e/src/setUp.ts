import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import type { Program } from './program.ts';
import { PROFILE } from './siege/people.ts';

/** Asks as the program's own page does, and throws where it is refused. */
export const send = (page: Page, url: string, body: unknown): Promise<{ readonly token?: string }> =>
  page.evaluate(
    async (to, text) => {
      const answer = await fetch(to, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
        body: text,
      });
      if (!answer.ok) throw new Error(`${to}: ${await answer.text()}`);
      return answer.status === 204 ? {} : answer.json();
    },
    url,
    JSON.stringify(body),
  );

const STUDENT = {
  ...PROFILE,
  aids: ['stick', 'phone', 'basket'],
  places: ['home', 'range'],
  films: ['face_on', 'down_the_line'],
  days: ['mon', 'wed', 'fri', 'sun'],
  minutesPerDay: { sun: 40 },
  placeByDay: { sun: 'range' },
  ballsPerVisit: 60,
  school: { preset: 'centre_and_turn' },
};

/** A coach, and a student with a drill in use and a private link; the plan is still to be laid. Answers the token. */
export async function studentWithDrill(
  program: Program,
  coach: Page,
  student: string,
  drill: string,
): Promise<string> {
  await coach.goto(program.url);
  await send(coach, '/api/setup', { name: 'Ilse Varga', passphrase: 'limestone and larks' });
  await send(coach, '/api/students', { id: student, profile: STUDENT });
  const diagnosisId = randomUUID();
  const findings = [{ id: 'obs.overswing', seen: 'present' }];
  await send(coach, `/api/students/${student}/diagnoses`, { id: diagnosisId, swingId: null, findings });
  await send(coach, '/api/drill-choices', { id: randomUUID(), diagnosisId, drills: [drill], note: 'story' });
  const { token } = await send(coach, `/api/students/${student}/links`, { days: 90 });
  return String(token);
}
