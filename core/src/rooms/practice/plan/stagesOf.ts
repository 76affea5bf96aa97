import { STAGES, type Stage } from '../stages.ts';
import { dateOn } from './gateDates.ts';
import type { Climb, Ground } from './layout.ts';
import type { GateDate, PlanStage, Unfinished } from './planModel.ts';
import type { Track } from './track.ts';

/** Every drill's rungs: behind, at hand, ahead, or without a place. */
export function stagesOf(ground: Ground, climbs: readonly Climb[], gates: readonly GateDate[]): PlanStage[] {
  return ground.tracks.flatMap((track, i) =>
    track.retired ? [] : STAGES.map((stage) => stageOf(ground, track, climbs[i], stage, gates)),
  );
}

function stageOf(
  ground: Ground,
  track: Track,
  climb: Climb | undefined,
  stage: Stage,
  gates: readonly GateDate[],
): PlanStage {
  const drill = track.drill.id;
  const gate = gates.find((one) => one.drill === drill && one.stage === stage);
  const from = climb?.from.get(stage);
  return {
    drill,
    stage,
    state: stateOf(track, stage),
    from: dateOn(ground, from ?? null),
    gateBy: gate?.likely ?? null,
    reps: needed(ground, track, stage),
  };
}

function stateOf({ standing, rungs, reachable }: Track, stage: Stage): PlanStage['state'] {
  if (!rungs.includes(stage)) return 'skipped';
  if (standing.unseen.includes(stage)) return 'open';
  const [at, here] = [STAGES.indexOf(stage), STAGES.indexOf(standing.stage)];
  if (standing.finished || at < here) return 'done';
  if (!reachable.includes(stage)) return stage === 'course' ? 'skipped' : 'no_place';
  return at === here ? 'now' : 'ahead';
}

/** Repetitions until the gate, with an even chance. */
function needed({ futures }: Ground, track: Track, stage: Stage): number {
  const needs = Float64Array.from(futures.needs(track, stage)).sort();
  const half = needs[Math.floor(needs.length / 2)] ?? 0;
  return Number.isFinite(half) ? half : MOST_SAID;
}
const MOST_SAID = 600;

/** The first rung of each drill that the plan does not come to, and why. */
export function unfinishedOf(ground: Ground, gates: readonly GateDate[]): Unfinished[] {
  return ground.tracks.flatMap((track): Unfinished[] => {
    if (track.retired || track.standing.finished) return [];
    const drill = track.drill.id;
    const at = STAGES.indexOf(track.standing.stage);
    const ahead = STAGES.filter((stage) => STAGES.indexOf(stage) >= at);
    for (const stage of ahead) {
      const why = whyNot(ground, track, stage, gates);
      if (why !== null) return [{ drill, stage, why }];
    }
    return [];
  });
}

function whyNot(
  { request, slots }: Ground,
  track: Track,
  stage: Stage,
  gates: readonly GateDate[],
): Unfinished['why'] | null {
  if (request.held) return 'held';
  if (track.stopped) return 'pain';
  if (slots.every(({ asked, closed }) => !asked || closed !== null)) return 'closed';
  if (!track.rungs.includes(stage)) return 'no_course_form';
  if (!track.reachable.includes(stage)) return stage === 'course' ? 'no_course_place' : 'no_ball_place';
  return gates.some((gate) => gate.drill === track.drill.id && gate.stage === stage && gate.late !== null)
    ? null
    : 'time';
}
