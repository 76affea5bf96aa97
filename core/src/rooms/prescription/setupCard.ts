import type { CaseFile } from '../diagnosis/index.ts';
import { bandFor, bodySizes, CLUBS, type Club, resolveSchool, type School } from '../intake/index.ts';
import { bumpIn } from './amountsByClub.ts';
import { distanceFor, type SetupDistance } from './distance.ts';
import type { Drill } from './drillTable.ts';

export interface SetupValue {
  readonly id: string;
  readonly valueIn: number;
}

/** Phone to player for the face-on look, and its height, as shares of standing height. */
const CAMERA_AWAY_SHARE = 2.15;
const BELT_SHARE = 0.57;

/** This student's distances: stance for the club, what the drill itself asks, camera for the look. */
export function setupFor(drill: Drill, file: Pick<CaseFile, 'student' | 'club' | 'school'>): SetupValue[] {
  const { heightIn } = file.student;
  return [
    { id: 'stance', valueIn: stanceIn(file.club, file) },
    ...drill.setup.map((distance) => ({ id: distance.id, valueIn: valueFor(distance, file) })),
    { id: 'camera_away', valueIn: CAMERA_AWAY_SHARE * heightIn },
    { id: 'camera_height', valueIn: BELT_SHARE * heightIn },
  ];
}

/** Most distances are the body's alone; the bump is the club's as well. */
const valueFor = (distance: SetupDistance, file: Pick<CaseFile, 'student' | 'club'>): number =>
  distanceFor(distance, file.student) * (distance.id === 'bump' ? bumpIn(file.club) : 1);

/** Ankles apart for a club: the middle of its band times the hips' outer width. */
export function stanceIn(
  club: Club,
  file: { readonly student: CaseFile['student']; readonly school?: School },
): number {
  const { student } = file;
  const band = bandFor('base_ratio', {
    heightIn: student.heightIn,
    flexibility: student.flexibility,
    armSwing: student.armSwing,
    club,
    school: file.school ?? resolveSchool(),
  });
  return (((band.lo ?? 1) + (band.hi ?? 1)) / 2) * bodySizes(student).outerHipWidthIn;
}

export const stanceByClub = (file: { student: CaseFile['student']; school?: School }): SetupValue[] =>
  CLUBS.map((club) => ({ id: club, valueIn: stanceIn(club, file) }));
