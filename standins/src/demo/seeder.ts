import { randomUUID } from 'node:crypto';
import { FOUND_STATIONS, type View } from '@inchstep/core/capture';
import { plusDays, type Random, seededRandom } from '@inchstep/core/foundation';
import type { FaultGrades } from '../golfer/faultEffects.ts';
import { simulate } from '../simulate.ts';
import { readClip } from './clipFiles.ts';
import { agreeLesson } from './lessons.ts';
import { handMarks, stationTimesOf, truthOf } from './markedClip.ts';
import type { Person } from './people.ts';
import type { Call, Clock, Send } from './requests.ts';

/** Lives through a made-up student's weeks, one request after another, as the people would. */
/** What is not said of a swing: a mid-iron, full, without the drill, at the range, before any cue. */
interface HowMade {
  readonly club?: string;
  readonly speed?: string;
  readonly aid?: 'on' | 'off';
  readonly place?: string;
  readonly cue?: 'before' | 'after';
}

export class Seeder {
  readonly random: Random;
  readonly call: Call;
  readonly send: Send;
  private readonly clock: Clock;
  private readonly today: string;

  constructor(call: Call, send: Send, clock: Clock, today: string) {
    this.call = call;
    this.send = send;
    this.clock = clock;
    this.today = today;
    this.random = seededRandom(20270301);
  }

  day(ago: number): string {
    return plusDays(this.today, -ago);
  }

  at(daysAgo: number, hour: number): string {
    const day = this.day(daysAgo);
    this.clock.set(day, hour);
    return day;
  }

  async create(person: Person, lessonIn: number | null, startedAgo: number, time = '10:00') {
    this.at(startedAgo, 9);
    const id = randomUUID();
    const bornOn = plusDays(this.today, -Math.round(person.age * 365.25 + 100));
    const profile = {
      ...person.profile,
      heightIn: person.heightIn,
      handedness: person.left ? 'left' : 'right',
      bornOn,
      nextLesson: null,
    };
    await this.call('POST', '/api/students', { id, profile });
    if (lessonIn !== null) await agreeLesson(this, id, lessonIn, time);
    return id;
  }

  /** Filmed and measured swings of one day, marked as a careful coach marks. */
  async swings(
    student: string,
    person: Person,
    ago: number,
    grades: FaultGrades,
    count: number,
    seed: number,
    how: HowMade = {},
    views: readonly View['kind'][] = ['face_on', 'down_the_line'],
  ): Promise<string[]> {
    const recordedOn = this.at(ago, 10);
    const made = simulate({
      golfer: { handedness: person.left ? 'left' : 'right', heightIn: person.heightIn },
      faults: grades,
      seed,
      daySeed: seed * 1000 + ago,
      swings: count,
      stations: FOUND_STATIONS,
      views: views.map((kind) => ({ kind })),
    });
    const ids: string[] = [];
    for (const { capture } of made) {
      const kinds = new Map(capture.views.map((view) => [view.id, view.kind]));
      const marks = capture.marks.map((mark) => ({ ...mark, view: kinds.get(mark.view) }));
      const swingViews = capture.views.map(({ id: _, ...view }) => ({
        ...view,
        clipId: null,
        stationTimes: {},
      }));
      ids.push(await this.saveSwing(student, recordedOn, how, swingViews, marks));
    }
    return ids;
  }

  private async saveSwing(
    student: string,
    recordedOn: string,
    how: HowMade,
    views: unknown[],
    marks: unknown[],
  ): Promise<string> {
    const id = randomUUID();
    await this.call('POST', `/api/students/${student}/swings`, {
      id,
      recordedOn,
      club: 'mid_iron',
      speed: 'full',
      aid: 'off',
      place: 'range',
      cue: 'before',
      ...how,
      views,
      marks,
    });
    if (marks.length > 0) await this.call('POST', `/api/swings/${id}/measure`);
    return id;
  }

  /** A rendered swing: its clips are sent, its stations named and, if asked, its places marked. */
  async filmed(
    student: string,
    key: string,
    ago: number,
    marked: boolean,
    hour = 11,
  ): Promise<{ swing: string; clips: string[] }> {
    const recordedOn = this.at(ago, hour);
    const truth = await truthOf(key);
    const views: unknown[] = [];
    const clips: string[] = [];
    for (const view of truth.views) {
      const clipId = await this.clip(
        `/api/students/${student}/clips`,
        `${key}.${view.kind}.mp4`,
        view.kind,
        recordedOn,
      );
      clips.push(clipId);
      const stationTimes = marked ? stationTimesOf(truth) : {};
      views.push({
        kind: view.kind,
        clipId,
        widthPx: view.widthPx,
        heightPx: view.heightPx,
        camera: marked ? view.camera : {},
        groundMarks: marked ? view.groundMarks : [],
        stationTimes,
      });
    }
    const marks = marked ? handMarks(truth, this.random) : [];
    return { swing: await this.saveSwing(student, recordedOn, {}, views, marks), clips };
  }

  async clip(url: string, file: string, kind: string, recordedOn: string): Promise<string> {
    const id = randomUUID();
    await this.send(url, await readClip(file), file, { id, kind, recordedOn });
    return id;
  }

  async diagnose(
    student: string,
    swingId: string | null,
    findings: [string, 'present' | 'absent'][] = [],
  ): Promise<{ id: string; workOn: string[] }> {
    const id = randomUUID();
    const record = (await this.call('POST', `/api/students/${student}/diagnoses`, {
      id,
      swingId,
      // As the screen does unless told otherwise.
      wholeDay: swingId !== null,
      findings: findings.map(([f, seen]) => ({ id: f, seen })),
    })) as { result: { workOn: string[] } };
    return { id, workOn: record.result.workOn };
  }

  /** Chooses work, drills and a plan, the way a lesson ends. */
  async settle(
    student: string,
    person: Person,
    diagnosis: string,
    workOn: string[],
    drills: string[],
    note = '',
  ): Promise<void> {
    await this.call('POST', `/api/diagnoses/${diagnosis}/choose`, { workOn, note: '' });
    await this.call('POST', '/api/drill-choices', { id: randomUUID(), diagnosisId: diagnosis, drills, note });
    await this.plan(student, person);
  }

  async plan(student: string, person: Person, ago?: number): Promise<void> {
    if (ago !== undefined) this.at(ago, 12);
    const { days, minutesPerDay, placeByDay } = person.profile as {
      days: string[];
      minutesPerDay: object;
      placeByDay: object;
    };
    const me = (await this.call('GET', '/api/me')) as { today: string };
    await this.call('POST', `/api/students/${student}/plans`, {
      id: randomUUID(),
      start: me.today,
      nextLesson: null,
      days,
      minutesPerDay,
      placeByDay,
    });
  }

  /** Logs a set of repetitions as the student; `rate` is the share that passes. */
  async sets(
    student: string,
    drill: string,
    stage: string,
    daysAgo: readonly number[],
    count: number,
    rate: number,
  ): Promise<void> {
    const rep = () => (this.random() < 0.05 ? '?' : this.random() < rate ? 'P' : 'F');
    for (const ago of daysAgo) {
      await this.set(student, drill, stage, ago, Array.from({ length: count }, rep).join(''));
    }
  }

  /** One set with just these repetitions. */
  async set(student: string, drill: string, stage: string, ago: number, reps: string): Promise<void> {
    const date = this.at(ago, 18);
    const felt = 4 + Math.floor(this.random() * 5);
    await this.call('POST', `/api/students/${student}/sets`, {
      id: randomUUID(),
      date,
      drill,
      stage,
      reps,
      felt,
    });
  }

  async gate(
    student: string,
    ago: number,
    drill: string,
    stage: string,
    decision: 'advance' | 'hold' | 'back',
    note = 'seen it live',
  ): Promise<void> {
    this.at(ago, 19);
    const gates = (await this.call('GET', `/api/students/${student}/gates`)) as {
      drill: string;
      stage: string;
    }[];
    // The count may have opened a lower rung by itself.
    if (gates.find((gate) => gate.drill === drill)?.stage !== stage) return;
    const word = { id: randomUUID(), drill, stage, decision, note };
    await this.call('POST', `/api/students/${student}/gates`, word);
  }

  /** A private link made now; its token is what the student's phone keeps. */
  async link(student: string): Promise<string> {
    const link = await this.call('POST', `/api/students/${student}/links`, { days: 90 });
    return (link as { token: string }).token;
  }

  async checkin(
    token: string,
    ago: number,
    hour: number,
    note: string,
    extra: { pain?: boolean; painWhere?: string; clipIds?: string[] } = {},
  ): Promise<string> {
    this.at(ago, hour);
    const id = randomUUID();
    await this.call('POST', `/api/page/${token}/checkins`, {
      id,
      pain: extra.pain ?? false,
      painWhere: extra.painWhere ?? '',
      note,
      felt: 6,
      clipIds: extra.clipIds ?? [],
    });
    return id;
  }

  async studentClip(token: string, file: string, kind: string, ago: number): Promise<string> {
    const recordedOn = this.at(ago, 17);
    return this.clip(`/api/page/${token}/clips`, file, kind, recordedOn);
  }

  async reply(checkin: string, ago: number, hour: number): Promise<void> {
    this.at(ago, hour);
    const { draft } = (await this.call('GET', `/api/checkins/${checkin}/review`)) as { draft: string };
    // What this coach always adds.
    const text = `${draft}\n\nBreathe out before you go.`;
    await this.call('POST', `/api/checkins/${checkin}/reply`, { id: randomUUID(), text, draft });
  }
}
