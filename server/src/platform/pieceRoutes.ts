import type { Endpoint } from '@inchstep/contract/wire';
import type { FastifyRequest } from 'fastify';
import type { Context } from './context.ts';
import { Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';
import { mount } from './mount.ts';
import { PIECE_ID } from './pieces.ts';

/** The bytes of a piece are the store's to read, not the framework's. */
export function readPieces(app: App): void {
  app.addContentTypeParser('application/offset+octet-stream', (_request, _payload, done) => done(null));
}

/** One door that files come through in pieces. */
interface PieceDoor {
  readonly beginPieces: Endpoint;
  readonly askPieces: Endpoint;
  readonly addPiece: Endpoint;
  readonly dropPieces: Endpoint;
}

/** Lets files come in pieces, for whoever `ownerOf` says the request stands for. */
export function pieceRoutes(
  app: App,
  ctx: Context,
  { beginPieces, askPieces, addPiece, dropPieces }: PieceDoor,
  ownerOf: (request: FastifyRequest) => string,
): void {
  for (const endpoint of [beginPieces, askPieces, addPiece, dropPieces])
    mount(app, endpoint, async (request, reply) => {
      const { piece } = request.params as { piece?: string };
      if (piece !== undefined && !PIECE_ID.test(piece)) throw new Refusal('not_found');
      const owner = ownerOf(request);
      reply.hijack();
      await ctx.pieces.handle(owner, request.raw, reply.raw);
    });
}

export const coachPieces = (studentId: string): string => `coach/${studentId}`;
export const lessonPieces = (of: { readonly studentId: string; readonly lessonId: string }): string =>
  `lesson/${of.studentId}/${of.lessonId}`;
export const pagePieces = (studentId: string): string => `page/${studentId}`;
/** The student whose page an owner of pieces is; null for others. */
export const pageOf = (owner: string): string | null => /^page\/(.+)$/.exec(owner)?.[1] ?? null;
