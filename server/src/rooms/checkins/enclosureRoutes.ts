import { captionsSchema, enclosureSchema, newEnclosureSchema, talkSchema } from '@inchstep/contract/checkins';
import { idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf, byToken, linkDoor, studentOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { uploadParts } from '../../platform/uploadParts.ts';
import { sendKept } from '../capture/index.ts';
import { captionTalk, dropEnclosure, enclose, enclosureFor, shownEnclosure, talkOf } from './enclosures.ts';

const params = z.object({ id: idSchema });
const tags = ['checkins'];
const one = { 200: enclosureSchema };
/** Everything of a spoken review but its voice: at most 20,000 moves. */
const MOST_TALK_BYTES = 1_500_000;

/** What goes along with the answer to a check-in: put in and looked at by the coach, then shown on the student's page. */
export function enclosureRoutes(app: App, ctx: Context): void {
  app.post(
    '/api/checkins/:id/enclosures',
    {
      schema: {
        tags,
        params,
        response: one,
        summary: 'Multipart: id, kind, title, clipIds, talk, then file',
      },
    },
    async (request) => {
      const { part, fields } = await uploadParts(request, newEnclosureSchema, MOST_TALK_BYTES);
      return enclose(ctx, request.params.id, {
        ...fields,
        author: authorOf(request),
        stream: part.file,
        truncated: () => part.file.truncated,
      });
    },
  );
  app.post('/api/enclosures/:id/drop', { schema: { tags, params, response: one } }, async ({ params: p }) =>
    dropEnclosure(ctx, p.id, true),
  );
  app.post(
    '/api/enclosures/:id/restore',
    { schema: { tags, params, response: one } },
    async ({ params: p }) => dropEnclosure(ctx, p.id, false),
  );
  app.put(
    '/api/enclosures/:id/captions',
    { schema: { tags, params, body: captionsSchema, response: { 200: talkSchema } } },
    async ({ params: p, body }) => captionTalk(ctx, p.id, body.captions),
  );
  app.get(
    '/api/enclosures/:id/talk',
    { schema: { tags, params, response: { 200: talkSchema } } },
    async ({ params: p }) => talkOf(shownEnclosure(ctx, p.id)),
  );
  app.get('/api/enclosures/:id/file', { schema: { tags, params } }, async (request, reply) =>
    sendKept(ctx, shownEnclosure(ctx, request.params.id).file, request, reply),
  );
  pageEnclosures(app, ctx);
}

function pageEnclosures(app: App, ctx: Context): void {
  const config = linkDoor();
  const own = byToken.extend({ id: idSchema });
  app.get(
    '/api/page/:token/enclosures/:id/talk',
    { config, schema: { tags, params: own, response: { 200: talkSchema } } },
    async (request) => talkOf(enclosureFor(ctx, studentOf(request), request.params.id)),
  );
  app.get(
    '/api/page/:token/enclosures/:id/file',
    { config, schema: { tags, params: own } },
    async (request, reply) =>
      sendKept(ctx, enclosureFor(ctx, studentOf(request), request.params.id).file, request, reply),
  );
}
