import { feltOf, hitShotsOf, motionOf, pressureOf } from './devices.ts';
import { askForClips, inLesson } from './lessons.ts';
import { lookedThrough } from './markedClip.ts';
import { PEOPLE, type Person } from './people.ts';
import type { Seeder } from './seeder.ts';

type Chapter = (s: Seeder, person: Person) => Promise<void>;

const days = (from: number, to: number, every = 1): number[] => {
  const list: number[] = [];
  for (let ago = from; ago >= to; ago -= every) list.push(ago);
  return list;
};

/** Over-turns; five weeks in, better, and a gate waits for a decision. */
const priya: Chapter = async (s, person) => {
  const id = await s.create(person, 1, 36, '09:30');
  await inLesson(s, id, 35, async () => {
    const { swing } = await s.filmed(id, 'priya-then', 35, true);
    await s.swings(id, person, 35, { over_turn: 1.73, lead_knee_collapse: 2.2 }, 2, 101);
    await hitShotsOf(s, id, 35, { lead_knee_collapse: 2.2, over_turn: 1.73 }, swing);
    const first = await s.diagnose(id, swing, [
      ['obs.overswing', 'present'],
      ['ball.fat', 'present'],
    ]);
    await s.settle(id, person, first.id, first.workOn, ['knee_swap']);
  });
  const token = await s.link(id);
  await s.sets(id, 'knee_swap', 'still', days(34, 31), 20, 0.86);
  await s.gate(id, 31, 'knee_swap', 'still', 'advance');
  await s.sets(id, 'knee_swap', 'slow', days(30, 24), 24, 0.82);
  await s.gate(id, 24, 'knee_swap', 'slow', 'advance');
  await s.swings(id, person, 21, { over_turn: 1.1, lead_knee_collapse: 1.3 }, 3, 101, { speed: 'half' });
  await s.sets(id, 'knee_swap', 'half', days(22, 12, 2), 18, 0.8);
  await s.swings(id, person, 12, { over_turn: 0.47, lead_knee_collapse: 0.5 }, 3, 101, { speed: 'half' });
  const checkin = await s.checkin(token, 11, 20, 'The knees finally swap without me thinking about it.');
  await s.reply(checkin, 11, 21);
  await s.gate(id, 10, 'knee_swap', 'half', 'advance');
  await s.plan(id, person, 10);
  await inLesson(s, id, 3, async () => {
    const { swing: now } = await s.filmed(id, 'priya-now', 3, true);
    await hitShotsOf(s, id, 3, { lead_knee_collapse: 0.4 }, now);
    await pressureOf(s, now, person, { over_turn: 0.39, lead_knee_collapse: 0.4 });
    await s.swings(id, person, 3, { over_turn: 0.39, lead_knee_collapse: 0.4 }, 3, 101, {
      speed: 'three_quarter',
    });
  });
  await s.sets(id, 'knee_swap', 'three_quarter', days(9, 1, 2), 14, 0.9);
};

/** Left-handed, slides; three weeks in, sends a check-in today. */
const gus: Chapter = async (s, person) => {
  const id = await s.create(person, 4, 23, '14:00');
  await inLesson(s, id, 22, async () => {
    const { swing } = await s.filmed(id, 'gus', 22, true);
    await s.swings(id, person, 22, { over_slide: 1.98 }, 2, 202);
    const first = await s.diagnose(id, swing, [
      ['obs.stuck_inside', 'present'],
      ['ball.push', 'present'],
    ]);
    await s.settle(id, person, first.id, first.workOn, ['delivery_freeze']);
  });
  const token = await s.link(id);
  await s.sets(id, 'delivery_freeze', 'still', days(21, 17, 2), 16, 0.85);
  await s.gate(id, 17, 'delivery_freeze', 'still', 'advance');
  await s.swings(id, person, 8, { over_slide: 1.26 }, 3, 202);
  await askForClips(s, id, 8, 3, 'I want to see the hips stop before the ball.');
  await s.sets(id, 'delivery_freeze', 'slow', days(15, 1, 3), 3, 0.68);
  await s.checkin(
    token,
    0,
    7,
    'Arrives at half-way most of the time now. With the ball there it still runs on.',
  );
};

/** Sixty-six, a bad back, frozen hips; reported pain yesterday. */
const odette: Chapter = async (s, person) => {
  const id = await s.create(person, 6, 27, '11:15');
  const [swing] = await s.swings(id, person, 26, { frozen_hips: 2.36 }, 2, 31);
  const first = await s.diagnose(id, swing as string, [
    ['obs.low_back_ache_after_practice', 'present'],
    ['ball.weak', 'present'],
  ]);
  await s.settle(id, person, first.id, ['frozen_hips'], ['pocket_to_fence']);
  const token = await s.link(id);
  await s.sets(id, 'pocket_to_fence', 'still', days(25, 11, 4), 12, 0.7);
  await s.swings(id, person, 10, { frozen_hips: 2.04 }, 2, 31);
  await s.checkin(token, 1, 18, 'Low on the left side, since Saturday. Dull, worse after sitting.', {
    pain: true,
    painWhere: 'low back, left',
  });
};

/** Early extension and a long ball; a reply is overdue. */
const kofi: Chapter = async (s, person) => {
  const id = await s.create(person, 9, 30);
  const { swing } = await s.filmed(id, 'kofi', 29, true);
  await s.swings(id, person, 29, { depth_loss: 1.6, trail_knee_kick: 2 }, 2, 303);
  const first = await s.diagnose(id, swing, [
    ['obs.cramped_arms', 'present'],
    ['ball.push', 'present'],
    ['ball.hook', 'present'],
  ]);
  await s.settle(id, person, first.id, first.workOn, ['toe_box']);
  const token = await s.link(id);
  await s.sets(id, 'toe_box', 'still', days(28, 24), 14, 0.85);
  await s.gate(id, 24, 'toe_box', 'still', 'advance');
  await s.sets(id, 'toe_box', 'slow', days(23, 16), 14, 0.84);
  await s.gate(id, 16, 'toe_box', 'slow', 'advance');
  await s.swings(id, person, 13, { depth_loss: 0.9, trail_knee_kick: 1.2 }, 3, 303);
  await motionOf(s, id, 14, person, { depth_loss: 0.9, trail_knee_kick: 1.2 });
  await s.sets(id, 'toe_box', 'half', days(13, 4, 4), 4, 0.75);
  await s.checkin(token, 3, 9, 'Box survives at half speed. Driver is another story.');
};

/** Thirteen, a reverse pivot that is hers no more: owned. */
const hanne: Chapter = async (s, person) => {
  const id = await s.create(person, 12, 56);
  const [swing] = await s.swings(id, person, 55, { reverse_pivot: 2 }, 3, 51);
  const first = await s.diagnose(id, swing as string, [
    ['obs.falls_back_finish', 'present'],
    ['obs.self_reports_still_head', 'present'],
  ]);
  await s.settle(id, person, first.id, ['reverse_pivot'], ['knee_gate']);
  const token = await s.link(id);
  const ladder = ['still', 'slow', 'half', 'three_quarter', 'full'];
  for (const [i, stage] of ladder.entries()) {
    const from = 53 - i * 8;
    await s.sets(id, 'knee_gate', stage, days(from, from - 6, 2), 12, 0.9);
    await s.gate(id, from - 7, 'knee_gate', stage, 'advance');
  }
  await s.swings(id, person, 48, { reverse_pivot: 2 }, 3, 51);
  const [early] = await s.swings(id, person, 40, { reverse_pivot: 1.6 }, 3, 51);
  await hitShotsOf(s, id, 40, { reverse_pivot: 1.6 }, early as string);
  await feltOf(s, id, 40, 'trunk_lean_top', 0, 2.5);
  await s.swings(id, person, 40, { reverse_pivot: 0.6 }, 2, 52, { cue: 'after' });
  const [half] = await s.swings(id, person, 32, { reverse_pivot: 0.9 }, 3, 51);
  await hitShotsOf(s, id, 32, { reverse_pivot: 0.9 }, half as string);
  await feltOf(s, id, 32, 'trunk_lean_top', 12, 6.5);
  const [near] = await s.swings(id, person, 24, { reverse_pivot: 0.2 }, 3, 51);
  await hitShotsOf(s, id, 24, { reverse_pivot: 0.2 }, near as string);
  await feltOf(s, id, 24, 'trunk_lean_top', 15, 9);
  await s.swings(id, person, 19, { reverse_pivot: 0.1 }, 3, 51);
  const [there] = await s.swings(id, person, 14, {}, 3, 51);
  await hitShotsOf(s, id, 14, {}, there as string);
  await s.swings(id, person, 9, { reverse_pivot: 1 }, 3, 53, { club: 'driver' });
  await s.swings(id, person, 4, {}, 3, 51);
  for (const [i, reps] of ['PPF', 'PP', 'FPP', 'P'].entries()) {
    await s.set(id, 'knee_gate', 'clubs', 11 - 3 * i, reps);
  }
  await s.plan(id, person, 12);
  const checkin = await s.checkin(token, 5, 16, 'Played nine and never fell back once.');
  await s.reply(checkin, 5, 19);
};

/** Spins out and slices; silent for twelve days. */
const rafael: Chapter = async (s, person) => {
  const id = await s.create(person, 3, 25, '08:00');
  const [swing] = await s.swings(id, person, 24, { spin_out: 1.33 }, 2, 61);
  const first = await s.diagnose(id, swing as string, [
    ['obs.over_the_top', 'present'],
    ['ball.slice', 'present'],
    ['ball.pull', 'present'],
  ]);
  await s.settle(id, person, first.id, ['spin_out'], ['hip_metronome']);
  await s.link(id);
  await s.set(id, 'hip_metronome', 'still', 23, 'PFPP');
  await s.set(id, 'hip_metronome', 'still', 19, 'PPFPF');
  await s.set(id, 'hip_metronome', 'still', 12, 'PP?P');
};

/** Remote only; six weeks and the turn has not moved. */
const mei: Chapter = async (s, person) => {
  const id = await s.create(person, null, 44);
  const { swing } = await s.filmed(id, 'mei-then', 43, true);
  await s.swings(id, person, 43, { stall: 1.96, knee_shut: 1.6 }, 2, 404, {}, ['face_on']);
  const first = await s.diagnose(id, swing, [
    ['obs.flip', 'present'],
    ['ball.hook', 'present'],
  ]);
  await s.settle(id, person, first.id, first.workOn.length > 0 ? first.workOn : ['stall'], ['knee_roll']);
  const token = await s.link(id);
  await s.sets(id, 'knee_roll', 'still', days(42, 36, 2), 14, 0.85);
  await s.gate(id, 36, 'knee_roll', 'still', 'advance');
  await s.swings(id, person, 28, { stall: 1.87, knee_shut: 1.5 }, 3, 404, {}, ['face_on']);
  const earlier = await s.checkin(token, 28, 20, 'It feels wide open to me.');
  await s.reply(earlier, 27, 8);
  for (const [i, reps] of ['PFP', 'PPF', 'FPP', 'P?P', 'FP', 'PPF', 'PFP', 'FPP'].entries()) {
    await s.set(id, 'knee_roll', 'slow', 34 - 4 * i, reps);
  }
  await s.swings(id, person, 9, { stall: 1.87, knee_shut: 1.4 }, 3, 404, {}, ['face_on']);
  const clip = await s.studentClip(token, 'mei-now.face_on.mp4', 'face_on', 1);
  await s.checkin(token, 1, 21, 'One more swing. Same feel as ever: wide open. Is it?', { clipIds: [clip] });
  await lookedThrough(s, id, clip, 'mei-now');
};

/** A new knee: the lead leg does not post, and drills that load the knee are closed. */
const piet: Chapter = async (s, person) => {
  const id = await s.create(person, 8, 22);
  const [swing] = await s.swings(id, person, 21, { no_post: 1.78 }, 2, 81);
  const first = await s.diagnose(id, swing as string, [['ball.weak', 'present']]);
  await s.settle(id, person, first.id, ['no_post'], ['step_and_counter']);
  await s.link(id);
  await s.sets(id, 'step_and_counter', 'still', days(20, 12, 2), 10, 0.85);
  await s.gate(id, 12, 'step_and_counter', 'still', 'advance');
  for (const [i, reps] of ['PFP', 'PPF', 'P?FP', 'PP'].entries()) {
    await s.set(id, 'step_and_counter', 'slow', 11 - 3 * i, reps);
  }
  await s.swings(id, person, 7, { no_post: 1.24 }, 3, 81);
};

/** New this week: nothing yet but a clip. */
const wren: Chapter = async (s, person) => {
  const id = await s.create(person, 0, 2, '15:00');
  await s.filmed(id, 'wren', 1, false);
};

const CHAPTERS: Readonly<Record<string, Chapter>> = {
  priya,
  gus,
  odette,
  kofi,
  hanne,
  rafael,
  mei,
  piet,
  wren,
};

export async function tellStory(seeder: Seeder, say: (line: string) => void): Promise<void> {
  for (const person of PEOPLE) {
    await (CHAPTERS[person.key] as Chapter)(seeder, person);
    say(`  ${String(person.profile.firstName)} ${String(person.profile.familyName)}`);
  }
}
