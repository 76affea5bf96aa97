import { drillsSchema } from '@inchstep/contract/formats';
import {
  choiceSchema,
  chooseDrillsSchema,
  feelPageSchema,
  feelSchema,
  figureSchema,
  importedSchema,
  keepDrillSchema,
  layerSchema,
  libraryEntrySchema,
  prescriptionSchema,
  retireSchema,
} from '@inchstep/contract/prescription';
import { idSchema } from '@inchstep/contract/shared';
import { HEIGHT_RANGE_IN, REFERENCE_HEIGHT_IN } from '@inchstep/core/intake';
import { z } from 'zod';
import { DOCUMENT_BODY } from '../../platform/bodies.ts';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { getStudent } from '../intake/index.ts';
import { feelPage, forgetFeel, noteFeel } from './feels.ts';
import { figureForLibrary, figureForStudent } from './figures.ts';
import { exportDrills, importDrills, keepDrill, listLibrary, retireDrill } from './library.ts';
import { chooseDrills, listChoices, prescribeFor, setLayer, setupCard } from './service.ts';

const params = z.object({ id: idSchema });
const tags = ['prescription'];
export const drillParam = z.object({ drill: z.string().max(60) });
export const cardQuery = z.object({
  drill: z.string().max(60),
  units: z.enum(['in', 'cm']).default('in'),
  paper: z.enum(['A4', 'LETTER']).default('A4'),
});

export function prescriptionRoutes(app: App, ctx: Context): void {
  libraryRoutes(app, ctx);
  feelRoutes(app, ctx);
  app.get(
    '/api/diagnoses/:id/prescription',
    { schema: { tags, params, response: { 200: prescriptionSchema } } },
    async ({ params: p }) => prescribeFor(ctx, p.id),
  );
  app.post(
    '/api/drill-choices',
    { schema: { tags, body: chooseDrillsSchema, response: { 200: choiceSchema } } },
    async (request) => chooseDrills(ctx, request.body, authorOf(request)),
  );
  app.get(
    '/api/students/:id/drill-choices',
    { schema: { tags, params, response: { 200: z.array(choiceSchema) } } },
    async ({ params: p }) => listChoices(ctx, p.id),
  );
  app.put(
    '/api/students/:id/layers/:drill',
    {
      schema: {
        tags,
        params: params.extend(drillParam.shape),
        body: layerSchema,
        response: { 200: choiceSchema },
      },
    },
    async ({ params: p, body }) => setLayer(ctx, p.id, p.drill, body.layer),
  );
  app.get(
    '/api/students/:id/figures/:drill',
    { schema: { tags, params: params.extend(drillParam.shape), response: { 200: figureSchema } } },
    async ({ params: p }) => figureForStudent(ctx, p.id, p.drill),
  );
  app.get(
    '/api/students/:id/card.pdf',
    { schema: { tags, params, querystring: cardQuery } },
    async ({ params: p, query }, reply) =>
      reply.type('application/pdf').send(await setupCard(ctx, p.id, query)),
  );
}

const tallQuery = z.object({
  heightIn: z.coerce.number().min(HEIGHT_RANGE_IN.low).max(HEIGHT_RANGE_IN.high).default(REFERENCE_HEIGHT_IN),
});
const ownParams = z.object({ id: z.string().max(60) });

function libraryRoutes(app: App, ctx: Context): void {
  app.get('/api/library', { schema: { tags, response: { 200: z.array(libraryEntrySchema) } } }, async () =>
    listLibrary(ctx),
  );
  app.get(
    '/api/library/export.json',
    { schema: { tags, response: { 200: drillsSchema } } },
    async (_, reply) =>
      reply.header('content-disposition', 'attachment; filename="drills.json"').send(exportDrills(ctx)),
  );
  app.post(
    '/api/library/import',
    { bodyLimit: DOCUMENT_BODY, schema: { tags, body: drillsSchema, response: { 200: importedSchema } } },
    async ({ body }) => importDrills(ctx, body.drills),
  );
  app.get(
    '/api/library/:id/figure',
    { schema: { tags, params: ownParams, querystring: tallQuery, response: { 200: figureSchema } } },
    async ({ params: p, query }) => figureForLibrary(ctx, p.id, query.heightIn),
  );
  app.put(
    '/api/library/:id',
    { schema: { tags, params: ownParams, body: keepDrillSchema, response: { 200: libraryEntrySchema } } },
    async ({ params: p, body }) => keepDrill(ctx, p.id, body),
  );
  app.post(
    '/api/library/:id/retired',
    { schema: { tags, params: ownParams, body: retireSchema, response: { 200: libraryEntrySchema } } },
    async ({ params: p, body }) => retireDrill(ctx, p.id, body.retired),
  );
}

function feelRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/feels',
    { schema: { tags, params, response: { 200: feelPageSchema } } },
    async ({ params: p }) => {
      getStudent(ctx, p.id);
      return feelPage(ctx, p.id);
    },
  );
  app.post(
    '/api/students/:id/feels',
    { schema: { tags, params, body: feelSchema, response: { 200: feelPageSchema } } },
    async (request) => noteFeel(ctx, request.params.id, request.body, authorOf(request)),
  );
  app.delete(
    '/api/students/:id/feels/:feelId',
    { schema: { tags, params: params.extend({ feelId: idSchema }), response: { 200: feelPageSchema } } },
    async ({ params: p }) => forgetFeel(ctx, p.id, p.feelId),
  );
}
