import { expect, test } from '@jest/globals';
import { feltAgainst } from './feltAgainst.ts';
import { notSeen, seen } from './sampleCase.ts';

test('a head that is felt still and drifts on film is told as both', () => {
  expect(feltAgainst(seen('obs.self_reports_still_head'), ['head_shift_top.low'])).toEqual([
    { felt: 'obs.self_reports_still_head', shown: 'head_shift_top.low' },
  ]);
  expect(feltAgainst(seen('obs.self_reports_still_head'), ['shift_top.low'])).toEqual([]);
  expect(feltAgainst(notSeen('obs.self_reports_still_head'), ['head_shift_top.high'])).toEqual([]);
});
