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

export function readHurt(token: string): Hurt | null {
  try {
    return JSON.parse(localStorage.getItem(key(token)) ?? 'null') as Hurt | null;
  } catch {
    return null;
  }
}

export function keepHurt(token: string, hurt: Hurt | null): void {
  try {
    if (hurt) localStorage.setItem(key(token), JSON.stringify(hurt));
    else localStorage.removeItem(key(token));
  } catch {
    // A forbidden store: the page itself still holds it.
  }
}
