import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { NO_TROUBLE } from '@inchstep/core/intake';

/** A coach and a student's phone without a browser: what they send, and what came back. */
export interface Answer {
  readonly status: number;
  readonly body: unknown;
}

export const PASSPHRASE = 'a passphrase for sieges';
const OWN_PAGE = { 'x-inchstep': '1' };

export class Caller {
  private readonly url: string;
  cookie: string;

  /** With a session that was opened before, also by a program that was killed since. */
  constructor(url: string, cookie = '') {
    this.url = url;
    this.cookie = cookie;
  }

  async ask(method: string, path: string, body?: unknown): Promise<Answer> {
    const response = await fetch(`${this.url}${path}`, {
      method,
      headers: {
        ...OWN_PAGE,
        cookie: this.cookie,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const set = response.headers.get('set-cookie');
    if (set) this.cookie = set.split(';')[0] as string;
    return { status: response.status, body: await response.json().catch(() => null) };
  }

  async clip(path: string, id: string, bytes: Buffer, name = 'swing.mp4'): Promise<Answer> {
    const form = new FormData();
    form.set('id', id);
    form.set('kind', 'face_on');
    form.set('recordedOn', '2026-01-01');
    form.set('file', new Blob([new Uint8Array(bytes)]), name);
    const response = await fetch(`${this.url}${path}`, {
      method: 'POST',
      headers: { ...OWN_PAGE, cookie: this.cookie },
      body: form,
    });
    return { status: response.status, body: await response.json().catch(() => null) };
  }

  /** A file that leaves the program, as a stream. */
  async file(path: string): Promise<Readable> {
    const { body } = await fetch(this.url + path, { headers: { cookie: this.cookie } });
    return Readable.fromWeb(body as never);
  }

  async upload(path: string, bytes: Buffer, name = 'record.zip'): Promise<Answer> {
    const form = new FormData();
    form.set('file', new Blob([new Uint8Array(bytes)]), name);
    const headers = { ...OWN_PAGE, cookie: this.cookie };
    const response = await fetch(this.url + path, { method: 'POST', headers, body: form });
    return { status: response.status, body: await response.json().catch(() => null) };
  }

  /** Sets the program up, or signs in where that was done. */
  async enter(): Promise<void> {
    const made = await this.ask('POST', '/api/setup', { name: 'Ilse Varga', passphrase: PASSPHRASE });
    if (made.status !== 200) await this.ask('POST', '/api/sign-in', { passphrase: PASSPHRASE });
  }

  async student(): Promise<string> {
    const id = randomUUID();
    const { status } = await this.ask('POST', '/api/students', { id, profile: PROFILE });
    if (status !== 200) throw new Error(`siege: a student was answered with ${status}`);
    // Sets are taken for what was prescribed only.
    const diagnosis = {
      id: randomUUID(),
      swingId: null,
      findings: [{ id: 'obs.overswing', seen: 'present' }],
    };
    await this.ask('POST', `/api/students/${id}/diagnoses`, diagnosis);
    await this.ask('POST', '/api/drill-choices', {
      id: randomUUID(),
      diagnosisId: diagnosis.id,
      drills: ['knee_swap'],
      note: 'for the siege',
    });
    return id;
  }

  async link(student: string): Promise<string> {
    return (
      (await this.ask('POST', `/api/students/${student}/links`, { days: 90 })).body as { token: string }
    ).token;
  }
}

/** A student as the intake form sends one, with nothing in the way. */
export const PROFILE = {
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
  aids: ['stick'],
  places: ['home'],
  cueLiking: { kind: 'any', side: 'any' },
  films: ['face_on'],
  days: ['mon'],
  minutesPerDay: {},
  placeByDay: {},
  ballsPerVisit: 0,
  school: {},
  safety: NO_TROUBLE,
  guardianConsent: null,
  aims: '',
  nextLesson: null,
  mail: null,
};
