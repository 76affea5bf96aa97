import { expect, test } from '@jest/globals';
import { resolveSchool } from '../intake/index.ts';
import type { Evidence } from './evidence.ts';
import { FAULTS } from './faultTable.ts';
import { FaultNetwork, findingLinks } from './network.ts';

const LOOK = [0.93, 0.04] as const;
const seen = (finding: string, hit: number, falseAlarm: number): Evidence => ({
  finding,
  ifPresent: hit,
  ifAbsent: falseAlarm,
  source: 'seen',
});

test.each(['obs.flip', 'turn_impact.low', 'obs.overswing', 'seat_loss_impact.high'])(
  'what is believed without %s follows from what is believed now and with it',
  (finding) => {
    const [hit, falseAlarm] = LOOK;
    const evidence = [seen('lead_knee_in_top.high', 0.95, 0.03), seen('ball.hook', 0.9, 0.1)];
    const network = new FaultNetwork(findingLinks(resolveSchool({})), [
      ...evidence.map((e) => e.finding),
      finding,
    ]);
    const now = network.believe(evidence);
    const { faults: yes, likelihood } = network.believe([...evidence, seen(finding, hit, falseAlarm)]);
    const no = network.believe([...evidence, seen(finding, 1 - hit, 1 - falseAlarm)]).faults;
    const chance = likelihood / now.likelihood;
    expect(chance).toBeGreaterThan(falseAlarm);
    expect(chance).toBeLessThan(hit);
    for (const { id } of FAULTS) {
      const mixed = chance * (yes.get(id) ?? 0) + (1 - chance) * (no.get(id) ?? 0);
      expect(mixed).toBeCloseTo(now.faults.get(id) ?? 0, 9);
    }
  },
);
