import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import type { AnswerOf, Endpoint } from '@inchstep/contract/wire';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { projectRoot } from '../platform/db.ts';
import { type TestServer, testServer } from '../testServer.ts';

/**
 * A demo folder that a program of before the student file kept, and what that program itself said of each
 * student on that day, written down by asking it.
 */
const fixture = (name: string): Buffer =>
  gunzipSync(readFileSync(join(projectRoot(), 'server', 'src', 'fixtures', name)));
type Facts = Readonly<Record<string, unknown>> & { readonly name: string };

let server: TestServer;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'inchstep-old-'));
  writeFileSync(join(folder, 'inchstep.sqlite'), fixture('demo-before-doors.sqlite.gz'));
  const now = () => new Date('2026-11-26T12:00:00Z');
  // What was read stays as that program read it: nothing is measured anew while the two are held together.
  const jobs = { deadlineMs: 0 };
  server = await testServer({ dataDir: folder, demo: true, signedIn: false, now, jobs });
  await server.ask(wire.care.enterDemo);
});
afterAll(async () => {
  await server.end();
  rmSync(folder, { recursive: true, force: true });
});

async function factsOf({ id, profile, limits, archivedAt }: Student): Promise<Facts> {
  const of = async <E extends Endpoint>(endpoint: E) =>
    (await server.ask<Endpoint>(endpoint, { id } as object)).body as AnswerOf<E>;
  const plan = await of(wire.practice.planNow);
  return {
    name: `${profile.firstName} ${profile.familyName}`,
    bornOn: profile.bornOn,
    limits,
    archived: archivedAt !== null,
    clips: (await of(wire.capture.listClips)).length,
    swings: (await of(wire.capture.listSwings)).map((w) => [
      w.recordedOn,
      w.club,
      w.speed,
      w.marks.length,
      w.discardedAt !== null,
    ]),
    verdicts: (await of(wire.measures.listReadings)).map((r) => [
      r.recordedOn,
      r.measures.map((m) => `${m.id} ${m.verdict}`).join(', '),
    ]),
    diagnoses: (await of(wire.diagnosis.listDiagnoses)).map((d) => [
      d.at,
      d.result.workOn.join(),
      d.result.roots.map((r) => `${r.fault} ${r.probability.toFixed(3)}`).join(),
      d.chosen?.workOn.join() ?? null,
    ]),
    choices: (await of(wire.prescription.listChoices)).map((c) => [
      c.forFault,
      c.drills.join(),
      c.endedAt !== null,
    ]),
    sets: (await of(wire.practice.listSets)).map((s) => [s.date, s.drill, s.stage, s.reps]),
    gates: (await of(wire.practice.listGates)).map((g) => [g.drill, g.stage, g.gate.repsUsed]),
    plan: plan && [plan.drills.join(), plan.plan.days.length, plan.plan.days[0]?.date ?? null],
    checkins: (await of(wire.checkins.listCheckins)).map((c) => [c.at, c.pain, c.reply?.text.length ?? null]),
  };
}

test('a folder of before the student file means the same', async () => {
  const then = JSON.parse(fixture('demo-before-doors.facts.json.gz').toString('utf8')) as Facts[];
  const students = (await server.ask(wire.intake.listStudents)).body;
  const now = await Promise.all(students.map(factsOf));
  const byName = (all: Facts[]) => all.toSorted((a, b) => a.name.localeCompare(b.name));
  expect(now).toHaveLength(9);
  expect(byName(now)).toEqual(byName(then.map(openedByCount)));
});

/** That program waited for the coach's word where sixteen passes now open a still rung by themselves. */
const openedByCount = (facts: Facts): Facts => ({
  ...facts,
  gates: (facts.gates as [string, string, number][]).map(([drill, stage, reps]) =>
    stage === 'still' && reps >= 16 ? [drill, 'slow', 0] : [drill, stage, reps],
  ),
});
