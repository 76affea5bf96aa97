import { describe, expect, test } from '@jest/globals';
import { angleDeg, distance, sub, type Vec3 } from '../../foundation/index.ts';
import { sampleCase } from '../diagnosis/sampleCase.ts';
import { bandFor, bodySizes, resolveSchool, SCHOOL_PRESETS, type SchoolPreset } from '../intake/index.ts';
import { type FitLandmark, POSE_MEASURES, type PoseReader } from '../measures/index.ts';
import { DRILLS, drillById } from './drillTable.ts';
import type { MoveFigure } from './figureParts.ts';
import { figureOf } from './moveFigure.ts';
import { moveOf } from './moveTable.ts';
import { setupFor } from './setupCard.ts';

const figure = (id: string, heightIn = 70, preset?: SchoolPreset): MoveFigure => {
  const drill = drillById(id);
  if (!drill) throw new Error(id);
  const base = sampleCase();
  const file = {
    ...base,
    student: { ...base.student, heightIn },
    school: resolveSchool(preset ? { preset } : {}),
  };
  return figureOf(drill, { student: file.student, school: file.school, setup: setupFor(drill, file) });
};
const point = ({ points, frames }: MoveFigure, frame: number, id: string): Vec3 => {
  const at = 3 * points.indexOf(id);
  if (at < 0) throw new Error(`no ${id}`);
  return (frames.at(frame) ?? []).slice(at, at + 3) as unknown as Vec3;
};
const each = (of: MoveFigure, tell: (frame: number) => void) =>
  of.frames.forEach((_, i) => {
    tell(i);
  });

describe.each([60, 70, 78])('at %i in', (heightIn) => {
  const sizes = bodySizes({ heightIn });
  test.each(DRILLS.map((d) => d.id))('%s: a body that could stand there, in every frame', (id) => {
    const shown = figure(id, heightIn);
    const far = (frame: number, a: string, b: string) =>
      distance(point(shown, frame, a), point(shown, frame, b));
    each(shown, (frame) => {
      for (const side of ['lead', 'trail']) {
        expect(Math.abs(far(frame, `${side}_hip`, `${side}_knee`) - sizes.thighIn)).toBeLessThan(
          0.02 * heightIn,
        );
        expect(Math.abs(far(frame, `${side}_knee`, `${side}_ankle`) - sizes.shankIn)).toBeLessThan(
          0.02 * heightIn,
        );
        // No arm longer than an arm, no foot under the ground.
        expect(far(frame, `${side}_shoulder`, `${side}_hand`)).toBeLessThan(0.35 * heightIn);
        for (const part of ['heel', 'toe', 'ankle'])
          expect(point(shown, frame, `${side}_${part}`)[2]).toBeGreaterThan(0);
        // A knee bends to the front of the line from hip to ankle, never behind it.
        const [hip, knee, ankle] = ['hip', 'knee', 'ankle'].map((part) =>
          point(shown, frame, `${side}_${part}`),
        ) as [Vec3, Vec3, Vec3];
        const toe = sub(point(shown, frame, `${side}_toe`), point(shown, frame, `${side}_heel`));
        const flexDeg = 180 - angleDeg(sub(hip, knee), sub(ankle, knee));
        const middle: Vec3 = [0, 1, 2].map(
          (i) => ((hip[i] as number) + (ankle[i] as number)) / 2,
        ) as unknown as Vec3;
        const ahead = sub(knee, middle);
        const forward = ahead[0] * toe[0] + ahead[1] * toe[1];
        if (flexDeg > 12 && Math.hypot(toe[0], toe[1]) > 0.08 * heightIn) expect(forward).toBeGreaterThan(0);
      }
      expect(Math.abs(far(frame, 'lead_hip', 'trail_hip') - sizes.hipJointsApartIn)).toBeLessThan(
        0.01 * heightIn,
      );
      expect(point(shown, frame, 'head')[2]).toBeLessThan(heightIn);
    });
  });
});

describe('what a move shows', () => {
  test.each(DRILLS.map((d) => d.id))('%s: something moves, and each checkpoint is pointed out', (id) => {
    const shown = figure(id);
    const moved = shown.points.map((p) => distance(point(shown, 0, p), point(shown, -1, p)));
    expect(Math.max(...moved)).toBeGreaterThan(0.8);
    expect(shown.looks).toHaveLength(drillById(id)?.layers.length ?? 0);
    for (const look of shown.looks) expect(shown.points).toContain(look);
    expect(moveOf(id)?.looks).toHaveLength(shown.looks.length);
    for (const { from, to } of shown.strokes)
      expect(shown.points).toEqual(expect.arrayContaining([from, to]));
  });
  test.each(Object.keys(SCHOOL_PRESETS) as SchoolPreset[])(
    'the last pose lies in the bands of the student’s own school: %s',
    (preset) => {
      const read = DRILLS.reduce((sum, drill) => sum + bandsHold(drill.id, preset), 0);
      // As many measures as drills: not a check that finds nothing to check.
      expect(read).toBeGreaterThan(25);
    },
  );
  test('grows with the student', () => {
    const [small, tall] = [figure('kiss_the_post', 60), figure('kiss_the_post', 78)];
    expect(point(tall, 0, 'head')[2] / point(small, 0, 'head')[2]).toBeCloseTo(78 / 60, 1);
  });
  test('a foot that the card draws back is drawn back by as much', () => {
    const ankles = (id: string) =>
      point(figure(id), 0, 'lead_ankle')[1] - point(figure(id), 0, 'trail_ankle')[1];
    expect(ankles('drop_back_stance') - ankles('toe_box')).toBeCloseTo(4, 0);
  });
  test('a drill that the coach wrote shows the one it came from, or its part of the swing', () => {
    const from = drillById('knee_gate');
    if (!from) throw new Error('knee_gate');
    const own = { ...from, id: 'own_1' as const };
    const base = sampleCase();
    const ask = { student: base.student, school: resolveSchool(), setup: setupFor(own, base) };
    expect(figureOf(own, { ...ask, basedOn: 'knee_gate' }).frames).toEqual(figure('knee_gate').frames);
    const alone = figureOf({ ...own, phase: 'through' }, ask);
    expect(alone.frames.length).toBeGreaterThan(6);
    expect(alone.looks.every((look) => alone.points.includes(look))).toBe(true);
  });
});

/** The measures that the drill moves, read from the drawn poses themselves; answers how many there were. */
function bandsHold(id: string, preset: SchoolPreset): number {
  const shown = figure(id, 70, preset);
  const stops = moveOf(id)?.stops ?? [];
  const own = ({ otherwise }: (typeof stops)[number]) =>
    Object.keys(otherwise).some((key) => key !== 'shouldersDeg');
  const frameOf = new Map<string, number>();
  stops.forEach((stop, i) => {
    if (i === stops.length - 1 || !own(stop))
      frameOf.set(stop.at, i * ((shown.frames.length - 1) / (stops.length - 1)));
  });
  const read: PoseReader = (at, landmark: FitLandmark) => point(shown, frameOf.get(at) as number, landmark);
  const asked = POSE_MEASURES.filter(
    (d) =>
      drillById(id)?.moves.includes(d.id) &&
      d.station === stops.at(-1)?.at &&
      d.needs.every(([s]) => frameOf.has(s)),
  );
  for (const definition of asked) {
    const measure = definition.id;
    const { lo, hi, step } = bandFor(measure, {
      ...sampleCase().student,
      heightIn: 70,
      school: resolveSchool({ preset }),
      club: 'mid_iron',
    });
    const value = definition.value(read, {
      outerHipWidthIn: bodySizes({ heightIn: 70 }).outerHipWidthIn,
      outerHipWidthSdShare: 0,
    });
    const outBy = Math.max(0, (lo ?? value) - value, value - (hi ?? value)) / step;
    if (outBy > 0.1) throw new Error(`${id}: ${measure} is ${value.toFixed(2)}, wanted ${lo} to ${hi}`);
  }
  return asked.length;
}
