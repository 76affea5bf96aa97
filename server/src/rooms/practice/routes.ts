import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf, sentAtOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
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

export function practiceRoutes(app: App, ctx: Context): void {
  mount(app, wire.practice.tryPlan, async ({ params: p, body: { missRate, ...ask } }) =>
    previewPlan(ctx, p.id, ask, missRate),
  );
  mount(app, wire.practice.savePlan, async (request) => {
    const { id, ...ask } = request.body;
    return savePlan(ctx, request.params.id, id, ask, authorOf(request));
  });
  mount(app, wire.practice.planNow, async ({ params: p }) => planNow(ctx, p.id));
  mount(app, wire.practice.printWeek, async ({ params: p, query }) => printedWeek(ctx, p.id, query));
  mount(app, wire.practice.checkMove, async ({ params: p, body }) => ({
    broken: checkMove(ctx, p.id, body.from, body.to),
  }));
  mount(app, wire.practice.howMade, async ({ params: p, query }) => likelyHowMade(ctx, p.id, query.on));
  mount(app, wire.practice.listSets, async ({ params: p }) => listSets(ctx, p.id));
  mount(app, wire.practice.logSet, async (request) =>
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
  mount(app, wire.practice.addNote, async (request) => {
    const { id, lessonId } = request.params;
    return addNote(ctx, id, lessonId, request.body, {
      author: authorOf(request),
      sentAt: sentAtOf(request),
    });
  });
  mount(app, wire.practice.takeBackNote, async ({ params: p }) => {
    takeBackNote(ctx, p.id, p.noteId, p.deed === 'undo');
    return { ok: true as const };
  });
}

function gateRoutes(app: App, ctx: Context): void {
  mount(app, wire.practice.listGates, async ({ params: p }) => gatesFor(ctx, p.id));
  mount(app, wire.practice.decideGate, async (request) => {
    decideGate(ctx, request.params.id, request.body, authorOf(request));
    return gatesFor(ctx, request.params.id);
  });
  mount(app, wire.practice.takeBackGate, async ({ params: p }) => {
    takeBackGate(ctx, p.id, p.gateId);
    return gatesFor(ctx, p.id);
  });
}
