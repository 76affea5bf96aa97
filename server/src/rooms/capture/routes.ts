import * as wire from '@inchstep/contract/endpoints';
import { toCaptureDocument } from '@inchstep/contract/formats';
import { idSchema } from '@inchstep/contract/shared';
import type { FastifyReply, FastifyRequest } from 'fastify';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
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

export function captureRoutes(app: App, ctx: Context): void {
  deviceRoutes(app, ctx);
  mount(app, wire.capture.listClips, async ({ params: p }) => listClips(ctx, p.id));
  mount(app, wire.capture.addClip, async (request) =>
    addClip(ctx, request.params.id, await readUpload(request, 'coach')),
  );
  pieceRoutes(app, ctx, wire.capture, (request) => coachPieces(idOf(request)));
  mount(app, wire.capture.addWholeClip, async (request) => {
    const sender = {
      owner: coachPieces(request.params.id),
      from: 'coach',
      author: authorOf(request),
    } as const;
    return takeWhole(ctx, request.body, sender, (upload) => addClip(ctx, request.params.id, upload));
  });
  mount(app, wire.capture.clipFile, async (request, reply) =>
    sendClip(ctx, request.params.id, request, reply),
  );
  swingRoutes(app, ctx);
}

function swingRoutes(app: App, ctx: Context): void {
  mount(app, wire.capture.listSwings, async ({ params: p }) => listSwings(ctx, p.id));
  mount(app, wire.capture.addSwing, async (request) => {
    const { id, ...input } = request.body;
    return createSwing(ctx, request.params.id, id, input, { author: authorOf(request) });
  });
  mount(app, wire.capture.listToLook, async () => listToLook(ctx));
  mount(app, wire.capture.readSwing, async ({ params: p }) => getSwing(ctx, p.id));
  mount(app, wire.capture.editSwing, async ({ params: p, body: { version, ...input } }) =>
    editSwing(ctx, p.id, version, input),
  );
  mount(app, wire.capture.discardSwing, async ({ params: p }) => discardSwing(ctx, p.id, true));
  mount(app, wire.capture.restoreSwing, async ({ params: p }) => discardSwing(ctx, p.id, false));
  mount(app, wire.capture.swingDocument, async ({ params: p }) =>
    toCaptureDocument(captureOf(ctx, getSwing(ctx, p.id))),
  );
}

const idOf = (request: FastifyRequest): string => idSchema.parse((request.params as { id?: unknown }).id);

export async function readUpload(request: FastifyRequest, from: Upload['from']): Promise<Upload> {
  const { part, fields } = await uploadParts(request, wire.capture.addClip.form);
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
