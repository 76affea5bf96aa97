import { onDevice } from '../../platform/onDevice.ts';

/** A report of pain on this phone, written before anything else happens with it. */
export interface Hurt {
  readonly id: string;
  /** When it was pressed, by this phone's clock. */
  readonly at: string;
  readonly where: string;
  /** Until then, ms, it may have been a slip of the finger. */
  readonly until: number;
  /** Taken in by the program: the coach sees it. */
  readonly told: boolean;
}

/** So long a slip can be taken back before it goes. */
export const SLIP_MS = 10_000;

const key = (token: string): string => `inchstep.hurts.${token.slice(0, 12)}`;

export const readHurt = (token: string): Hurt | null => onDevice.readJson(key(token)) as Hurt | null;

export function keepHurt(token: string, hurt: Hurt | null): void {
  if (hurt) onDevice.write(key(token), JSON.stringify(hurt));
  else onDevice.drop(key(token));
}
