import { CAUSES, FAULTS } from '@inchstep/core/diagnosis';
import { resolveSchool } from '@inchstep/core/intake';
import { describe, expect, test } from '@jest/globals';
import { layChain } from './chainLayout.ts';

const school = resolveSchool({});
const ask = (present: string[], faults: Record<string, number>, all = false) =>
  layChain({ diagnosis: { faults, present, roots: [] }, school, all });
const place = (chain: ReturnType<typeof ask>, id: string) => {
  const node = chain.nodes.find((n) => n.id === id);
  if (!node) throw new Error(`no node ${id}`);
  return node;
};

describe('the chain board’s layout', () => {
  const chain = ask(['lead_knee_in_top.high', 'turn_top.high', 'obs.overswing'], {
    lead_knee_collapse: 0.8,
    over_turn: 0.95,
    sway: 0.02,
  });
  test('findings on the left, the cause on the right, its effect between', () => {
    const x = (id: string) => place(chain, id).x;
    expect(x('turn_top.high')).toBeLessThan(x('over_turn'));
    expect(x('over_turn')).toBeLessThan(x('lead_knee_collapse'));
  });
  test('what nothing speaks for is left out', () => {
    expect(chain.nodes.map((n) => n.id)).not.toContain('sway');
  });
  test('the stronger link is the thicker one', () => {
    const weight = (from: string, to: string) =>
      chain.links.find((l) => l.from === from && l.to === to)?.weight ?? 0;
    expect(weight('turn_top.high', 'over_turn')).toBeGreaterThan(
      weight('lead_knee_in_top.high', 'over_turn'),
    );
    expect(weight('over_turn', 'lead_knee_collapse')).toBeGreaterThan(0.1);
  });
  test('nothing found is an empty board', () => {
    expect(ask([], {}).nodes).toEqual([]);
  });
});

describe('with all faults in play', () => {
  const faults = Object.fromEntries(FAULTS.map((f) => [f.id, 0.6]));
  const present = FAULTS.flatMap((f) => f.evidence.slice(0, 1).map((e) => e.finding));
  const chain = ask([...new Set(present)], faults, true);
  test('every fault has a box, none on top of another, all inside', () => {
    for (const fault of FAULTS) place(chain, fault.id);
    for (const a of chain.nodes) {
      expect(a.x - chain.boxWidth / 2).toBeGreaterThanOrEqual(0);
      expect(a.x + chain.boxWidth / 2).toBeLessThanOrEqual(chain.width);
      for (const b of chain.nodes) {
        if (a === b || a.x !== b.x) continue;
        expect(Math.abs(a.y - b.y)).toBeGreaterThanOrEqual(chain.boxHeight);
      }
    }
  });
  test('columns keep a gap, and causes stand right of their effects', () => {
    const columns = [...new Set(chain.nodes.map((n) => n.x))].sort((a, b) => a - b);
    for (const [i, x] of columns.entries())
      if (i > 0) expect(x - (columns[i - 1] as number)).toBeGreaterThan(chain.boxWidth);
    for (const { cause, effect } of CAUSES)
      expect(place(chain, cause).x).toBeGreaterThan(place(chain, effect).x);
  });
  test('it fits a laptop’s screen in height when findings are many', () => {
    expect(chain.height).toBeLessThan(1000);
  });
});
