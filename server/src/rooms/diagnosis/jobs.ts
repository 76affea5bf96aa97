import { type CaseFile, diagnose } from '@inchstep/core/diagnosis';

/** What this room gives to helper processes, by name. */
export const JOBS = { diagnose: (file: CaseFile) => diagnose(file) };
