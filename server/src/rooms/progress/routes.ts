import { queueSchema } from '@inchstep/contract/checkins';
import { progressCsv, rosterProgressCsv } from '@inchstep/contract/formats';
import {
  briefSchema,
  everybodySchema,
  lessonsSchema,
  measureStorySchema,
  progressSchema,
  reportPageSchema,
  reportQuery,
  rosterSchema,
} from '@inchstep/contract/progress';
import { idSchema, sinceQuery } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import type { App } from '../../platform/http.ts';
import { queueOf } from '../checkins/index.ts';
import { whenChanged } from './polls.ts';
import { reportPdf } from './reportPdf.ts';
import { reportFor } from './reports.ts';
import {
  briefFor,
  everybodyOf,
  lessonsToCome,
  measureStoryFor,
  progressFor,
  rosterOf,
  rosterProgressOf,
  storiesFor,
} from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['progress'];

export function progressRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/progress',
    { schema: { tags, params, response: { 200: progressSchema } } },
    async ({ params: p }) => progressFor(ctx, p.id),
  );
  app.get(
    '/api/students/:id/progress/:measure',
    {
      schema: {
        tags,
        params: params.extend({ measure: z.string().max(60) }),
        response: { 200: measureStorySchema },
      },
    },
    async ({ params: p }) => measureStoryFor(ctx, p.id, p.measure),
  );
  app.get(
    '/api/students/:id/brief',
    { schema: { tags, params, response: { 200: briefSchema } } },
    async ({ params: p }) => briefFor(ctx, p.id),
  );
  app.get('/api/everybody', { schema: { tags, response: { 200: everybodySchema } } }, async () =>
    everybodyOf(ctx),
  );
  fileRoutes(app, ctx);
  listRoutes(app, ctx);
}

/** What leaves the program: tables, data and reports. */
function fileRoutes(app: App, ctx: Context): void {
  app.get('/api/students/:id/progress.csv', { schema: { tags, params } }, async ({ params: p }, reply) =>
    reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="progress.csv"')
      .send(progressCsv(storiesFor(ctx, p.id))),
  );
  app.get('/api/students/:id/progress.json', { schema: { tags, params } }, async ({ params: p }, reply) =>
    reply
      .header('content-disposition', 'attachment; filename="progress.json"')
      .send({ format: 'inchstep.progress/1', measures: storiesFor(ctx, p.id) }),
  );
  app.get(
    '/api/students/:id/report',
    { schema: { tags, params, querystring: reportQuery, response: { 200: reportPageSchema } } },
    async ({ params: p, query }) => reportFor(ctx, p.id, query.for, query.units),
  );
  app.get(
    '/api/students/:id/report.pdf',
    { schema: { tags, params, querystring: reportQuery } },
    async ({ params: p, query }, reply) => {
      const page = reportFor(ctx, p.id, query.for, query.units);
      return reply.type('application/pdf').send(await reportPdf(page, query.units, query.paper));
    },
  );
  app.get('/api/everybody.csv', { schema: { tags } }, async (_, reply) =>
    reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="everybody.csv"')
      .send(rosterProgressCsv(rosterProgressOf(ctx))),
  );
  app.get('/api/everybody.json', { schema: { tags } }, async (_, reply) => {
    const { works, gates, dates } = everybodyOf(ctx);
    return reply
      .header('content-disposition', 'attachment; filename="everybody.json"')
      .send({ format: 'inchstep.everybody/1', students: rosterProgressOf(ctx), works, gates, dates });
  });
}

/** Two thousand rows are written as they are; that they are what the schema says is a test's to know. */
const serializerCompiler = () => (rows: unknown) => JSON.stringify(rows);

/** What is asked again and again: whoever names the state that was seen gets nothing while it stands. */
function listRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/queue',
    { serializerCompiler, schema: { tags, querystring: sinceQuery, response: { 200: queueSchema } } },
    async ({ query }) => whenChanged(ctx, query.since, () => queueOf(ctx)),
  );
  app.get(
    '/api/lessons',
    { serializerCompiler, schema: { tags, querystring: sinceQuery, response: { 200: lessonsSchema } } },
    async ({ query }) => whenChanged(ctx, query.since, () => lessonsToCome(ctx)),
  );
  app.get(
    '/api/roster',
    { serializerCompiler, schema: { tags, querystring: sinceQuery, response: { 200: rosterSchema } } },
    async ({ query }) => whenChanged(ctx, query.since, () => ({ rows: rosterOf(ctx) })),
  );
}
