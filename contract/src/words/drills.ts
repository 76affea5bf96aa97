import type { DrillId } from '@inchstep/core/prescription';
import { BACKSWING_DRILLS } from './drillWords.backswing.ts';
import { DOWNSWING_DRILLS } from './drillWords.downswing.ts';
import { OUR_DRILLS } from './drillWords.ours.ts';
import { THROUGH_DRILLS } from './drillWords.through.ts';
import type { DrillWords } from './drillWords.ts';

export const DRILL_WORDS: Readonly<Record<string, DrillWords>> = {
  ...BACKSWING_DRILLS,
  ...DOWNSWING_DRILLS,
  ...THROUGH_DRILLS,
  ...OUR_DRILLS,
} satisfies Readonly<Record<DrillId, DrillWords>>;
