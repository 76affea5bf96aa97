/** Everything a student reads about a drill. `cue` is given in the kinds the drill has. */
export interface DrillWords {
  readonly name: string;
  readonly purpose: string;
  readonly steps: readonly string[];
  readonly cue: string;
  readonly counts: string;
  readonly fake: string;
  readonly tooMuch: string;
  /** What each checkpoint asks, in order. */
  readonly layers: readonly string[];
  /** Names of distances that only this drill has. */
  readonly distances?: Readonly<Record<string, string>> | undefined;
}

/** A built-in drill's page; its checkpoints stand in a table of their own. */
export type DrillPage = Omit<DrillWords, 'layers'>;

/** Reads like the page: name, purpose, steps, cue, when it counts, fake, too much. */

export const words = (
  name: string,
  purpose: string,
  steps: readonly string[],
  cue: string,
  counts: string,
  fake: string,
  tooMuch: string,
): DrillPage => ({ name, purpose, steps, cue, counts, fake, tooMuch });
