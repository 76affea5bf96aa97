import type { MultipartFile } from '@fastify/multipart';
import type { FastifyRequest } from 'fastify';
import type { z } from 'zod';
import { Refusal } from './errors.ts';

/** Small fields first, then one file, which is streamed and never held in memory. */
export async function uploadParts<S extends z.ZodObject>(
  request: FastifyRequest,
  schema: S,
): Promise<{ part: MultipartFile; fields: z.infer<S> }> {
  const part = await firstFile(request);
  if (!part) throw new Refusal('no_file');
  const field = (name: string) => {
    const value = part.fields[name];
    return value && 'value' in value ? value.value : undefined;
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
async function firstFile(request: FastifyRequest): Promise<MultipartFile | undefined> {
  if (!request.isMultipart()) return undefined;
  try {
    return await request.file();
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('upload_broken');
  }
}
