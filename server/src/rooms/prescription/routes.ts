import { choiceSchema, chooseDrillsSchema, prescriptionSchema } from '@inchstep/contract/prescription';
import { idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import type { App } from '../../platform/http.ts';
import { chooseDrills, listChoices, prescribeFor, setupCard } from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['prescription'];
export const cardQuery = z.object({
  drill: z.string().max(60),
  units: z.enum(['in', 'cm']).default('in'),
  paper: z.enum(['A4', 'LETTER']).default('A4'),
});

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
  app.get(
    '/api/students/:id/card.pdf',
    { schema: { tags, params, querystring: cardQuery } },
    async ({ params: p, query }, reply) =>
      reply.type('application/pdf').send(await setupCard(ctx, p.id, query)),
  );
}
