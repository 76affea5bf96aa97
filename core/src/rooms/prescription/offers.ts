import type { CaseFile, Diagnosis } from '../diagnosis/index.ts';
import type { AnyDrillId, Drill } from './drillTable.ts';
import type { Library } from './library.ts';
import { type Caution, cautionsFor, type Refusal, refuse, watchesFor } from './rules.ts';
import { byFit, type ScorePart, scoreParts, total } from './score.ts';
import { type SetupValue, setupFor } from './setupCard.ts';

export interface Prescribed {
  readonly id: AnyDrillId;
  readonly role: 'primary' | 'support';
  readonly forFault: string;
  readonly score: number;
  readonly parts: readonly ScorePart[];
  readonly cautions: readonly Caution[];
  readonly setup: readonly SetupValue[];
  readonly watch: readonly string[];
}

/** What the match reads of a diagnosis. */
export type Reasoned = Pick<Diagnosis, 'roots' | 'workOn' | 'blockers' | 'faults' | 'present'>;

export interface Target {
  readonly fault: string;
  /** The best fit first. */
  readonly offered: readonly Prescribed[];
  readonly rejected: readonly Refusal[];
}

export function offersFor(fault: string, file: CaseFile, diagnosis: Reasoned, library: Library): Target {
  const offered: Prescribed[] = [];
  const rejected: Refusal[] = [];
  for (const drill of library.drills) {
    const fix = drill.fixes.find((one) => one.fault === fault);
    if (!fix) continue;
    const refusal = refuse(drill, file, diagnosis, library);
    if (refusal) rejected.push(refusal);
    else offered.push(offer(drill, fix, file, diagnosis));
  }
  offered.sort(byFit(file.school, (id) => (library.byId(id) as Drill).phase));
  return { fault, offered, rejected };
}

export function offer(
  drill: Drill,
  fix: Drill['fixes'][number],
  file: CaseFile,
  diagnosis: Reasoned,
): Prescribed {
  const parts = scoreParts(drill, fix, file, diagnosis);
  return {
    id: drill.id,
    role: 'primary',
    forFault: fix.fault,
    score: total(parts),
    parts,
    cautions: cautionsFor(drill, file),
    setup: setupFor(drill, file),
    watch: watchesFor(drill, diagnosis),
  };
}
