import { DOOR_PROBLEMS } from './problemsAtDoors.ts';
import { CASE_PROBLEMS } from './problemsOfCases.ts';
import { FILE_PROBLEMS } from './problemsOfFiles.ts';

/** What went wrong and what to do: one table for server, screen and command line. */
export const PROBLEM_WORDS = { ...CASE_PROBLEMS, ...FILE_PROBLEMS, ...DOOR_PROBLEMS } as const;

export type ProblemCode = keyof typeof PROBLEM_WORDS;

const fill = (text: string, detail: Readonly<Record<string, string | number>>): string =>
  text.replaceAll(/\{(\w+)\}/g, (whole, key: string) => String(detail[key] ?? whole));

/** One line: what is wrong, then what to do. */
export function problemText(problem: {
  readonly code: string;
  readonly detail?: Readonly<Record<string, string | number>> | undefined;
}): string {
  const words = PROBLEM_WORDS[problem.code as ProblemCode] ?? PROBLEM_WORDS.bad_input;
  const detail = problem.detail ?? {};
  return `${fill(words.what, detail)} ${fill(words.remedy, detail)}`;
}
