import {
  chooseWorkSchema,
  diagnosisSchema,
  newDiagnosisSchema,
  nowSchema,
} from '@inchstep/contract/diagnosis';
import { idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { chooseWork, diagnosisNow, listDiagnoses, makeDiagnosis, unchooseWork } from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['diagnosis'];
const one = { 200: diagnosisSchema };

export function diagnosisRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/diagnoses',
    { schema: { tags, params, response: { 200: z.array(diagnosisSchema) } } },
    async ({ params: p }) => listDiagnoses(ctx, p.id),
  );
  app.post(
    '/api/students/:id/diagnoses',
    { schema: { tags, params, body: newDiagnosisSchema, response: one } },
    async (request) => makeDiagnosis(ctx, request.params.id, request.body, authorOf(request)),
  );
  app.get(
    '/api/diagnoses/:id/now',
    { schema: { tags, params, response: { 200: nowSchema.nullable() } } },
    async ({ params: p }) => diagnosisNow(ctx, p.id),
  );
  app.post(
    '/api/diagnoses/:id/choose',
    { schema: { tags, params, body: chooseWorkSchema, response: one } },
    async ({ params: p, body }) => chooseWork(ctx, p.id, body.workOn, body.note),
  );
  app.post(
    '/api/diagnoses/:id/unchoose',
    { schema: { tags, params, response: one } },
    async ({ params: p }) => unchooseWork(ctx, p.id),
  );
}
