import {
  decideGateSchema,
  gateStateSchema,
  howMadeSchema,
  lessonNoteSchema,
  lessonNoteSendSchema,
  moveCheckSchema,
  movedSessionSchema,
  newPlanSchema,
  paperSchema,
  planNowSchema,
  planSchema,
  setLogSchema,
  storedSetSchema,
  triedPlanSchema,
  tryPlanSchema,
} from '@inchstep/contract/practice';
import { daySchema, idSchema, okSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf, sentAtOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { cameraRoutes } from './cameraRoutes.ts';
import { addNote, takeBackNote } from './notes.ts';
import {
  checkMove,
  decideGate,
  gatesFor,
  likelyHowMade,
  listSets,
  logSet,
  planNow,
  previewPlan,
  printedWeek,
  savePlan,
  takeBackGate,
} from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['practice'];

export function practiceRoutes(app: App, ctx: Context): void {
  app.post(
    '/api/students/:id/plans/preview',
    { schema: { tags, params, body: tryPlanSchema, response: { 200: triedPlanSchema } } },
    async ({ params: p, body: { missRate, ...ask } }) => previewPlan(ctx, p.id, ask, missRate),
  );
  app.post(
    '/api/students/:id/plans',
    { schema: { tags, params, body: newPlanSchema, response: { 200: planSchema } } },
    async (request) => {
      const { id, ...ask } = request.body;
      return savePlan(ctx, request.params.id, id, ask, authorOf(request));
    },
  );
  app.get(
    '/api/students/:id/plan',
    { schema: { tags, params, response: { 200: planNowSchema.nullable() } } },
    async ({ params: p }) => planNow(ctx, p.id),
  );
  app.get(
    '/api/students/:id/week.pdf',
    { schema: { tags, params, querystring: paperSchema } },
    async ({ params: p, query }, reply) =>
      reply.type('application/pdf').send(await printedWeek(ctx, p.id, query)),
  );
  app.post(
    '/api/students/:id/plan/move',
    { schema: { tags, params, body: movedSessionSchema, response: { 200: moveCheckSchema } } },
    async ({ params: p, body }) => ({ broken: checkMove(ctx, p.id, body.from, body.to) }),
  );
  app.get(
    '/api/students/:id/how-made',
    { schema: { tags, params, querystring: z.object({ on: daySchema }), response: { 200: howMadeSchema } } },
    async ({ params: p, query }) => likelyHowMade(ctx, p.id, query.on),
  );
  app.get(
    '/api/students/:id/sets',
    { schema: { tags, params, response: { 200: z.array(storedSetSchema) } } },
    async ({ params: p }) => listSets(ctx, p.id),
  );
  app.post(
    '/api/students/:id/sets',
    { schema: { tags, params, body: setLogSchema, response: { 200: storedSetSchema } } },
    async (request) =>
      logSet(ctx, request.params.id, request.body, {
        from: 'coach',
        author: authorOf(request),
        sentAt: sentAtOf(request),
      }),
  );
  gateRoutes(app, ctx);
  noteRoutes(app, ctx);
  cameraRoutes(app, ctx);
}

function noteRoutes(app: App, ctx: Context): void {
  const lesson = params.extend({ lessonId: idSchema });
  app.post(
    '/api/students/:id/lessons/:lessonId/notes',
    { schema: { tags, params: lesson, body: lessonNoteSendSchema, response: { 200: lessonNoteSchema } } },
    async (request) => {
      const { id, lessonId } = request.params;
      return addNote(ctx, id, lessonId, request.body, {
        author: authorOf(request),
        sentAt: sentAtOf(request),
      });
    },
  );
  app.post(
    '/api/students/:id/lesson-notes/:noteId/:deed',
    {
      schema: {
        tags,
        params: params.extend({ noteId: idSchema, deed: z.enum(['undo', 'redo']) }),
        response: { 200: okSchema },
      },
    },
    async ({ params: p }) => {
      takeBackNote(ctx, p.id, p.noteId, p.deed === 'undo');
      return { ok: true as const };
    },
  );
}

function gateRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/gates',
    { schema: { tags, params, response: { 200: z.array(gateStateSchema) } } },
    async ({ params: p }) => gatesFor(ctx, p.id),
  );
  app.post(
    '/api/students/:id/gates',
    { schema: { tags, params, body: decideGateSchema, response: { 200: z.array(gateStateSchema) } } },
    async (request) => {
      decideGate(ctx, request.params.id, request.body, authorOf(request));
      return gatesFor(ctx, request.params.id);
    },
  );
  app.post(
    '/api/students/:id/gates/:gateId/undo',
    {
      schema: {
        tags,
        params: params.extend({ gateId: idSchema }),
        response: { 200: z.array(gateStateSchema) },
      },
    },
    async ({ params: p }) => {
      takeBackGate(ctx, p.id, p.gateId);
      return gatesFor(ctx, p.id);
    },
  );
}
