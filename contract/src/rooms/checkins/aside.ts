import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';

/** A line of the queue that can wait until a day, or (null) was settled by talking. */
export const newAsideSchema = z.strictObject({
  id: idSchema,
  until: daySchema.nullable(),
  note: z.string().trim().max(500),
});
export type NewAside = z.infer<typeof newAsideSchema>;
