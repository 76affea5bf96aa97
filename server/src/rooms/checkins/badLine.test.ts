import * as wire from '@inchstep/contract/endpoints';
import type { Endpoint } from '@inchstep/contract/wire';
import {
  LANES,
  nextSending,
  outcomeOf,
  placeAfter,
  type Sending,
  type SendingKind,
  withoutClip,
} from '@inchstep/core/checkins';
import { type Random, seededRandom } from '@inchstep/core/foundation';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, clipBytes, type TestServer, takeDrills, testServer, whole } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

interface Waits extends Sending {
  readonly body: Readonly<Record<string, unknown>>;
}
interface Told {
  readonly status: number;
  readonly code: string;
}
type Letter = { readonly what: SendingKind; readonly body: Waits['body']; readonly sentAt: string };

/** Ids that are the same in every run of a seed, so that records can be laid beside each other. */
const idOf = (random: Random): string =>
  'xxxxxxxx-xxxx-4xxx-8xxx-xxxxxxxxxxxx'.replaceAll('x', () => Math.floor(random() * 16).toString(16));

const BEGAN = Date.parse('2027-03-01T09:00:00.000Z');
const at = (minutes: number): string => new Date(BEGAN + minutes * 60_000).toISOString();

/** What a student did in an afternoon without a signal: sets, words, two clips, and at some point it hurt. */
function afternoon(random: Random): Waits[] {
  const done: Waits[] = [];
  const put = (what: SendingKind, body: Waits['body'], after: string[] = []) =>
    done.push({
      id: String(body.id),
      what,
      at: placeAfter(done, BEGAN),
      after,
      heldUntil: null,
      refused: null,
      body,
    });
  const painAt = Math.floor(random() * 8);
  const clips = [idOf(random), idOf(random)];
  let painId: string | null = null;
  for (let i = 0; i < 8; i++) {
    const doneAt = at(i);
    const set = { date: '2027-03-01', drill: 'knee_swap', stage: 'still', felt: 5, layer: 1, doneAt };
    put('set', { id: idOf(random), ...set, reps: 'PF?P'.slice(0, 1 + (i % 4)), device: null });
    if (i !== painAt) continue;
    painId = idOf(random);
    put('pain', { id: painId, where: 'knee', writtenAt: at(i + 0.5) });
  }
  for (const id of clips) put('clip', { id, kind: 'face_on', recordedOn: '2027-03-01' });
  const words = { pain: true, painWhere: 'lead knee', painId, note: 'It hurts.', felt: null };
  put('checkin', { id: idOf(random), ...words, clipIds: clips, writtenAt: at(9) }, clips);
  return done;
}

/** One phone, one link, and a line that loses questions and answers, doubles letters and brings some late. */
class BadLine {
  private readonly late: Letter[] = [];
  private readonly token: string;
  private readonly random: Random;
  private readonly badness: number;

  constructor(token: string, random: Random, badness: number) {
    this.token = token;
    this.random = random;
    this.badness = badness;
  }

  async send(letter: Letter): Promise<Told> {
    const lost = { status: 0, code: 'offline' };
    if (this.late.length > 0 && this.random() < 0.5) await this.arrive(this.late.shift() as Letter);
    const luck = this.random();
    if (luck < this.badness * 0.3) return lost;
    // Nobody heard of it, and it comes all the same, after what was sent later.
    if (luck < this.badness * 0.5) {
      this.late.push(letter);
      return lost;
    }
    const told = await this.arrive(letter);
    if (luck < this.badness * 0.65) await this.arrive(letter);
    return luck < this.badness ? lost : told;
  }

  async settle(): Promise<void> {
    for (const letter of this.late.splice(0)) await this.arrive(letter);
  }

  private async arrive({ what, body, sentAt }: Letter): Promise<Told> {
    const { status, body: said } =
      what === 'clip'
        ? await server.upload(
            wire.page.addClip,
            { token: this.token },
            clipBytes('wren.face_on.mp4'),
            body as Record<string, string>,
          )
        : await server.ask<Endpoint>(SENT_TO[what], { token: this.token, body } as object, {
            'x-inchstep-sent-at': sentAt,
          });
    return { status, code: (said as { code?: string } | undefined)?.code ?? '' };
  }
}

const SENT_TO = {
  set: wire.page.logSet,
  pain: wire.page.stopForPain,
  checkin: wire.page.sendCheckin,
} as const;

/** Empties a phone over a line, as its outbox does. */
async function empty(phone: Waits[], line: BadLine, random: Random): Promise<void> {
  let waiting = phone;
  let minutes = 30;
  for (let tries = 0; waiting.some(({ refused }) => refused === null); tries++) {
    if (tries > 2000) throw new Error('badLine: it never went');
    minutes += random();
    server.at(at(minutes));
    for (const lane of LANES) {
      const next = nextSending(waiting, lane, BEGAN + minutes * 60_000);
      if (!next) continue;
      const told = await line.send({ what: next.what, body: next.body, sentAt: at(minutes) });
      const outcome = outcomeOf(told);
      if (outcome === 'taken') waiting = waiting.filter(({ id }) => id !== next.id);
      if (outcome === 'refused')
        waiting = waiting.map((one) =>
          one.id === next.id ? { ...one, refused: told.code } : withoutClip(one, next.id),
        );
    }
  }
  await line.settle();
}

/** The record of a student as it says what was done, without when it came. */
async function recordOf(student: string) {
  const sets = (await server.ask(wire.practice.listSets, { id: student })).body;
  const hold = (await server.ask(wire.intake.readHold, { id: student })).body;
  const checkins = (await server.ask(wire.checkins.listCheckins, { id: student })).body;
  const clips = (await server.ask(wire.capture.listClips, { id: student })).body;
  return {
    sets: sets.map(({ reps, drill, stage }) => `${drill} ${stage} ${reps}`).sort(),
    hold: hold && { where: hold.where, lifted: hold.liftedAt },
    checkins: checkins.map(({ pain, painWhere, note, clips: with_ }) => [
      pain,
      painWhere,
      note,
      with_.length,
    ]),
    clips: clips.length,
  };
}

async function lived(seed: number, badness: number) {
  server.at('2027-03-01T08:00:00.000Z');
  const student = await addStudent(server);
  await takeDrills(server, student, ['knee_swap']);
  const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
  const phone = afternoon(seededRandom(seed));
  // Every run has ids of its own, and the same afternoon.
  const fresh = seededRandom(seed * 7919 + Math.round(badness * 100));
  const names = new Map(phone.map(({ id }) => [id, idOf(fresh)]));
  const named = JSON.parse(
    JSON.stringify(phone).replaceAll(/[0-9a-f-]{36}/g, (id) => names.get(id) ?? id),
  ) as Waits[];
  const random = seededRandom(seed + 1);
  await empty(named, new BadLine(link.body.token, random, badness), random);
  return recordOf(student);
}

describe('a phone’s afternoon over a line that loses, doubles and delays', () => {
  test.each([1, 2, 3, 4, 5, 6])('seed %i: the record is the one of a good line', async (seed) => {
    const good = await lived(seed, 0);
    expect(good.checkins).toEqual([[true, 'lead knee', 'It hurts.', 2]]);
    expect(good.clips).toBe(2);
    expect(good.hold).toEqual({ where: 'knee', lifted: null });
    // Sets of before it hurt are kept, those of after it are not.
    expect(good.sets.length).toBeGreaterThan(0);
    expect(good.sets.length).toBeLessThan(9);
    for (const badness of [0.5, 0.9]) expect(await lived(seed, badness)).toEqual(good);
  });
});

describe('pain that goes ahead of its check-in', () => {
  test('told twice it holds nothing that was lifted meanwhile, and says where in the end', async () => {
    server.at('2027-03-01T09:00:00.000Z');
    const student = await addStudent(server);
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
    const random = seededRandom(99);
    const pain = { id: idOf(random), where: '', writtenAt: at(0) };
    expect((await server.ask(wire.page.stopForPain, { token: link.body.token, body: pain })).status).toBe(
      200,
    );
    await server.ask(wire.page.stopForPain, { token: link.body.token, body: { ...pain, where: 'low back' } });
    const hold = () => server.ask(wire.intake.readHold, { id: student });
    expect((await hold()).body).toMatchObject({ id: pain.id, where: 'low back' });
    const queue = await server.ask(wire.progress.listQueue);
    expect(whole(queue.body).rows.find((row) => row.studentId === student)).toMatchObject({ reason: 'pain' });
    await server.ask(wire.intake.liftHold, { id: student, body: { note: 'we talked' } });
    const words = { pain: true, painWhere: 'low back', painId: pain.id, note: '', felt: null, clipIds: [] };
    await server.ask(wire.page.sendCheckin, {
      token: link.body.token,
      body: { id: idOf(random), ...words, writtenAt: at(0) },
    });
    expect((await hold()).body).toBeNull();
  });
  test('a check-in that comes before its report is the report; without one it reports by itself', async () => {
    const student = await addStudent(server);
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
    const random = seededRandom(100);
    const painId = idOf(random);
    const words = { pain: true, painWhere: 'hip', note: '', felt: null, clipIds: [], writtenAt: at(0) };
    await server.ask(wire.page.sendCheckin, {
      token: link.body.token,
      body: { id: idOf(random), ...words, painId },
    });
    expect(
      (
        await server.ask(wire.page.stopForPain, {
          token: link.body.token,
          body: { id: painId, where: 'hip', writtenAt: at(0) },
        })
      ).status,
    ).toBe(200);
    const hold = () => server.ask(wire.intake.readHold, { id: student });
    expect((await hold()).body).toMatchObject({ id: painId, where: 'hip' });
    await server.ask(wire.intake.liftHold, { id: student, body: { note: 'we talked' } });
    await server.ask(wire.page.sendCheckin, { token: link.body.token, body: { id: idOf(random), ...words } });
    expect((await hold()).body).toMatchObject({ where: 'hip' });
  });
});
