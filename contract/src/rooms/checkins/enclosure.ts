import { ENCLOSURES } from '@inchstep/core/checkins';
import { plainTexts } from '@inchstep/core/foundation';
import { z } from 'zod';
import { idSchema } from '../../shared.ts';

const ms = z.number().min(0).max(200_000);
const pixels = z.number().min(-20_000).max(20_000);
const seconds = z.number().min(0).max(3600);

const moveSchema = z.discriminatedUnion('do', [
  z.strictObject({ at: ms, do: z.literal('stand'), now: seconds, before: seconds.nullable() }),
  z.strictObject({ at: ms, do: z.literal('mode'), mode: z.enum(['beside', 'over']) }),
  z.strictObject({ at: ms, do: z.literal('draw'), stroke: z.int().min(0).max(10_000), u: pixels, v: pixels }),
  z.strictObject({ at: ms, do: z.literal('wipe') }),
]);
const talkClipSchema = z.strictObject({
  clipId: idSchema,
  widthPx: z.int().min(1).max(20_000),
  heightPx: z.int().min(1).max(20_000),
  /** Written on the picture. */
  title: z.string().max(120),
});
const laidSchema = z.strictObject({
  onto: z.strictObject({ a: z.number(), b: z.number(), du: z.number(), dv: z.number() }),
  mirrored: z.boolean(),
  frame: z
    .strictObject({ u: pixels, v: pixels, widthPx: pixels.positive(), heightPx: pixels.positive() })
    .nullable()
    .default(null),
});
const captionSchema = z.strictObject({ at: ms, text: z.string().max(300) });
export const captionsSchema = z.strictObject({ captions: z.array(captionSchema).max(100) });

/** Everything of a spoken review but its voice. */
export const talkSchema = z.strictObject({
  ms,
  now: talkClipSchema,
  before: talkClipSchema.nullable(),
  /** How the older picture lies on the newer one's body; null where nobody knows. */
  laid: laidSchema.nullable(),
  moves: z.array(moveSchema).max(20_000),
  captions: captionsSchema.shape.captions,
});
export type TalkDocument = z.infer<typeof talkSchema>;

/** What goes before the file, as text fields. */
export const newEnclosureSchema = z.object({
  id: idSchema,
  kind: z.enum(ENCLOSURES),
  title: z.string().max(120),
  /** Clips that it shows: with them it goes when one is erased. */
  clipIds: z.preprocess(listed, z.array(idSchema).min(1).max(4)),
  /** With a talk only. */
  talk: z.preprocess(parsed, talkSchema.nullable()),
});
export type NewEnclosure = z.infer<typeof newEnclosureSchema>;

function listed(value: unknown): unknown {
  return typeof value === 'string' ? value.split(',') : value;
}
function parsed(value: unknown): unknown {
  if (value === undefined || value === '') return null;
  if (typeof value !== 'string') return value;
  try {
    return plainTexts(JSON.parse(value));
  } catch {
    return value;
  }
}

export const enclosureSchema = z.object({
  id: idSchema,
  kind: z.enum(ENCLOSURES),
  title: z.string(),
  bytes: z.int(),
  /** How long a clip or a talk is; null for a picture. */
  seconds: z.number().nullable(),
});
export type Enclosure = z.infer<typeof enclosureSchema>;
