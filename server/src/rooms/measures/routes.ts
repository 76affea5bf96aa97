import { networkSchema, readingSchema } from '@inchstep/contract/measures';
import { daySchema, idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { getReading, listReadings, measureSwing } from './service.ts';
import { forgetTeaching, networkErrorsOf, rememberTeaching } from './teaching.ts';

const params = z.object({ id: idSchema });
/** The day the clips asked about were filmed on: cameras, light and clothes stay over it. */
const ofDay = z.object({ on: daySchema.optional() });
const tags = ['measures'];

export function measureRoutes(app: App, ctx: Context): void {
  app.post(
    '/api/swings/:id/measure',
    { schema: { tags, params, response: { 200: readingSchema } } },
    async ({ params: p }) => measureSwing(ctx, p.id),
  );
  app.get(
    '/api/swings/:id/reading',
    { schema: { tags, params, response: { 200: readingSchema } } },
    async ({ params: p }) => getReading(ctx, p.id),
  );
  app.get(
    '/api/students/:id/readings',
    { schema: { tags, params, response: { 200: z.array(readingSchema) } } },
    async ({ params: p }) => listReadings(ctx, p.id),
  );
  app.get(
    '/api/students/:id/network',
    { schema: { tags, params, querystring: ofDay, response: { 200: networkSchema } } },
    async ({ params: p, query }) => networkErrorsOf(ctx, p.id, query.on),
  );
  app.post(
    '/api/students/:id/network/forget',
    { schema: { tags, params, body: z.strictObject({ id: idSchema }), response: { 200: networkSchema } } },
    async (request) => forgetTeaching(ctx, request.params.id, request.body.id, authorOf(request)),
  );
  app.post(
    '/api/students/:id/network/forget/:resetId/undo',
    {
      schema: { tags, params: params.extend({ resetId: idSchema }), response: { 200: networkSchema } },
    },
    async ({ params: p }) => rememberTeaching(ctx, p.id, p.resetId),
  );
}
