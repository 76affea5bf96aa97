import { describe, expect, test } from '@jest/globals';
import type { Station } from '../../capture/index.ts';
import { withOtherView } from './stationsTogether.ts';

const moments = (of: Partial<Record<Station, number>>) => new Map(Object.entries(of) as [Station, number][]);
const FRONT = moments({ address: 0.3, top: 1.1, delivery: 1.34, impact: 1.42, finish: 2 });

describe('two views of one swing', () => {
  test('what was not found here is taken from there, on this clip’s clock', () => {
    const behind = moments({ top: 3.1, impact: 3.42 });
    const found = withOtherView(behind, FRONT);
    expect(found.get('delivery')).toBeCloseTo(3.34, 9);
    expect(found.get('address')).toBeCloseTo(2.3, 9);
    expect(found.get('finish')).toBeCloseTo(4, 9);
    expect([found.get('top'), found.get('impact')]).toEqual([3.1, 3.42]);
  });
  test('delivery is met halfway, what stands still or is sure stays each view’s own', () => {
    const behind = moments({ address: 0.2, top: 1.1, delivery: 1.38, impact: 1.42, finish: 2.2 });
    const found = withOtherView(behind, FRONT);
    expect(found.get('delivery')).toBeCloseTo(1.36, 9);
    expect([found.get('address'), found.get('finish')]).toEqual([0.2, 2.2]);
  });
  test.each<[string, Map<Station, number>]>([
    ['another swing, slower on the way down', moments({ top: 1, impact: 1.5 })],
    ['a view that shows no top', moments({ impact: 1.42 })],
    ['nothing', moments({})],
  ])('%s changes nothing', (_, own) => {
    expect([...withOtherView(own, FRONT)]).toEqual([...own]);
  });
  test('the other view’s silence changes nothing either', () => {
    expect([...withOtherView(FRONT, moments({}))]).toEqual([...FRONT]);
    expect([...withOtherView(FRONT, moments({ top: 1.1, impact: 1.42 }))]).toEqual([...FRONT]);
  });
});
