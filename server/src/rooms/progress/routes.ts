import { briefSchema, progressSchema } from '@inchstep/contract/progress';
import { idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import type { App } from '../../platform/http.ts';
import { allBriefs, briefOf, progressOf } from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['progress'];

export function progressRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/progress',
    { schema: { tags, params, response: { 200: progressSchema } } },
    async ({ params: p }) => progressOf(ctx, p.id),
  );
  app.get(
    '/api/students/:id/brief',
    { schema: { tags, params, response: { 200: briefSchema } } },
    async ({ params: p }) => briefOf(ctx, p.id),
  );
  app.get('/api/briefs', { schema: { tags, response: { 200: z.array(briefSchema) } } }, async () =>
    allBriefs(ctx),
  );
}
