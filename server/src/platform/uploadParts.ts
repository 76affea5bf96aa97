import type { MultipartFile } from '@fastify/multipart';
import { plainText, plainTexts } from '@inchstep/core/foundation';
import type { FastifyRequest } from 'fastify';
import type { z } from 'zod';
import { checkShape, FIELD_TOKENS } from './bodies.ts';
import { Refusal } from './errors.ts';

/** A field longer than this is JSON. */
const SHORT_FIELD = 2000;

/** Small fields first, then one file, which is streamed and never held in memory. */
export async function uploadParts<S extends z.ZodObject>(
  request: FastifyRequest,
  schema: S,
  /** What one field may hold, where it is more than a name or a day. */
  fieldBytes?: number,
): Promise<{ part: MultipartFile; fields: z.infer<S> }> {
  const part = await firstFile(request, fieldBytes);
  if (!part) throw new Refusal('no_file');
  part.filename = plainText(part.filename ?? '');
  const field = (name: string) => {
    const value = part.fields[name];
    const text = value && 'value' in value ? value.value : undefined;
    if (typeof text === 'string' && text.length > SHORT_FIELD) checkShape(Buffer.from(text), FIELD_TOKENS);
    return plainTexts(text);
  };
  const fields = schema.safeParse(
    Object.fromEntries(Object.keys(schema.shape).map((name) => [name, field(name)])),
  );
  if (fields.success) return { part, fields: fields.data };
  part.file.resume();
  throw Refusal.of(
    fields.error.issues.map((issue) => ({
      code: 'bad_input',
      path: issue.path.join('.'),
      detail: { message: issue.message },
    })),
  );
}

/** A body that is no multipart, or breaks off before its file, is the sender's mistake. */
async function firstFile(
  request: FastifyRequest,
  fieldBytes: number | undefined,
): Promise<MultipartFile | undefined> {
  if (!request.isMultipart()) return undefined;
  try {
    return await request.file(fieldBytes === undefined ? {} : { limits: { fieldSize: fieldBytes } });
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('upload_broken');
  }
}
