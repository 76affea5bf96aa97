import type { Problem, Result } from '@inchstep/core/foundation';
import { bad, good } from '@inchstep/core/foundation';
import type { z } from 'zod';

/** "marks[3].u" from Zod's path. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text === '' ? String(key) : `${text}.${String(key)}`,
    '',
  );

/** Checks a document at the door; every issue keeps its path and says what would be right. */
export function readDocument<T extends z.ZodType>(schema: T, json: unknown): Result<z.output<T>> {
  const parsed = schema.safeParse(json);
  if (parsed.success) return good(parsed.data);
  const problems = parsed.error.issues.map(
    (issue): Problem => ({
      code: 'bad_input',
      path: pathText(issue.path),
      detail: { message: issue.message },
    }),
  );
  return bad(problems);
}
