import {
  captureSchema,
  caseSchema,
  changeSchema,
  diagnosisAnswer,
  gateSchema,
  measuresAnswer,
  motionCsv,
  passesOverReps,
  plain,
  planAnswer,
  planCaseSchema,
  prescriptionAnswer,
  pressureCsv,
  readDocument,
  shotsCsv,
  simulateSchema,
  toCapture,
  toCaptureDocument,
  toCase,
  toPlanRequest,
} from '@inchstep/contract/formats';
import { checkCapture } from '@inchstep/core/capture';
import { checkCase, diagnose, faultById } from '@inchstep/core/diagnosis';
import { bad, good, problem, type Result, roundTo } from '@inchstep/core/foundation';
import { BAND_ROWS, type BandRow } from '@inchstep/core/intake';
import { measureCapture } from '@inchstep/core/measures';
import { buildPlan, checkPlan, readReps, repGate } from '@inchstep/core/practice';
import { drillById, prescribe } from '@inchstep/core/prescription';
import { lastChange, type Occasion, seasonAnswer } from '@inchstep/core/progress';
import { FAULT_EFFECTS, type SimulateRequest, simulate, simulateShots } from '@inchstep/standins';

/** A core command: a document in, an answer or problems out. No clock, no files, no network. */
export type Command = (json: unknown) => Result<unknown>;

const measure: Command = (json) => {
  const read = readDocument(captureSchema, json);
  if (!read.ok) return read;
  const checked = checkCapture(toCapture(read.value));
  if (!checked.ok) return checked;
  const measured = measureCapture(checked.value);
  return measured.doubt === null ? good(measuresAnswer(measured)) : bad([problem(measured.doubt, 'marks')]);
};

const diagnoseCase: Command = (json) => {
  const read = readDocument(caseSchema, json);
  if (!read.ok) return read;
  const checked = checkCase(toCase(read.value));
  return checked.ok ? good(diagnosisAnswer(diagnose(checked.value))) : checked;
};

const prescribeCase: Command = (json) => {
  const read = readDocument(caseSchema, json);
  if (!read.ok) return read;
  const unknown = (read.value.workOn ?? []).findIndex((id) => !faultById(id));
  if (unknown >= 0)
    return bad([problem('unknown_fault', `workOn[${unknown}]`, { id: read.value.workOn?.[unknown] ?? '' })]);
  const strange = read.value.active.findIndex((id) => !drillById(id));
  if (strange >= 0)
    return bad([problem('unknown_drill', `active[${strange}]`, { id: read.value.active[strange] ?? '' })]);
  const checked = checkCase(toCase(read.value));
  return checked.ok ? good(prescriptionAnswer(prescribe(checked.value, read.value.workOn))) : checked;
};

const planCase: Command = (json) => {
  const read = readDocument(planCaseSchema, json);
  if (!read.ok) return read;
  const impossible = passesOverReps(read.value);
  if (impossible.length > 0) return bad(impossible);
  const request = toPlanRequest(read.value);
  const file = checkCase(request.file);
  if (!file.ok) return file;
  const checked = checkPlan(request);
  return checked.ok ? good(planAnswer(buildPlan(checked.value))) : checked;
};

const gate: Command = (json) => {
  const read = readDocument(gateSchema, json);
  if (!read.ok) return read;
  const reps = readReps(read.value.reps);
  if (!reps) return bad([problem('bad_reps', 'reps')]);
  const { decision, repsUsed, tape } = repGate(reps);
  return good({ decision, repsUsed, tape: roundTo(tape, 4) });
};

const change: Command = (json) => {
  const read = readDocument(changeSchema, json);
  if (!read.ok) return read;
  const { measure: id, sessions, family, question } = read.value;
  const row = BAND_ROWS.find((candidate) => candidate.id === id);
  if (!row) return bad([problem('unknown_measure', 'measure', { id })]);
  return good(question === 'season' ? season(row, sessions, family) : lastOf(row, sessions, family));
};

const finite = (value: number | null) => (value === null ? null : roundTo(value, 4));

function lastOf(row: BandRow, sessions: readonly Occasion[], family: number) {
  const judged = lastChange(row.id, row, sessions, family);
  return {
    verdict: judged.verdict,
    delta: roundTo(judged.delta, 4),
    lo95: finite(judged.lo95),
    hi95: finite(judged.hi95),
    smallestReal: finite(judged.smallestReal),
  };
}

function season(row: BandRow, sessions: readonly Occasion[], family: number) {
  const band = { lo: row.lo ?? null, hi: row.hi ?? null, step: row.step };
  const { looks, forecast } = seasonAnswer(row.id, band, sessions, family);
  return {
    looks: looks.map((look) => ({
      date: look.date,
      verdict: look.verdict,
      probability: roundTo(look.probability, 4),
      delta: roundTo(look.delta ?? 0, 4),
      lo95: finite(look.lo95),
      hi95: finite(look.hi95),
    })),
    forecast,
  };
}

const simulateGolfer: Command = (json) => {
  const read = readDocument(simulateSchema, json);
  if (!read.ok) return read;
  const unknown = Object.keys(read.value.faults).find(
    (id) => !FAULT_EFFECTS.some((effect) => effect.fault === id),
  );
  if (unknown) return bad([problem('unknown_fault', `faults.${unknown}`, { id: unknown })]);
  const { golfer, views, ...rest } = read.value;
  const request: SimulateRequest = {
    ...rest,
    golfer: plain(golfer as never) as never,
    ...(views ? { views: views.map((view) => plain(view as never) as never) } : {}),
  };
  const { shots, means } = simulateShots(request);
  return good({
    format: 'inchstep.simulated/1',
    swings: simulate(request).map(({ capture, track, pressure, truth }) => ({
      capture: toCaptureDocument(capture),
      ...(track ? { track: motionCsv(track) } : {}),
      ...(pressure ? { pressure: pressureCsv(pressure) } : {}),
      truth,
    })),
    ...(shots.length > 0
      ? { shots: shotsCsv(shots, golfer.handedness === 'left'), truth: { shotMeans: means } }
      : {}),
  });
};

/**
 * No document may end in a stack trace or in figures that are none: where the sums lead nowhere for all that
 * was checked, that is said. Exported for its own test.
 */
export const guarded =
  (command: Command): Command =>
  (json) => {
    try {
      const result = command(json);
      return result.ok && !allFinite(result.value) ? bad([problem('out_of_range', '')]) : result;
    } catch {
      return bad([problem('out_of_range', '')]);
    }
  };

const allFinite = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value !== 'object' || value === null || Object.values(value).every(allFinite);

export const COMMANDS: Readonly<Record<string, Command>> = {
  measure: guarded(measure),
  diagnose: guarded(diagnoseCase),
  prescribe: guarded(prescribeCase),
  plan: guarded(planCase),
  gate: guarded(gate),
  change: guarded(change),
  simulate: guarded(simulateGolfer),
};
