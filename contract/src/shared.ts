import { isIsoDay } from '@inchstep/core/foundation';
import { z } from 'zod';

export const idSchema = z.uuid();
export const daySchema = z.string().refine(isIsoDay, { error: 'must be a date like 2027-03-01' });
export const versionSchema = z.int().min(1);
export const okSchema = z.strictObject({ ok: z.literal(true) });

/** Which state of a list the asker has seen. */
export const sinceQuery = z.object({ since: z.string().max(60).optional() });

/** A list that is asked for again and again: its rows with the name of its state, or only the name. */
export const versioned = <S extends z.ZodRawShape>(shape: S) =>
  z.union([
    z.object({ version: z.string(), unchanged: z.literal(true) }),
    z.object({ version: z.string(), ...shape }),
  ]);

/** Every failure of the server has this one shape. */
const failureSchema = z.object({
  code: z.string(),
  message: z.string(),
  problems: z.array(
    z.object({
      code: z.string(),
      path: z.string(),
      detail: z.record(z.string(), z.union([z.string(), z.number()])),
    }),
  ),
});
export type Failure = z.infer<typeof failureSchema>;
