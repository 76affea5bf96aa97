import * as wire from '@inchstep/contract/endpoints';
import { progressCsv, rosterProgressCsv } from '@inchstep/contract/formats';
import type { Context } from '../../platform/context.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
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

export function progressRoutes(app: App, ctx: Context): void {
  mount(app, wire.progress.readProgress, async ({ params: p }) => progressFor(ctx, p.id));
  mount(app, wire.progress.readMeasure, async ({ params: p }) => measureStoryFor(ctx, p.id, p.measure));
  mount(app, wire.progress.readBrief, async ({ params: p }) => briefFor(ctx, p.id));
  mount(app, wire.progress.readEverybody, async () => everybodyOf(ctx));
  fileRoutes(app, ctx);
  listRoutes(app, ctx);
}

/** What leaves the program: tables, data and reports. */
function fileRoutes(app: App, ctx: Context): void {
  mount(app, wire.progress.progressCsv, async ({ params: p }) => progressCsv(storiesFor(ctx, p.id)));
  mount(app, wire.progress.progressJson, async ({ params: p }) => ({
    format: 'inchstep.progress/1' as const,
    measures: storiesFor(ctx, p.id),
  }));
  mount(app, wire.progress.readReport, async ({ params: p, query }) =>
    reportFor(ctx, p.id, query.for, query.units),
  );
  mount(app, wire.progress.printReport, async ({ params: p, query }) =>
    reportPdf(reportFor(ctx, p.id, query.for, query.units), query.units, query.paper),
  );
  mount(app, wire.progress.everybodyCsv, async () => rosterProgressCsv(rosterProgressOf(ctx)));
  mount(app, wire.progress.everybodyJson, async () => {
    const { works, gates, dates } = everybodyOf(ctx);
    return {
      format: 'inchstep.everybody/1' as const,
      students: rosterProgressOf(ctx).map((row) => ({ ...row })),
      works,
      gates,
      dates,
    };
  });
}

/** What is asked again and again: whoever names the state that was seen gets nothing while it stands. */
function listRoutes(app: App, ctx: Context): void {
  mount(
    app,
    wire.progress.listQueue,
    async ({ query }) => whenChanged(ctx, query.since, () => queueOf(ctx)),
    {
      asTheyAre: true,
    },
  );
  mount(
    app,
    wire.progress.listComing,
    async ({ query }) => whenChanged(ctx, query.since, () => lessonsToCome(ctx)),
    { asTheyAre: true },
  );
  mount(
    app,
    wire.progress.listRoster,
    async ({ query }) => whenChanged(ctx, query.since, () => ({ rows: rosterOf(ctx) })),
    { asTheyAre: true },
  );
}
