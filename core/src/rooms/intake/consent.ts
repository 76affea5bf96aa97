import type { IsoDay } from '../../foundation/index.ts';
import { isChild } from './student.ts';

export interface ConsentFacts {
  readonly ageYears: number;
  readonly guardianConsent: { readonly on: IsoDay } | null;
}

/**
 * Whether a student may be filmed, marked and shown: an adult always, a child from the day on which a
 * guardian agreed. A day that has not come yet is no agreement.
 */
export const mayBeFilmed = ({ ageYears, guardianConsent }: ConsentFacts, today: IsoDay): boolean =>
  !isChild({ ageYears }) || (guardianConsent !== null && guardianConsent.on <= today);
