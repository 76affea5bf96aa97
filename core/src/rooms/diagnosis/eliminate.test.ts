import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import { CAUSES } from './causeTable.ts';
import { type Factor, planSums } from './eliminate.ts';
import { seenEvidence } from './evidence.ts';
import { FAULTS } from './faultTable.ts';
import {
  CAUSE_POWER,
  explainedShare,
  FaultNetwork,
  FINDING_POWER,
  faultPosteriors,
  findingLinks,
  LEAK,
  PRIOR,
} from './network.ts';
import { sampleCase } from './sampleCase.ts';
import { marginals, Sums } from './sums.ts';

/** Sums over every assignment, one by one. */
function bruteForce(variableCount: number, factors: readonly Factor[]) {
  let total = 0;
  const one = new Float64Array(variableCount);
  for (let assignment = 0; assignment < 1 << variableCount; assignment++) {
    let product = 1;
    for (const { variables, table } of factors) {
      const index = variables.reduce((sum, v, k) => sum + (((assignment >> v) & 1) << k), 0);
      product *= table[index] as number;
    }
    total += product;
    for (let v = 0; v < variableCount; v++) {
      if ((assignment >> v) & 1) one[v] = (one[v] as number) + product;
    }
  }
  return { one: one.map((value) => value / total), total };
}

describe('marginals', () => {
  test('one variable alone keeps its odds', () => {
    const { one, total } = marginals(1, [{ variables: [0], table: Float64Array.of(3, 1) }]);
    expect(one[0]).toBeCloseTo(0.25, 12);
    expect(total).toBeCloseTo(4, 12);
  });

  test.each([1, 2, 3, 4, 5, 6])('equal brute force on random graphs (seed %i)', (seed) => {
    const random = seededRandom(seed);
    const count = 9;
    const factors = randomFactors(random, count, 12);
    const exact = bruteForce(count, factors);
    const got = marginals(count, factors);
    expect(got.total / exact.total).toBeCloseTo(1, 9);
    exact.one.forEach((value, v) => {
      expect(got.one[v]).toBeCloseTo(value, 9);
    });
  });

  test('helper factors with negative entries still give the right sums', () => {
    // P(x) with a noisy-or of two parents written through a helper, against its plain table.
    const [a, b, x, helper] = [0, 1, 2, 3];
    const [leak, powerA, powerB] = [0.1, 0.6, 0.3];
    const parents: Factor[] = [
      { variables: [a], table: Float64Array.of(0.8, 0.2) },
      { variables: [b], table: Float64Array.of(0.5, 0.5) },
    ];
    const plain = Float64Array.from({ length: 8 }, (_, i) => {
      const absent = (1 - leak) * (i & 1 ? 1 - powerA : 1) * (i & 2 ? 1 - powerB : 1);
      return i & 4 ? 1 - absent : absent;
    });
    const direct = bruteForce(3, [...parents, { variables: [a, b, x], table: plain }]);
    const helped = marginals(4, [
      ...parents,
      { variables: [helper, x], table: Float64Array.of(0, 1 - leak, 1, leak - 1) },
      { variables: [helper, a], table: Float64Array.of(1, 1, 1, 1 - powerA) },
      { variables: [helper, b], table: Float64Array.of(1, 1, 1, 1 - powerB) },
    ]);
    for (const v of [a, b, x]) expect(helped.one[v]).toBeCloseTo(direct.one[v] as number, 10);
  });
});

/** Tables over up to three of `count` variables, none of them zero in sum. */
function randomFactors(random: () => number, count: number, howMany: number): Factor[] {
  return Array.from({ length: howMany }, () => {
    const size = 1 + Math.floor(random() * 3);
    const variables = [...Array(count).keys()].sort(() => random() - 0.5).slice(0, size);
    return { variables, table: Float64Array.from({ length: 1 << size }, () => 0.05 + random()) };
  });
}

describe('sums that are kept', () => {
  test.each([1, 2, 3, 4])('equal sums made anew, whatever changed and was asked before (seed %i)', (seed) => {
    const random = seededRandom(100 + seed);
    const count = 12;
    const factors = randomFactors(random, count, 15);
    const sums = new Sums(
      planSums(
        count,
        factors.map((f) => f.variables),
      ),
      factors.map((f) => f.table),
    );
    for (let step = 0; step < 40; step++) {
      const at = Math.floor(random() * factors.length);
      const { variables, table } = factors[at] as Factor;
      factors[at] = { variables, table: table.map(() => 0.05 + random()) };
      sums.set(at, (factors[at] as Factor).table);
      if (random() < 0.3) continue;
      const asked = [...Array(count).keys()].filter(() => random() < 0.4);
      const anew = marginals(count, factors);
      expect([...sums.ones(asked)]).toEqual(asked.map((v) => anew.one[v]));
      expect(sums.total()).toBe(anew.total);
    }
  });
  test('evidence taken back leaves nothing behind', () => {
    const links = findingLinks(sampleCase().school);
    const said = ['base_ratio.low', 'turn_top.high', 'obs.flip'].map((id) =>
      seenEvidence({ id, seen: 'present' }),
    );
    const network = new FaultNetwork(
      links,
      said.map((e) => e.finding),
    );
    const before = network.believe(said.slice(0, 2));
    network.believe(said, ['base_narrow']);
    network.believe([]);
    expect(network.believe(said.slice(0, 2))).toEqual(before);
    expect(before.faults).toEqual(
      new FaultNetwork(
        links,
        said.map((e) => e.finding),
      ).believe(said.slice(0, 2)).faults,
    );
  });
});

describe('the cause graph', () => {
  test('has no loops', () => {
    const state = new Map<string, 'open' | 'closed'>();
    const visit = (id: string): void => {
      if (state.get(id) === 'closed') return;
      expect(state.get(id)).toBeUndefined();
      state.set(id, 'open');
      for (const { cause, effect } of CAUSES) if (cause === id) visit(effect);
      state.set(id, 'closed');
    };
    for (const { id } of FAULTS) visit(id);
    expect(state.size).toBe(FAULTS.length);
  });
  test('names only faults that exist', () => {
    const ids = new Set<string>(FAULTS.map((fault) => fault.id));
    for (const { cause, effect } of CAUSES) expect([ids.has(cause), ids.has(effect)]).toEqual([true, true]);
  });
});

describe('posteriors', () => {
  const links = findingLinks(sampleCase().school);
  const noEvidence = faultPosteriors([], links);
  test('with nothing seen a fault without causes stays at the prior', () => {
    expect(noEvidence.get('base_narrow')).toBeCloseTo(PRIOR, 10);
  });
  test('a fault with one cause follows the noisy-or by hand', () => {
    // setup_squat -> hip_hike 3; frozen_hips -> hip_hike 1; base_wide -> frozen_hips 1.
    const frozen = 1 - (1 - PRIOR) * (1 - CAUSE_POWER[1] * PRIOR);
    const hike = 1 - (1 - PRIOR) * (1 - CAUSE_POWER[3] * PRIOR) * (1 - CAUSE_POWER[1] * frozen);
    expect(noEvidence.get('frozen_hips')).toBeCloseTo(frozen, 10);
    expect(noEvidence.get('hip_hike')).toBeCloseTo(hike, 10);
  });
  test('Bayes by hand for a finding with one parent', () => {
    // base_ratio.low speaks for base_narrow alone, strength 3.
    const present = seenEvidence({ id: 'base_ratio.low', seen: 'present' });
    const given = (p: number) => present.ifPresent * p + present.ifAbsent * (1 - p);
    const ifFault = given(1 - (1 - LEAK.look) * (1 - FINDING_POWER[3]));
    const ifNone = given(LEAK.look);
    const wanted = (PRIOR * ifFault) / (PRIOR * ifFault + (1 - PRIOR) * ifNone);
    expect(faultPosteriors([present], links).get('base_narrow')).toBeCloseTo(wanted, 10);
  });
  test('a cause that is certain accounts for its effect, none accounts for nothing', () => {
    const none = new Map(FAULTS.map(({ id }) => [id, 0]));
    expect(explainedShare('hang_back', none)).toBe(0);
    const withCause = new Map([...none, ['sway', 1]] as [string, number][]);
    expect(explainedShare('hang_back', withCause)).toBeCloseTo(CAUSE_POWER[3] / (CAUSE_POWER[3] + PRIOR), 10);
  });
});
