import { clipSchema, wholeClipSchema } from '@inchstep/contract/capture';
import {
  askTakeSchema,
  cameraDeskSchema,
  cameraHelloSchema,
  cameraLinkSchema,
  cameraPageSchema,
} from '@inchstep/contract/practice';
import { idSchema, okSchema } from '@inchstep/contract/shared';
import type { FastifyRequest } from 'fastify';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf, cameraOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { coachPieces, lessonPieces, pieceRoutes } from '../../platform/pieceRoutes.ts';
import { readUpload, takeWhole } from '../capture/index.ts';
import { deskSeen, hello, openCameras, receiveTake, takeIn, takeNow } from './cameras.ts';

const lesson = z.object({ id: idSchema, lessonId: idSchema });
const byToken = z.object({ token: z.string().min(1).max(100) });
const tags = ['practice'];

/** Counted by lesson: a phone asks more than once a second, and stops nobody else. */
function cameraDoor() {
  const keyGenerator = (request: FastifyRequest) =>
    request.actor.kind === 'camera' ? request.actor.lessonId : request.ip;
  return { door: 'camera', rateLimit: { max: 900, timeWindow: '1 minute', keyGenerator } } as const;
}

export function cameraRoutes(app: App, ctx: Context): void {
  app.post(
    '/api/students/:id/lessons/:lessonId/cameras',
    { schema: { tags, params: lesson, response: { 200: cameraLinkSchema } } },
    async (request) => {
      const { id: studentId, lessonId } = request.params;
      return openCameras(ctx, { studentId, lessonId, coach: authorOf(request) });
    },
  );
  app.get(
    '/api/students/:id/lessons/:lessonId/cameras',
    { schema: { tags, params: lesson, response: { 200: cameraDeskSchema } } },
    async ({ params: p }) => deskSeen(ctx, p.id, p.lessonId),
  );
  app.post(
    '/api/students/:id/lessons/:lessonId/takes',
    { schema: { tags, params: lesson, body: askTakeSchema, response: { 200: cameraDeskSchema } } },
    async ({ params: p, body }) => takeNow(ctx, p.id, p.lessonId, body),
  );
  app.post(
    '/api/students/:id/takes/:takeId/whole',
    {
      schema: {
        tags,
        params: z.object({ id: idSchema, takeId: idSchema }),
        body: wholeClipSchema,
        response: { 200: clipSchema },
      },
    },
    async (request) => {
      const { id, takeId } = request.params;
      const sender = { owner: coachPieces(id), from: 'coach', author: authorOf(request) } as const;
      return takeWhole(ctx, request.body, sender, (upload) => takeIn(ctx, id, takeId, upload));
    },
  );
  phoneRoutes(app, ctx);
}

/** What a phone in the bay may ask. */
function phoneRoutes(app: App, ctx: Context): void {
  const config = cameraDoor();
  app.post(
    '/api/camera/:token/hello',
    {
      config,
      schema: { tags, params: byToken, body: cameraHelloSchema, response: { 200: cameraPageSchema } },
    },
    async (request) => hello(ctx, cameraOf(request), request.body),
  );
  pieceRoutes(app, ctx, '/api/camera/:token', config, (request) => lessonPieces(cameraOf(request)));
  app.post(
    '/api/camera/:token/takes/:takeId/whole',
    {
      config,
      schema: {
        tags,
        params: byToken.extend({ takeId: idSchema }),
        body: wholeClipSchema,
        response: { 200: okSchema },
      },
    },
    async (request) => {
      const key = cameraOf(request);
      const sender = { owner: lessonPieces(key), from: 'coach', author: authorOf(request) } as const;
      await takeWhole(ctx, request.body, sender, (upload) =>
        receiveTake(ctx, key, request.params.takeId, upload),
      );
      return { ok: true as const };
    },
  );
  app.post(
    '/api/camera/:token/takes/:takeId',
    {
      config,
      schema: {
        tags,
        params: byToken.extend({ takeId: idSchema }),
        response: { 200: okSchema },
        summary: 'Multipart: id, kind, recordedOn, then file',
      },
    },
    async (request) => {
      const upload = await readUpload(request, 'coach');
      await receiveTake(ctx, cameraOf(request), request.params.takeId, upload);
      return { ok: true as const };
    },
  );
}
