/** Everything a student reads about a drill. `cue` is given in the kinds the drill has. */
export interface DrillWords {
  readonly name: string;
  readonly purpose: string;
  readonly steps: readonly string[];
  readonly cue: string;
  readonly counts: string;
  readonly fake: string;
  readonly tooMuch: string;
  /** Names of distances that only this drill has. */
  readonly distances?: Readonly<Record<string, string>> | undefined;
}

/** Reads like the page: name, purpose, steps, cue, when it counts, fake, too much. */
export const words = (
  name: string,
  purpose: string,
  steps: readonly string[],
  cue: string,
  counts: string,
  fake: string,
  tooMuch: string,
): DrillWords => ({ name, purpose, steps, cue, counts, fake, tooMuch });
