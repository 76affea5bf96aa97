import type { FindingId, LookId } from './findings.ts';

/** What a student is sure of, and what the film would show if it were not so. */
const FELT: readonly (readonly [felt: LookId, otherwise: readonly FindingId[]])[] = [
  ['obs.self_reports_still_head', ['head_shift_top.low', 'head_shift_top.high']],
];

interface FeltAgainst {
  readonly felt: string;
  readonly shown: string;
}

/** Where the student is sure of one thing and the film shows another: both are told, neither is weighed by the other. */
export function feltAgainst(
  findings: readonly { readonly id: string; readonly seen: 'present' | 'absent' }[],
  present: readonly string[],
): FeltAgainst[] {
  const said = new Set(findings.filter(({ seen }) => seen === 'present').map(({ id }) => id));
  return FELT.filter(([felt]) => said.has(felt)).flatMap(([felt, otherwise]) =>
    otherwise.filter((finding) => present.includes(finding)).map((shown) => ({ felt, shown })),
  );
}
