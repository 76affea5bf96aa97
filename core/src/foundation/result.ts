/**
 * Expected failures are values with a code; broken invariants throw.
 * `path` points into the input ("marks[3].u"), `detail` holds the facts a sentence needs.
 */
export interface Problem<Code extends string = string> {
  readonly code: Code;
  readonly path: string;
  readonly detail: Readonly<Record<string, string | number>>;
}

export type Result<T, Code extends string = string> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem<Code>[] };

export const good = <T>(value: T): Result<T, never> => ({ ok: true, value });

export const bad = <Code extends string>(problems: readonly Problem<Code>[]): Result<never, Code> => ({
  ok: false,
  problems,
});

export const problem = <Code extends string>(
  code: Code,
  path: string,
  detail: Problem['detail'] = {},
): Problem<Code> => ({ code, path, detail });

/** Throws when an invariant of the program itself is broken. */
export function invariant(condition: unknown, message: string): asserts condition {
  if (!condition) throw new Error(`broken invariant: ${message}`);
}
