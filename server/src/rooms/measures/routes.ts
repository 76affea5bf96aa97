import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { getReading, listReadings, measureSwing } from './service.ts';
import { forgetTeaching, networkErrorsOf, rememberTeaching } from './teaching.ts';

export function measureRoutes(app: App, ctx: Context): void {
  mount(app, wire.measures.measureSwing, async ({ params: p }) => measureSwing(ctx, p.id));
  mount(app, wire.measures.readReading, async ({ params: p }) => getReading(ctx, p.id));
  mount(app, wire.measures.listReadings, async ({ params: p }) => listReadings(ctx, p.id));
  mount(app, wire.measures.readNetwork, async ({ params: p, query }) => networkErrorsOf(ctx, p.id, query.on));
  mount(app, wire.measures.forgetTeaching, async (request) =>
    forgetTeaching(ctx, request.params.id, request.body.id, authorOf(request)),
  );
  mount(app, wire.measures.rememberTeaching, async ({ params: p }) => rememberTeaching(ctx, p.id, p.resetId));
}
