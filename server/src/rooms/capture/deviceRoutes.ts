import {
  editShotSetSchema,
  newPressureSchema,
  newShotSetSchema,
  pressureSchema,
  rememberedMatchSchema,
  shotSetLineSchema,
  shotSetSchema,
  swingSchema,
} from '@inchstep/contract/capture';
import { daySchema, idSchema } from '@inchstep/contract/shared';
import { CLUBS } from '@inchstep/core/intake';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import { DOCUMENT_BODY } from '../../platform/bodies.ts';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { uploadParts } from '../../platform/uploadParts.ts';
import {
  addShots,
  discardShots,
  getPressure,
  getShots,
  listMatches,
  listShots,
  pressureFile,
  putPressure,
  removePressure,
  shotsFile,
  tieShots,
} from './shots.ts';
import { addTrack, type TrackUpload, trackCsv } from './tracks.ts';

const params = z.object({ id: idSchema });
const tags = ['capture'];

/** What other devices saw: motion, shots and pressure, in and out. */
export function deviceRoutes(app: App, ctx: Context): void {
  app.post(
    '/api/students/:id/tracks',
    {
      schema: {
        tags,
        params,
        response: { 200: swingSchema },
        summary: 'Multipart: id, recordedOn, club, then a CSV, TRC or C3D file',
      },
    },
    async (request) => addTrack(ctx, request.params.id, await readTrackUpload(request)),
  );
  app.get('/api/swings/:id/track.csv', { schema: { tags, params } }, async ({ params: p }, reply) =>
    asCsv(reply, 'motion', await trackCsv(ctx, p.id)),
  );
  app.get(
    '/api/shot-matches',
    { schema: { tags, response: { 200: z.array(rememberedMatchSchema) } } },
    async () => listMatches(ctx),
  );
  app.get(
    '/api/students/:id/shots',
    { schema: { tags, params, response: { 200: z.array(shotSetLineSchema) } } },
    async ({ params: p }) => listShots(ctx, p.id),
  );
  app.get(
    '/api/shots/:id',
    { schema: { tags, params, response: { 200: shotSetSchema } } },
    async ({ params: p }) => getShots(ctx, p.id),
  );
  const one = { 200: shotSetSchema };
  app.post(
    '/api/students/:id/shots',
    { bodyLimit: DOCUMENT_BODY, schema: { tags, params, body: newShotSetSchema, response: one } },
    async (request) => addShots(ctx, request.params.id, request.body, authorOf(request)),
  );
  app.put(
    '/api/shots/:id',
    { schema: { tags, params, body: editShotSetSchema, response: one } },
    async ({ params: p, body }) => tieShots(ctx, p.id, body.swingId),
  );
  app.post('/api/shots/:id/discard', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    discardShots(ctx, p.id, true),
  );
  app.post('/api/shots/:id/restore', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    discardShots(ctx, p.id, false),
  );
  app.get('/api/shots/:id/shots.csv', { schema: { tags, params } }, async ({ params: p }, reply) =>
    asCsv(reply, 'shots', shotsFile(ctx, p.id)),
  );
  pressureRoutes(app, ctx);
}

function pressureRoutes(app: App, ctx: Context): void {
  const response = { 200: pressureSchema.nullable() };
  app.get('/api/swings/:id/pressure', { schema: { tags, params, response } }, async ({ params: p }) =>
    getPressure(ctx, p.id),
  );
  app.put(
    '/api/swings/:id/pressure',
    { bodyLimit: DOCUMENT_BODY, schema: { tags, params, body: newPressureSchema, response } },
    async ({ params: p, body }) => putPressure(ctx, p.id, body),
  );
  app.delete('/api/swings/:id/pressure', { schema: { tags, params, response } }, async ({ params: p }) => {
    removePressure(ctx, p.id);
    return null;
  });
  app.get('/api/swings/:id/pressure.csv', { schema: { tags, params } }, async ({ params: p }, reply) =>
    asCsv(reply, 'pressure', pressureFile(ctx, p.id)),
  );
}

const asCsv = (reply: FastifyReply, name: string, text: string) =>
  reply
    .type('text/csv; charset=utf-8')
    .header('content-disposition', `attachment; filename="${name}.csv"`)
    .send(text);

const trackFields = z.object({ id: idSchema, recordedOn: daySchema, club: z.enum(CLUBS) });

async function readTrackUpload(request: FastifyRequest): Promise<TrackUpload> {
  const { part, fields } = await uploadParts(request, trackFields);
  return {
    ...fields,
    author: authorOf(request),
    fileName: part.filename,
    stream: part.file,
    truncated: () => part.file.truncated,
  };
}
