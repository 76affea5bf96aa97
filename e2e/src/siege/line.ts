/** One line of the table of a siege: what was tried, how often, and what it came to. */
export interface Line {
  readonly what: string;
  readonly tried: number;
  readonly value: number;
  readonly unit: string;
  /** What it must come to; null where there is no promise. */
  readonly goal: string | null;
}
export const line = (
  what: string,
  tried: number,
  value: number,
  unit = '',
  goal: string | null = null,
): Line => ({
  what,
  tried,
  value,
  unit,
  goal,
});
