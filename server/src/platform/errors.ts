import type { Failure } from '@inchstep/contract/shared';
import { PROBLEM_WORDS, type ProblemCode, problemText } from '@inchstep/contract/words';
import type { Problem, Result } from '@inchstep/core/foundation';

/** An expected refusal: answered with its code, its words and its status; never a stack trace. */
export class Refusal extends Error {
  readonly problems: readonly Problem[];

  constructor(code: ProblemCode, detail: Problem['detail'] = {}, path = '') {
    super(code);
    this.problems = [{ code, path, detail }];
  }

  static of(problems: readonly Problem[]): Refusal {
    const first = problems[0];
    const refusal = new Refusal((first?.code ?? 'bad_input') as ProblemCode);
    Object.assign(refusal, { problems });
    return refusal;
  }
}

/** The value of a core result, or a refusal with all its problems. */
export function orRefuse<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw Refusal.of(result.problems);
}

export function failureOf(problems: readonly Problem[]): { status: number; body: Failure } {
  const first = problems[0] ?? { code: 'broken', path: '', detail: {} };
  const words = PROBLEM_WORDS[first.code as ProblemCode] ?? PROBLEM_WORDS.bad_input;
  return {
    status: words.status,
    body: {
      code: first.code,
      message: problemText(first),
      problems: problems.map(({ code, path, detail }) => ({ code, path, detail: { ...detail } })),
    },
  };
}
