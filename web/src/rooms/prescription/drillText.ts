import { AID_WORDS, LIMIT_WORDS } from '@inchstep/contract/words';
import { type Drill, LIMIT_OF_LOAD, loadsOf } from '@inchstep/core/prescription';
import { DRILL_TEXT_WORDS } from './words.ts';

export const needsText = (drill: Drill): string =>
  drill.aids.length === 0
    ? 'nothing'
    : drill.aids
        .map((group) => group.map((aid) => AID_WORDS[aid] ?? aid).join(DRILL_TEXT_WORDS.or))
        .join(DRILL_TEXT_WORDS.and);

export const loadsText = (drill: Drill): string =>
  loadsOf(drill)
    .map(
      ([load, grade]) =>
        `${LIMIT_WORDS[LIMIT_OF_LOAD[load]]} ${grade === 2 ? 'much' : DRILL_TEXT_WORDS.aLittle}`,
    )
    .join(', ') || 'nothing';
