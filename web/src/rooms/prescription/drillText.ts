import { AID_WORDS, LIMIT_WORDS } from '@inchstep/contract/words';
import { type Drill, LIMIT_OF_LOAD, loadsOf } from '@inchstep/core/prescription';

export const needsText = (drill: Drill): string =>
  drill.aids.length === 0
    ? 'nothing'
    : drill.aids.map((group) => group.map((aid) => AID_WORDS[aid] ?? aid).join(' or ')).join(' and ');

export const loadsText = (drill: Drill): string =>
  loadsOf(drill)
    .map(([load, grade]) => `${LIMIT_WORDS[LIMIT_OF_LOAD[load]]} ${grade === 2 ? 'much' : 'a little'}`)
    .join(', ') || 'nothing';
