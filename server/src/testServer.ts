import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import type { Profile } from '@inchstep/contract/intake';
import { NO_TROUBLE } from '@inchstep/core/intake';
import { buildApp } from './app.ts';
import { WRITE_HEADER } from './platform/address.ts';
import { projectRoot } from './platform/db.ts';
import type { App } from './platform/http.ts';
import type { JobLimits } from './platform/jobs.ts';
import { type ServerSettings, TEST_SETTINGS } from './platform/settings.ts';
import { makeContext } from './start.ts';

interface Answer<T = unknown> {
  readonly status: number;
  readonly body: T;
}
/** What the program's own pages send with every change. */
export const OWN_PAGE = { [WRITE_HEADER]: '1' };
type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

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
  const { ask, upload, session } = asker(app);
  if (signedIn !== false)
    await ask('POST', '/api/setup', { name: 'Ilse Varga', passphrase: 'a passphrase for tests' });
  return {
    app,
    ctx,
    ask,
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
/** Asks a server by injection, as one browser that keeps its cookie. */
function asker(app: App) {
  let cookie = '';
  const ask = async <T = never>(
    method: Method,
    url: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> => {
    const response = await app.inject({
      method,
      url,
      headers: { cookie, ...OWN_PAGE, ...headers },
      ...(body === undefined ? {} : { payload: body as object }),
    });
    const set = response.headers['set-cookie'];
    if (set) cookie = String(set).split(';')[0] ?? '';
    return { status: response.statusCode, body: bodyOf(response) as T };
  };
  /** Sends a file as a browser does: small fields first. */
  const upload = async <T = never>(
    url: string,
    file: Buffer,
    fields: Record<string, string>,
    name = 'swing.mp4',
  ): Promise<Answer<T>> => {
    const form = new FormData();
    for (const [key, value] of Object.entries(fields)) form.set(key, value);
    form.set('file', new Blob([new Uint8Array(file)]), name);
    const request = new Request('http://test/', { method: 'POST', body: form });
    const response = await app.inject({
      method: 'POST',
      url,
      headers: { cookie, ...OWN_PAGE, 'content-type': request.headers.get('content-type') ?? '' },
      payload: Buffer.from(await request.arrayBuffer()),
    });
    return { status: response.statusCode, body: response.json() };
  };
  const session = {
    cookie: () => cookie,
    forget: () => {
      cookie = '';
    },
  };
  return { ask, upload, session };
}
export type TestServer = Awaited<ReturnType<typeof testServer>>;

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
  const { status, body } = await server.ask('POST', '/api/students', { id, profile: profile(more) });
  if (status !== 200) throw new Error(`addStudent: ${JSON.stringify(body)}`);
  return id;
}

/** Takes drills into use with a student, overruling whatever speaks against them. */
export async function takeDrills(server: TestServer, student: string, drills: string[]): Promise<string> {
  const diagnosis = { id: randomUUID(), swingId: null, findings: [{ id: 'obs.overswing', seen: 'present' }] };
  await server.ask('POST', `/api/students/${student}/diagnoses`, diagnosis);
  const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills, note: 'for the test' };
  const { status, body } = await server.ask('POST', '/api/drill-choices', choice);
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

/** JSON as it is; a file, or nothing, as text. */
function bodyOf(response: { headers: object; body: string; json: () => unknown }): unknown {
  const type = String((response.headers as Record<string, unknown>)['content-type'] ?? '');
  return type.includes('json') ? response.json() : response.body || undefined;
}
