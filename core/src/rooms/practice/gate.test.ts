import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { GATE_CAP, measureGate, type Rep, readReps, repGate } from './gate.ts';
import { heldBy, moreAtThisRate } from './held.ts';
import { countRung, RungCount } from './rungCount.ts';

const reps = (text: string) => readReps(text) as Rep[];
const gate = (text: string) => repGate(reps(text));

describe('rep gate by hand', () => {
  // Wald: each pass adds ln(0.8/0.5) = 0.470, each miss ln(0.2/0.5) = -0.916;
  // advance at ln(0.9/0.05) = 2.890, hold at ln(0.1/0.95) = -2.251.
  test('seven passes in a row advance, six do not', () => {
    expect(gate('PPPPPP')).toMatchObject({ decision: 'continue', repsUsed: 6 });
    expect(gate('PPPPPPP')).toMatchObject({ decision: 'advance', repsUsed: 7, tape: 1 });
    expect(gate('PPPPPP').tape).toBeCloseTo((6 * Math.log(1.6)) / Math.log(18), 10);
  });
  test('three misses in a row hold, two do not', () => {
    expect(gate('FF').decision).toBe('continue');
    expect(gate('FFF')).toMatchObject({ decision: 'hold', repsUsed: 3, tape: 0 });
  });
  test('a decision stands: what comes later does not undo it', () => {
    expect(gate('PPPPPPPFFFFFF')).toEqual(gate('PPPPPPP'));
  });
  test('unsure repetitions count as used and as no evidence', () => {
    expect(gate('?P?P?P').tape).toBeCloseTo(gate('PPP').tape, 12);
    expect(gate('?P?P?P').repsUsed).toBe(6);
  });
  test('an undecided test ends at the cap and holds', () => {
    // Two passes and a miss nearly cancel: 2 * 0.470 - 0.916 = 0.024.
    const mixed = 'PFP'.repeat(GATE_CAP / 3);
    expect(gate(mixed.slice(0, -1)).decision).toBe('continue');
    expect(gate(mixed)).toMatchObject({ decision: 'hold', repsUsed: GATE_CAP });
  });
  test('nothing yet is an empty tape; other letters are refused', () => {
    expect(gate('')).toEqual({ decision: 'continue', repsUsed: 0, tape: 0 });
    expect(readReps('PPX')).toBeNull();
    expect(readReps('ppf')).toBeNull();
  });
});

describe('rep gate against its theory', () => {
  const run = (rate: number, seed: number) => {
    const random = seededRandom(seed);
    const letters: Rep[] = [];
    for (;;) {
      letters.push(random() < rate ? 'P' : 'F');
      const answer = repGate(letters);
      if (answer.decision !== 'continue') return answer;
    }
  };
  const study = (rate: number) => {
    const answers = Array.from({ length: 2000 }, (_, i) => run(rate, 1000 * rate + i));
    return {
      advanced: answers.filter((a) => a.decision === 'advance').length / answers.length,
      used: answers.reduce((sum, a) => sum + a.repsUsed, 0) / answers.length,
    };
  };
  test('a player at 0.5 is waved on at most once in twenty', () => {
    expect(study(0.5).advanced).toBeLessThan(0.05 + 0.012);
  });
  test('a player at 0.8 is held at most once in ten', () => {
    expect(1 - study(0.8).advanced).toBeLessThan(0.1 + 0.015);
  });
  test('it uses about as many repetitions as Wald’s formula says', () => {
    // E[n] at 0.8: (0.9 * 2.890 - 0.1 * 2.251) / (0.8 * 0.470 - 0.2 * 0.916) = 12.3, plus overshoot.
    const wald =
      (0.9 * Math.log(18) + 0.1 * Math.log(0.1 / 0.95)) / (0.8 * Math.log(1.6) + 0.2 * Math.log(0.4));
    expect(wald).toBeGreaterThan(12);
    expect(study(0.8).used).toBeGreaterThan(wald * 0.9);
    expect(study(0.8).used).toBeLessThan(wald * 1.35);
  });
});

describe('measure gate', () => {
  const band = { id: 'turn_top', unit: 'deg' as const, lo: 35, hi: 55, step: 9, origin: [] };
  const swings = (values: number[], sd = 2) => values.map((value) => ({ value, sd }));
  test('two swings are too few, three in the middle are enough', () => {
    expect(measureGate(swings([45, 45]), band)).toEqual({ swings: 2, inBand: null, open: false });
    expect(measureGate(swings([44, 46, 45]), band)).toMatchObject({ swings: 3, open: true });
  });
  test('at the edge the chance is a half, by symmetry', () => {
    expect(measureGate(swings([54, 55, 56]), { ...band, lo: null }).inBand).toBeCloseTo(0.5, 6);
  });
  test('marks that can’t tell keep it shut', () => {
    expect(measureGate(swings([44, 46, 45], 25), band).open).toBe(false);
  });
  test('its chance is honest for a mean that is known', () => {
    // Many players whose mean is drawn around the edge: those called 0.8 or more are mostly inside.
    const random = seededRandom(8);
    let open = 0;
    let inside = 0;
    for (let i = 0; i < 4000; i++) {
      const mean = 35 + 12 * gaussian(random);
      const seen = Array.from({ length: 4 }, () => ({ value: mean + 3 * gaussian(random), sd: 2 }));
      if (!measureGate(seen, { ...band, hi: null }).open) continue;
      open++;
      if (mean >= 35) inside++;
    }
    expect(open).toBeGreaterThan(500);
    expect(inside / open).toBeGreaterThan(0.95);
  });
});

test('everything that holds a rung is named, pain first', () => {
  const open = countRung(readReps('PPPPPPP') ?? []);
  const gateOf = (swings: number, inBand: number | null) => ({
    id: 'shift_top',
    swings,
    inBand,
    open: (inBand ?? 0) >= 0.8,
  });
  expect(heldBy(open, [gateOf(4, 0.9)], true, null, false)).toEqual([]);
  expect(heldBy(open, [], false, null, false)).toEqual([]);
  expect(heldBy(open, [], true, null, false)).toEqual([{ code: 'look' }]);
  const held = heldBy(countRung(readReps('FFF') ?? []), [gateOf(1, null)], true, 'shift_impact', true);
  expect(held.map((h) => h.code)).toEqual(['pain', 'reps_not_yet', 'reps', 'swings', 'watch']);
  expect(heldBy(open, [gateOf(3, 0.9), gateOf(3, 0.4)], true, null, false)).toEqual([
    { code: 'measure', measure: 'shift_top', inBand: 0.4 },
  ]);
});

describe('repetitions that it will still take', () => {
  const more = (reps: string) => moreAtThisRate(countRung(readReps(reps) ?? []));
  test('none once it is owned; at a usual rate some fifteen from nothing', () => {
    expect(more('PPPPPPP')).toBe(0);
    // 0.75 of 0.47 and 0.25 of -0.92 gain 0.124 a repetition: 2.89 takes 24.
    expect(more('')).toBe(24);
  });
  test('fewer the more has passed, and never at a rate that would not do', () => {
    expect(more('PPPP')).toBeLessThan(more('PP') as number);
    expect(more('PFPFPFFPFPFPPF')).toBeNull();
  });
  test('is the mean of what it then takes, by simulation at that rate', () => {
    const random = seededRandom(11);
    let sum = 0;
    for (let run = 0; run < 4000; run++) {
      const count = new RungCount();
      while (!count.advanced) {
        count.read([random() < 0.8 ? 'P' : 'F']);
        sum += 1;
      }
    }
    // At 0.8 the drift is 0.193 a repetition; Wald's mean, a little above it for the overshoot and the new starts.
    expect(sum / 4000).toBeGreaterThan(15);
    expect(sum / 4000).toBeLessThan(24);
  });
});
