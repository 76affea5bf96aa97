import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import type { Profile } from '@inchstep/contract/intake';
import { NO_TROUBLE } from '@inchstep/core/intake';
import { buildApp } from './app.ts';
import { projectRoot } from './platform/db.ts';
import type { JobLimits } from './platform/jobs.ts';
import { type ServerSettings, TEST_SETTINGS } from './platform/settings.ts';
import { makeContext } from './start.ts';
import { asker } from './testAsker.ts';

export { OWN_PAGE } from './testAsker.ts';

/** A whole server in a folder of its own, asked by injection, with a clock the test holds. */
export async function testServer(
  settings: Partial<ServerSettings> & {
    signedIn?: boolean;
    rateLimits?: boolean;
    jobs?: Partial<JobLimits>;
  } = {},
) {
  const { signedIn, rateLimits = false, jobs, ...more } = settings;
  const dataDir = more.dataDir ?? mkdtempSync(join(tmpdir(), 'inchstep-server-'));
  let now = new Date('2027-03-01T09:00:00');
  const ctx = makeContext({ ...TEST_SETTINGS, now: () => now, ...more, dataDir }, jobs);
  const app = await buildApp(ctx, { log: false, rateLimits, tls: more.tls ?? null });
  const { ask, askAt, refused, upload, session } = asker(app);
  if (signedIn !== false)
    await ask(wire.care.setUp, { body: { name: 'Ilse Varga', passphrase: 'a passphrase for tests' } });
  return {
    app,
    ctx,
    ask,
    askAt,
    refused,
    upload,
    dataDir,
    at: (moment: string) => {
      now = new Date(moment);
    },
    cookie: session.cookie,
    asNobody: session.forget,
    /** Ends the server and leaves its folder. */
    end: async () => {
      await app.close();
      await ctx.close();
    },
    stop: async () => {
      await app.close();
      await ctx.close();
      rmSync(dataDir, { recursive: true, force: true });
    },
  };
}
export type TestServer = Awaited<ReturnType<typeof testServer>>;

/** A list that is sent whole, since nobody named a state that he had seen. */
export function whole<T extends object>(list: T): Exclude<T, { readonly unchanged: true }> {
  if ('unchanged' in list) throw new Error('whole: only the name of its state was sent');
  return list as Exclude<T, { readonly unchanged: true }>;
}

export const profile = (more: Partial<Profile> = {}): Profile => ({
  firstName: 'Priya',
  familyName: 'Raman',
  bornOn: '1990-05-01',
  handedness: 'right',
  heightIn: 65,
  outerHipWidthIn: null,
  hipJointsApartIn: null,
  flexibility: 'usual',
  armSwing: 'usual',
  beginner: false,
  aids: ['stick', 'phone', 'basket'],
  places: ['home', 'range'],
  cueLiking: { kind: 'any', side: 'any' },
  films: ['face_on', 'down_the_line'],
  days: ['mon', 'wed', 'fri', 'sun'],
  minutesPerDay: { sun: 40 },
  placeByDay: { sun: 'range' },
  ballsPerVisit: 60,
  school: { preset: 'centre_and_turn' },
  safety: { ...NO_TROUBLE, injuredAreas: [], trouble: [] },
  guardianConsent: null,
  aims: '',
  nextLesson: null,
  mail: null,
  ...more,
});

export async function addStudent(server: TestServer, more: Partial<Profile> = {}): Promise<string> {
  const id = randomUUID();
  const { status, body } = await server.ask(wire.intake.addStudent, { body: { id, profile: profile(more) } });
  if (status !== 200) throw new Error(`addStudent: ${JSON.stringify(body)}`);
  return id;
}

/** A check-in that reports pain. */
export const painfulCheckin = (painWhere: string) => ({
  ...{ id: randomUUID(), pain: true, painWhere, note: '', felt: null },
  clipIds: [],
});

/** Takes drills into use with a student, overruling whatever speaks against them. */
export async function takeDrills(server: TestServer, student: string, drills: string[]): Promise<string> {
  const diagnosis = { id: randomUUID(), swingId: null, findings: [{ id: 'obs.overswing', seen: 'present' }] };
  await server.ask(wire.diagnosis.diagnose, { id: student, body: diagnosis });
  const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills, note: 'for the test' };
  const { status, body } = await server.ask(wire.prescription.chooseDrills, { body: choice });
  if (status !== 200) throw new Error(`takeDrills: ${JSON.stringify(body)}`);
  return diagnosis.id;
}

const CLIPS = join(projectRoot(), 'standins', 'clips');
export const clipBytes = (name: string): Buffer => readFileSync(join(CLIPS, name));

interface Truth {
  readonly views: readonly (Omit<SwingView, 'clipId' | 'stationTimes'> & { readonly id: string })[];
  readonly marks: readonly SwingMark[];
  readonly stationFrames: Readonly<Record<string, number>>;
  readonly framesPerSecond: number;
}

/** A marked swing of a stand-in golfer, as the bench would save it. */
export function markedSwing(key: string, more: object = {}) {
  const truth: Truth = JSON.parse(readFileSync(join(CLIPS, `${key}.truth.json`), 'utf8'));
  const times = Object.entries(truth.stationFrames).map(([s, f]) => [s, f / truth.framesPerSecond]);
  return {
    id: randomUUID(),
    recordedOn: '2027-03-01',
    club: 'mid_iron',
    speed: 'full',
    views: truth.views.map(({ id: _, ...view }) => ({
      ...view,
      clipId: null,
      stationTimes: Object.fromEntries(times),
    })),
    marks: truth.marks,
    ...more,
  };
}
