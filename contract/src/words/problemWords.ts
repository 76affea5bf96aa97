/** One row of the problems table: the answer's status, what is wrong, and what to do. */
export interface ProblemWords {
  readonly status: number;
  readonly what: string;
  readonly remedy: string;
}

export const p = (status: number, what: string, remedy: string): ProblemWords => ({ status, what, remedy });
