import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { getStudent } from '../intake/index.ts';
import { feelPage, forgetFeel, noteFeel } from './feels.ts';
import { figureForLibrary, figureForStudent } from './figures.ts';
import { exportDrills, importDrills, keepDrill, listLibrary, retireDrill } from './library.ts';
import { chooseDrills, listChoices, prescribeFor, setLayer, setupCard } from './service.ts';

export function prescriptionRoutes(app: App, ctx: Context): void {
  libraryRoutes(app, ctx);
  feelRoutes(app, ctx);
  mount(app, wire.prescription.prescribe, async ({ params: p }) => prescribeFor(ctx, p.id));
  mount(app, wire.prescription.chooseDrills, async (request) =>
    chooseDrills(ctx, request.body, authorOf(request)),
  );
  mount(app, wire.prescription.listChoices, async ({ params: p }) => listChoices(ctx, p.id));
  mount(app, wire.prescription.setLayer, async ({ params: p, body }) =>
    setLayer(ctx, p.id, p.drill, body.layer),
  );
  mount(app, wire.prescription.studentFigure, async ({ params: p }) => figureForStudent(ctx, p.id, p.drill));
  mount(app, wire.prescription.studentCard, async ({ params: p, query }) => setupCard(ctx, p.id, query));
}

function libraryRoutes(app: App, ctx: Context): void {
  mount(app, wire.prescription.listLibrary, async () => listLibrary(ctx));
  mount(app, wire.prescription.exportDrills, async () => exportDrills(ctx));
  mount(app, wire.prescription.importDrills, async ({ body }) => importDrills(ctx, body.drills));
  mount(app, wire.prescription.libraryFigure, async ({ params: p, query }) =>
    figureForLibrary(ctx, p.id, query.heightIn),
  );
  mount(app, wire.prescription.keepDrill, async ({ params: p, body }) => keepDrill(ctx, p.id, body));
  mount(app, wire.prescription.retireDrill, async ({ params: p, body }) =>
    retireDrill(ctx, p.id, body.retired),
  );
}

function feelRoutes(app: App, ctx: Context): void {
  mount(app, wire.prescription.listFeels, async ({ params: p }) => {
    getStudent(ctx, p.id);
    return feelPage(ctx, p.id);
  });
  mount(app, wire.prescription.noteFeel, async (request) =>
    noteFeel(ctx, request.params.id, request.body, authorOf(request)),
  );
  mount(app, wire.prescription.forgetFeel, async ({ params: p }) => forgetFeel(ctx, p.id, p.feelId));
}
