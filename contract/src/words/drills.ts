import type { DrillId } from '@inchstep/core/prescription';
import { LAYER_WORDS } from './drillLayerWords.ts';
import { BACKSWING_DRILLS } from './drillWords.backswing.ts';
import { DOWNSWING_DRILLS } from './drillWords.downswing.ts';
import { OUR_DRILLS } from './drillWords.ours.ts';
import { THROUGH_DRILLS } from './drillWords.through.ts';
import type { DrillPage, DrillWords } from './drillWords.ts';

const PAGES: Readonly<Record<DrillId, DrillPage>> = {
  ...BACKSWING_DRILLS,
  ...DOWNSWING_DRILLS,
  ...THROUGH_DRILLS,
  ...OUR_DRILLS,
};

export const DRILL_WORDS: Readonly<Record<string, DrillWords>> = Object.fromEntries(
  Object.entries(PAGES).map(([id, page]) => [id, { ...page, layers: LAYER_WORDS[id as DrillId] }]),
);
