import { z } from 'zod';
import { idSchema } from '../shared.ts';

/**
 * A student's whole record as a ZIP of JSON, CSV, clips and letters. One row here for each table of the
 * record, in an order in which rows can be taken in again. A column of JSON is written as what it holds.
 */
export interface StudentTable {
  readonly table: string;
  readonly row: z.ZodObject;
  /** Columns that hold JSON. */
  readonly json: readonly string[];
  /** Files that an older program wrote have none of it. */
  readonly later?: boolean;
}

/** Columns that many tables have. */
export const stamp = z.iso.datetime({ offset: true });
export const text = (most: number) => z.string().max(most);
export const student = { student_id: idSchema };
/** Of a drill, from 1. */
const checkpoint = z.int().min(1).max(3);
/** By drill. Older files hold the number alone; taken in, it gets the moment of its choice. */
export const checkpoints = z
  .record(text(60), z.union([checkpoint, z.strictObject({ layer: checkpoint, at: stamp })]))
  .default({});
