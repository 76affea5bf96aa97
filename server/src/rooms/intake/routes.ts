import {
  editBandSchema,
  editStudentSchema,
  eventSchema,
  holdSchema,
  liftHoldSchema,
  newStudentSchema,
  presetSchema,
  schoolPageSchema,
  stopHoldSchema,
  studentSchema,
} from '@inchstep/contract/intake';
import { idSchema, okSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { holdOf, liftHold, stopForPain } from './holds.ts';
import { lessonRoutes } from './lessonRoutes.ts';
import { editBand, listSchools, resetBand } from './schools.ts';
import { archiveStudent, createStudent, editStudent, getStudent, listStudents, thread } from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['intake'];
const one = { 200: studentSchema };

export function intakeRoutes(app: App, ctx: Context): void {
  app.get('/api/students', { schema: { tags, response: { 200: z.array(studentSchema) } } }, async () =>
    listStudents(ctx),
  );
  app.post('/api/students', { schema: { tags, body: newStudentSchema, response: one } }, async (request) =>
    createStudent(ctx, request.body.id, request.body.profile, authorOf(request)),
  );
  app.get('/api/students/:id', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    getStudent(ctx, p.id),
  );
  app.put(
    '/api/students/:id',
    { schema: { tags, params, body: editStudentSchema, response: one } },
    async (request) => {
      const { version, profile } = request.body;
      return editStudent(ctx, request.params.id, version, profile, authorOf(request));
    },
  );
  app.post('/api/students/:id/archive', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    archiveStudent(ctx, p.id, true),
  );
  app.post('/api/students/:id/restore', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    archiveStudent(ctx, p.id, false),
  );
  app.get(
    '/api/students/:id/thread',
    { schema: { tags, params, response: { 200: z.array(eventSchema) } } },
    async ({ params: p }) => thread(ctx, p.id),
  );
  schoolRoutes(app, ctx);
  lessonRoutes(app, ctx);
  app.get(
    '/api/students/:id/hold',
    { schema: { tags, params, response: { 200: holdSchema.nullable() } } },
    async ({ params: p }) => holdOf(ctx, p.id),
  );
  app.post(
    '/api/students/:id/hold',
    { schema: { tags, params, body: stopHoldSchema, response: { 200: holdSchema.nullable() } } },
    async (request) => {
      const { id, where } = request.body;
      const pain = { id, where, writtenAt: null };
      stopForPain(ctx, request.params.id, pain, { author: authorOf(request), sentAt: null });
      return holdOf(ctx, request.params.id);
    },
  );
  app.post(
    '/api/students/:id/hold/lift',
    { schema: { tags, params, body: liftHoldSchema, response: { 200: okSchema } } },
    async ({ params: p, body }) => {
      liftHold(ctx, p.id, body.note);
      return { ok: true as const };
    },
  );
}

function schoolRoutes(app: App, ctx: Context): void {
  const where = z.object({ preset: presetSchema, measure: z.string().max(60) });
  const page = { 200: schoolPageSchema };
  app.get('/api/schools', { schema: { tags, response: { 200: z.array(schoolPageSchema) } } }, async () =>
    listSchools(ctx),
  );
  app.put(
    '/api/schools/:preset/bands/:measure',
    { schema: { tags, params: where, body: editBandSchema, response: page } },
    async ({ params: p, body }) => editBand(ctx, p.preset, p.measure, body),
  );
  app.post(
    '/api/schools/:preset/bands/:measure/reset',
    { schema: { tags, params: where, response: page } },
    async ({ params: p }) => resetBand(ctx, p.preset, p.measure),
  );
}
