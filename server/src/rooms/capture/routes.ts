import {
  clipSchema,
  editSwingSchema,
  newSwingSchema,
  swingSchema,
  swingToLookSchema,
  wholeClipSchema,
} from '@inchstep/contract/capture';
import { captureSchema, toCaptureDocument } from '@inchstep/contract/formats';
import { daySchema, idSchema } from '@inchstep/contract/shared';
import { VIEW_KINDS } from '@inchstep/core/intake';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import { DOCUMENT_BODY } from '../../platform/bodies.ts';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { coachPieces, pieceRoutes } from '../../platform/pieceRoutes.ts';
import { uploadParts } from '../../platform/uploadParts.ts';
import { deviceRoutes } from './deviceRoutes.ts';
import { listToLook } from './looks.ts';
import {
  addClip,
  captureOf,
  createSwing,
  discardSwing,
  editSwing,
  getSwing,
  listClips,
  listSwings,
  shownClip,
  type Upload,
} from './service.ts';
import { takeWhole } from './whole.ts';

const params = z.object({ id: idSchema });
const tags = ['capture'];
const one = { 200: swingSchema };

export function captureRoutes(app: App, ctx: Context): void {
  deviceRoutes(app, ctx);
  app.get(
    '/api/students/:id/clips',
    { schema: { tags, params, response: { 200: z.array(clipSchema) } } },
    async ({ params: p }) => listClips(ctx, p.id),
  );
  app.post(
    '/api/students/:id/clips',
    {
      schema: {
        tags,
        params,
        response: { 200: clipSchema },
        summary: 'Multipart: id, kind, recordedOn, then file',
      },
    },
    async (request) => addClip(ctx, request.params.id, await readUpload(request, 'coach')),
  );
  pieceRoutes(app, ctx, '/api/students/:id', {}, (request) => coachPieces(idOf(request)));
  app.post(
    '/api/students/:id/clips/whole',
    { schema: { tags, params, body: wholeClipSchema, response: { 200: clipSchema } } },
    async (request) => {
      const sender = {
        owner: coachPieces(request.params.id),
        from: 'coach',
        author: authorOf(request),
      } as const;
      return takeWhole(ctx, request.body, sender, (upload) => addClip(ctx, request.params.id, upload));
    },
  );
  app.get('/api/clips/:id/file', { schema: { tags, params } }, async (request, reply) =>
    sendClip(ctx, request.params.id, request, reply),
  );
  swingRoutes(app, ctx);
}

function swingRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/swings',
    { schema: { tags, params, response: { 200: z.array(swingSchema) } } },
    async ({ params: p }) => listSwings(ctx, p.id),
  );
  app.post(
    '/api/students/:id/swings',
    { bodyLimit: DOCUMENT_BODY, schema: { tags, params, body: newSwingSchema, response: one } },
    async (request) => {
      const { id, ...input } = request.body;
      return createSwing(ctx, request.params.id, id, input, { author: authorOf(request) });
    },
  );
  app.get(
    '/api/swings-to-look',
    { schema: { tags, response: { 200: z.array(swingToLookSchema) } } },
    async () => listToLook(ctx),
  );
  app.get('/api/swings/:id', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    getSwing(ctx, p.id),
  );
  app.put(
    '/api/swings/:id',
    { bodyLimit: DOCUMENT_BODY, schema: { tags, params, body: editSwingSchema, response: one } },
    async ({ params: p, body: { version, ...input } }) => editSwing(ctx, p.id, version, input),
  );
  app.post('/api/swings/:id/discard', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    discardSwing(ctx, p.id, true),
  );
  app.post('/api/swings/:id/restore', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    discardSwing(ctx, p.id, false),
  );
  app.get(
    '/api/swings/:id/capture',
    { schema: { tags, params, response: { 200: captureSchema } } },
    async ({ params: p }) => toCaptureDocument(captureOf(ctx, getSwing(ctx, p.id))),
  );
}

const idOf = (request: FastifyRequest): string => idSchema.parse((request.params as { id?: unknown }).id);

const fieldsSchema = z.object({ id: idSchema, kind: z.enum(VIEW_KINDS), recordedOn: daySchema });

export async function readUpload(request: FastifyRequest, from: Upload['from']): Promise<Upload> {
  const { part, fields } = await uploadParts(request, fieldsSchema);
  return {
    ...fields,
    fileName: part.filename,
    from,
    author: authorOf(request),
    stream: part.file,
    truncated: () => part.file.truncated,
  };
}

const TYPES: Readonly<Record<string, string>> = {
  mp4: 'video/mp4',
  mov: 'video/quicktime',
  webm: 'video/webm',
  png: 'image/png',
  jpg: 'image/jpeg',
};

/** The clip as it came, with ranges so that players can seek. */
export async function sendClip(
  ctx: Context,
  id: string,
  request: FastifyRequest,
  reply: FastifyReply,
): Promise<FastifyReply> {
  return sendKept(ctx, shownClip(ctx, id).file, request, reply);
}

/** A file of the clip folder, by its kept name; whoever asks may see it. */
export async function sendKept(
  ctx: Context,
  file: string,
  request: FastifyRequest,
  reply: FastifyReply,
): Promise<FastifyReply> {
  const size = await ctx.files.sizeOf(file);
  reply
    .type(TYPES[file.split('.')[1] ?? ''] ?? 'application/octet-stream')
    .header('accept-ranges', 'bytes')
    // Kept nowhere on the way: when a link is closed or a consent withdrawn, the clip is gone at once.
    .header('cache-control', 'no-store');
  const [, from, to] = /^bytes=(\d*)-(\d*)$/.exec(request.headers.range ?? '') ?? [];
  if (from === undefined || (from === '' && to === ''))
    return reply.header('content-length', size).send(ctx.files.read(file));
  const start = from === '' ? Math.max(0, size - Number(to)) : Number(from);
  const end = from === '' || to === '' ? size - 1 : Math.min(Number(to), size - 1);
  if (start > end || start >= size)
    return reply.status(416).header('content-range', `bytes */${size}`).send();
  return reply
    .status(206)
    .header('content-range', `bytes ${start}-${end}/${size}`)
    .header('content-length', end - start + 1)
    .send(ctx.files.read(file, { start, end }));
}
