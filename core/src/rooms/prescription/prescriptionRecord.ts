import type { IsoDay } from '../../foundation/index.ts';
import type { Drill } from './drillTable.ts';

/** Drills as the coach chose them for a student. */
export interface ChosenDrills {
  readonly drills: readonly string[];
  readonly forFault: string;
  readonly at: string;
  /** The coach's calendar day of `at`. */
  readonly day: IsoDay;
  /** When they were put aside; null while they are in use. */
  readonly endedAt: string | null;
  readonly endedDay: IsoDay | null;
  /** The highest rung each drill came to. */
  readonly reached: Readonly<Record<string, string>>;
  /** The checkpoint each drill has come to, from 1; one that is not named stands at its first. */
  readonly layers?: Readonly<Record<string, number>>;
  /** What the coach wants done outside the drills. */
  readonly ownTask?: string;
}

/** This room's slice of a student's file, oldest first. */
export interface PrescriptionRecord {
  readonly choices: readonly ChosenDrills[];
}

/** The checkpoint at which a drill stands, from 1 to as many as it has. */
export const layerOf = (choice: Pick<ChosenDrills, 'layers'>, drill: Pick<Drill, 'id' | 'layers'>): number =>
  Math.min(Math.max(1, choice.layers?.[drill.id] ?? 1), Math.max(1, drill.layers.length));

/** The drills in use, or null. */
export const inUse = ({ choices }: PrescriptionRecord): ChosenDrills | null =>
  choices.findLast(({ endedAt }) => endedAt === null) ?? null;
