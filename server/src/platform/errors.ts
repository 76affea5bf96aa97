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

/** What the disk or the database itself refuses, as a problem of the one table; null for a bug. */
export function machineProblem(error: unknown): ProblemCode | null {
  const code = String((error as { code?: unknown } | null)?.code ?? '');
  if (code === 'ENOSPC' || code === 'EDQUOT' || code.startsWith('SQLITE_FULL')) return 'disk_full';
  // A full disk also shows as a failing write of the log or of the page cache.
  if (/^SQLITE_IOERR_(WRITE|FSYNC|SHMSIZE|TRUNCATE)/.test(code)) return 'disk_full';
  if (code === 'EROFS' || code.startsWith('SQLITE_READONLY')) return 'read_only';
  if (code.startsWith('SQLITE_CORRUPT') || code === 'SQLITE_NOTADB') return 'record_damaged';
  if (code.startsWith('SQLITE_BUSY')) return 'busy';
  return null;
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
