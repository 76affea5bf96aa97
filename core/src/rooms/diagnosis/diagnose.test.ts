import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../../foundation/index.ts';
import { SCHOOL_PRESETS, type SchoolPreset } from '../intake/index.ts';
import { checkCase } from './caseFile.ts';
import { diagnose } from './diagnose.ts';
import { measuredEvidence } from './evidence.ts';
import { FAULTS } from './faultTable.ts';
import { BALL_FINDINGS, FINDING_IDS, MEASURE_FINDINGS, SEEN_FINDINGS } from './findings.ts';
import { PRIOR } from './network.ts';
import { notSeen, sampleCase, seen } from './sampleCase.ts';

const bandContext = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: sampleCase().school,
} as const;
const logit = (p: number) => Math.log(p / (1 - p));

describe('known cases', () => {
  test('nothing seen is not enough, and no root is named', () => {
    const d = diagnose(sampleCase());
    expect(d).toMatchObject({ enough: false, roots: [], workOn: [] });
  });

  test('a healthy swing that was looked at is enough to say there is no root', () => {
    const d = diagnose(sampleCase({ findings: notSeen(...SEEN_FINDINGS) }));
    expect(d.enough).toBe(true);
    expect(d.roots).toEqual([]);
  });

  test('a sway that everything follows from is the root; hanging back is left alone', () => {
    const d = diagnose(
      sampleCase({
        measures: [
          { id: 'shift_top', value: -2.6, sd: 0.3 },
          { id: 'shift_back_peak', value: -3.4, sd: 0.3 },
          { id: 'trail_hip_past_line', value: 2.4, sd: 0.3 },
          { id: 'shift_delivery', value: 0.4, sd: 0.3 },
          { id: 'shift_impact', value: 1.2, sd: 0.3 },
        ],
        findings: seen('obs.falls_back_finish', 'ball.fat'),
      }),
    );
    expect(d.roots[0]?.fault).toBe('sway');
    expect(d.workOn).toEqual(['sway']);
    expect(d.leaveAlone.find((l) => l.fault === 'hang_back')?.why).toEqual({ code: 'follows', root: 'sway' });
  });

  test('the same hanging back without a sway stands on its own', () => {
    const d = diagnose(
      sampleCase({
        measures: [
          { id: 'shift_top', value: 0.2, sd: 0.3 },
          { id: 'shift_back_peak', value: -1, sd: 0.3 },
          { id: 'shift_delivery', value: 0.4, sd: 0.3 },
          { id: 'shift_impact', value: 1.0, sd: 0.3 },
        ],
        findings: seen('obs.falls_back_finish'),
      }),
    );
    expect(d.roots[0]?.fault).toBe('hang_back');
  });

  test('two rival causes of one look share the blame until one is ruled out', () => {
    // A steep over-the-top move: spinning out or a hip hike; the hike needs no depth at the top.
    const rivals = diagnose(sampleCase({ findings: seen('obs.over_the_top') })).faults;
    const ruledOut = diagnose(
      sampleCase({
        findings: [
          ...seen('obs.over_the_top'),
          ...notSeen('trail_hip_depth_top.low', 'tilt_top.high', 'obs.arms_lift_steep'),
        ],
      }),
    ).faults;
    expect(rivals.spin_out).toBeGreaterThan(PRIOR);
    expect(rivals.hip_hike).toBeGreaterThan(PRIOR);
    expect(ruledOut.hip_hike).toBeLessThan(rivals.hip_hike as number);
    expect(ruledOut.spin_out).toBeGreaterThan(rivals.spin_out as number);
  });

  test('a look that found nothing lowers the fault below where not looking leaves it', () => {
    const looked = diagnose(sampleCase({ findings: notSeen('obs.trail_foot_flat_finish') })).faults;
    expect(looked.trail_side_stays).toBeLessThan(diagnose(sampleCase()).faults.trail_side_stays as number);
  });

  test('a measure too unsure to tell must not convince', () => {
    const sure = diagnose(sampleCase({ measures: [{ id: 'turn_top', value: 22, sd: 2 }] })).faults;
    const unsure = diagnose(sampleCase({ measures: [{ id: 'turn_top', value: 22, sd: 40 }] })).faults;
    expect(sure.frozen_hips).toBeGreaterThan(0.5);
    expect(unsure.frozen_hips).toBeLessThan(0.15);
  });

  test('the ball alone never names a root', () => {
    const d = diagnose(sampleCase({ findings: seen(...BALL_FINDINGS) }));
    expect(d.roots).toEqual([]);
  });

  test('a setup fault goes before what it brings about', () => {
    const d = diagnose(
      sampleCase({
        findings: seen('base_ratio.low', 'shift_top.low', 'trail_hip_past_line.high', 'obs.pushes_aid_away'),
      }),
    );
    expect(d.roots[0]?.fault).toBe('base_narrow');
  });

  test('an open face at the top is named as standing in the way', () => {
    expect(diagnose(sampleCase({ findings: seen('obs.face_open_top') })).blockers).toEqual(['face_open_top']);
  });

  test('a beginner gets one thing to work on', () => {
    const findings = seen(
      'base_ratio.low',
      'knee_flex_address.high',
      'seat_loss_impact.high',
      'obs.cramped_arms',
    );
    const student = { ...sampleCase().student, beginner: true };
    expect(diagnose(sampleCase({ findings, student })).workOn.length).toBe(1);
    expect(diagnose(sampleCase({ findings })).workOn.length).toBe(2);
  });
});

describe('reasons', () => {
  const file = sampleCase({
    measures: [
      { id: 'shift_top', value: -2.4, sd: 0.3 },
      { id: 'turn_top', value: 46, sd: 3 },
      { id: 'head_shift_top', value: -1, sd: 0.4 },
    ],
    findings: [...seen('obs.weight_on_outer_trail_foot', 'ball.fat'), ...notSeen('obs.pushes_aid_away')],
  });
  const d = diagnose(file);
  test('weights for and against add up to the odds shown', () => {
    const [root] = d.roots;
    if (!root) throw new Error('no root');
    const prior = diagnose(sampleCase()).faults[root.fault] as number;
    expect(root.start).toBeCloseTo(logit(prior), 9);
    const listed = [...root.for, ...root.against].reduce((total, w) => total + w.weight, 0);
    expect(root.start + listed + root.rest).toBeCloseTo(logit(root.probability), 9);
    expect(root.for.length).toBeGreaterThan(1);
  });
  test('names what would have no cause without the root', () => {
    const [root] = d.roots;
    expect(root?.onlyExplains).toContain('shift_top.low');
    expect(root?.onlyExplains).not.toContain('turn_top.low');
  });
  test('for is positive, against is negative, each strongest first', () => {
    for (const root of d.roots) {
      const up = root.for.map((w) => w.weight);
      const down = root.against.map((w) => w.weight);
      expect(up.every((w) => w > 0)).toBe(true);
      expect(down.every((w) => w < 0)).toBe(true);
      expect(up).toEqual([...up].sort((a, b) => b - a));
      expect(down).toEqual([...down].sort((a, b) => a - b));
    }
  });
});

describe('soft evidence', () => {
  test('a value well past the edge speaks for, well inside against', () => {
    const [out] = measuredEvidence({ id: 'shift_top', value: -3, sd: 0.2 }, bandContext);
    const [inside] = measuredEvidence({ id: 'shift_top', value: 0, sd: 0.2 }, bandContext);
    expect(out?.finding).toBe('shift_top.low');
    expect((out?.ifPresent ?? 0) / (out?.ifAbsent ?? 1)).toBeGreaterThan(20);
    expect((inside?.ifPresent ?? 1) / (inside?.ifAbsent ?? 0)).toBeLessThan(0.2);
  });
  test('sd 0 and a huge sd both give finite, sensible ratios', () => {
    for (const sd of [0, 1e6]) {
      for (const e of measuredEvidence({ id: 'turn_top', value: 20, sd }, bandContext)) {
        const ratio = e.ifPresent / e.ifAbsent;
        expect(Number.isFinite(ratio)).toBe(true);
        if (sd > 1) expect(Math.abs(Math.log(ratio))).toBeLessThan(1.5);
      }
    }
  });
});

describe('properties on random cases', () => {
  const findings = [...SEEN_FINDINGS, ...MEASURE_FINDINGS];
  function randomCase(seed: number) {
    const random = seededRandom(seed);
    const picked = findings.filter(() => random() < 0.12);
    return sampleCase({
      findings: picked.map((id) => ({
        id,
        seen: random() < 0.4 ? ('present' as const) : ('absent' as const),
      })),
    });
  }

  test('more evidence for a fault never lowers it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.nat(FAULTS.length - 1), (seed, which) => {
        const fault = FAULTS[which] as (typeof FAULTS)[number];
        const link = fault.evidence.find(({ onlyFor }) => !onlyFor);
        if (!link) return;
        const file = randomCase(seed);
        const others = file.findings.filter((f) => f.id !== link.finding);
        const without = diagnose({ ...file, findings: others }).faults[fault.id] as number;
        const withIt = diagnose({ ...file, findings: [...others, ...seen(link.finding)] }).faults[fault.id];
        expect(withIt).toBeGreaterThanOrEqual(without - 1e-9);
      }),
      { seed: 3, numRuns: 40 },
    );
  });

  test('the order of findings and measures does not matter', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const file = randomCase(seed);
        const measures = [
          { id: 'shift_top', value: -1.5, sd: 0.4 },
          { id: 'turn_top', value: 40, sd: 4 },
        ];
        const there = diagnose({ ...file, measures });
        const back = diagnose({
          ...file,
          measures: [...measures].reverse(),
          findings: [...file.findings].reverse(),
        });
        expect(back.roots.map((r) => r.fault)).toEqual(there.roots.map((r) => r.fault));
        for (const [id, p] of Object.entries(there.faults)) expect(back.faults[id]).toBeCloseTo(p, 9);
      }),
      { seed: 4, numRuns: 15 },
    );
  });

  test('a left-hander with the same findings is the same case', () => {
    const file = randomCase(77);
    const left = { ...file, student: { ...file.student, handedness: 'left' as const } };
    expect(diagnose(left)).toEqual(diagnose(file));
  });

  test('probabilities are probabilities, in every school', () => {
    for (const preset of Object.keys(SCHOOL_PRESETS) as SchoolPreset[]) {
      for (const p of Object.values(
        diagnose({ ...randomCase(5), school: sampleCase({}, { preset }).school }).faults,
      )) {
        expect(p).toBeGreaterThanOrEqual(0);
        expect(p).toBeLessThanOrEqual(1);
      }
    }
  });
});

describe('next look', () => {
  test('is not something that was already looked at', () => {
    const file = sampleCase({ findings: seen('shift_delivery.low') });
    const look = diagnose(file).nextLook;
    expect(look?.gainBits).toBeGreaterThan(0);
    expect(look?.id).not.toBe('shift_delivery.low');
    expect(look?.between.length).toBe(2);
  });
  test('asks for the missing view when all else is known', () => {
    const unseen = MEASURE_FINDINGS.filter((id) => !id.startsWith('seat_loss'));
    const films = (...views: ('face_on' | 'down_the_line')[]) => ({ ...sampleCase().student, films: views });
    const findings = [...notSeen(...unseen), ...seen('obs.cramped_arms', 'ball.heel')];
    expect(diagnose(sampleCase({ student: films('face_on'), findings })).nextLook).toMatchObject({
      kind: 'view',
      id: 'down_the_line',
    });
    expect(
      diagnose(sampleCase({ student: films('face_on', 'down_the_line'), findings })).nextLook?.kind,
    ).toBe('measure');
  });
  test('three at most, each once, the dearest not first unless it pays', () => {
    const { nextLooks, nextLook } = diagnose(sampleCase({ findings: seen('obs.over_the_top') }));
    expect(nextLooks.length).toBe(3);
    expect(new Set(nextLooks.map((look) => `${look.kind}/${look.id}`)).size).toBe(3);
    expect(Math.max(...nextLooks.map((look) => look.gainBits))).toBeLessThanOrEqual(nextLook?.gainBits ?? 0);
    for (const look of nextLooks) expect(look.seconds).toBeGreaterThan(0);
  });
});

describe('checkCase', () => {
  const codes = (more: Parameters<typeof sampleCase>[0]) => {
    const checked = checkCase(sampleCase(more));
    return checked.ok ? [] : checked.problems.map(({ code, path }) => `${path} ${code}`);
  };
  test('accepts every known finding', () => {
    expect(codes({ findings: seen(...FINDING_IDS) })).toEqual([]);
  });
  test('names unknown ids, doubles and contradictions by path', () => {
    expect(
      codes({
        measures: [
          { id: 'shift_top', value: 0, sd: 1 },
          { id: 'shift_top', value: 0, sd: 1 },
          { id: 'hat_size', value: 7, sd: 1 },
        ],
        findings: [...seen('obs.flip', 'obs.nonsense'), ...notSeen('obs.flip')],
      }),
    ).toEqual([
      'measures[1].id measure_twice',
      'measures[2].id unknown_measure',
      'findings[1].id unknown_finding',
      'findings[2] contradictory_finding',
    ]);
  });
  test('a height of 7 in is refused', () => {
    expect(codes({ student: { ...sampleCase().student, heightIn: 7 } })).toEqual([
      'student.heightIn height_out_of_range',
    ]);
  });
});
