import { z } from 'zod';
import { idSchema } from '../../shared.ts';

/** Pain told by itself, before anything else is. */
export const painSendSchema = z.strictObject({
  id: idSchema,
  where: z.string().max(200),
  /** The moment by the sender's own clock. */
  writtenAt: z.iso.datetime({ offset: true }),
});
export type PainSend = z.infer<typeof painSendSchema>;
