import { choiceSchema, chooseDrillsSchema, prescriptionSchema } from '@inchstep/contract/prescription';
import { idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import type { App } from '../../platform/http.ts';
import { chooseDrills, listChoices, prescribeFor } from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['prescription'];

export function prescriptionRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/diagnoses/:id/prescription',
    { schema: { tags, params, response: { 200: prescriptionSchema } } },
    async ({ params: p }) => prescribeFor(ctx, p.id),
  );
  app.post(
    '/api/drill-choices',
    { schema: { tags, body: chooseDrillsSchema, response: { 200: choiceSchema } } },
    async ({ body }) => chooseDrills(ctx, body),
  );
  app.get(
    '/api/students/:id/drill-choices',
    { schema: { tags, params, response: { 200: z.array(choiceSchema) } } },
    async ({ params: p }) => listChoices(ctx, p.id),
  );
}
