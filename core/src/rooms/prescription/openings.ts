import type { CaseFile } from '../diagnosis/index.ts';
import { AIDS, type Aid } from '../intake/index.ts';
import { HOUSE_LIBRARY, type Library } from './library.ts';
import { type Found, refuse } from './rules.ts';

/** An aid the student lacks, and the drills for the fault that it alone would open. */
export interface Opening {
  readonly aid: Aid;
  readonly drills: readonly string[];
}

/** Aids worth getting when nothing can be offered, the one that opens most first. */
export function openings(
  file: CaseFile,
  fault: string,
  diagnosis: Found,
  library: Library = HOUSE_LIBRARY,
): Opening[] {
  const { student } = file;
  const shut = library.drills.filter(
    (drill) =>
      drill.fixes.some((fix) => fix.fault === fault) &&
      refuse(drill, file, diagnosis, library)?.code === 'aid',
  );
  return AIDS.filter((aid) => !student.aids.includes(aid))
    .map((aid) => {
      const owning = { ...file, student: { ...student, aids: [...student.aids, aid] } };
      return {
        aid,
        drills: shut.filter((drill) => !refuse(drill, owning, diagnosis, library)).map((drill) => drill.id),
      };
    })
    .filter(({ drills }) => drills.length > 0)
    .sort((a, b) => b.drills.length - a.drills.length);
}
