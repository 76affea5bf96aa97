import { valueIn } from '@inchstep/contract/words';
import { CM_PER_IN, inToCm } from '@inchstep/core/foundation';
import { useSettings } from './settings.tsx';
import { UNITS_WORDS } from './words.ts';

/** Lengths and measures in the coach's units. */
export function useUnits() {
  const { lengths } = useSettings();
  const metric = lengths === 'cm';
  return {
    lengths,
    /** Factor from inches to what is shown. */
    perInch: metric ? CM_PER_IN : 1,
    length: (inches: number, places = 1) =>
      metric
        ? UNITS_WORDS.cm(inToCm(inches).toFixed(places === 0 ? 0 : 1))
        : UNITS_WORDS.in(inches.toFixed(places)),
    value: valueIn(lengths),
  };
}
