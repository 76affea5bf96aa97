import { type CaseFile, referenceCase } from '@inchstep/core/diagnosis';

/** The reference case with the aids that most drills of the screens' tests ask for. */
export const referenceFile = (): CaseFile => referenceCase({ aids: ['stick', 'wall', 'phone'] });
