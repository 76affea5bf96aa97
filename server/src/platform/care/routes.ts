import {
  arrivalSchema,
  askErasureSchema,
  careSchema,
  contactSchema,
  erasurePreviewSchema,
  passphraseSchema,
  subjectSchema,
  takenInSchema,
} from '@inchstep/contract/care';
import { idSchema, okSchema } from '@inchstep/contract/shared';
import type { FastifyRequest } from 'fastify';
import { z } from 'zod';
import { changePassphrase, endOtherSessions, endSession, setContact } from '../auth.ts';
import type { Context } from '../context.ts';
import { Refusal } from '../errors.ts';
import type { App } from '../fastifyApp.ts';
import { SlowDoor } from '../slowDoor.ts';
import { Arrivals } from './arrivals.ts';
import { closeLink } from './closeLink.ts';
import { askErasure, countsOf, takeBackErasure } from './erase.ts';
import { Runs } from './runs.ts';
import { careState, nameOf } from './state.ts';
import { exportStudent } from './studentArchive.ts';

const tags = ['care'];
const params = z.object({ id: idSchema });
const ok = { 200: okSchema };
const DONE = { ok: true as const };
const LARGEST_ARCHIVE = 4 * 1024 ** 3;

function coachOf(request: FastifyRequest): { id: string; session: string } {
  if (request.actor.kind !== 'coach') throw new Refusal('signed_out');
  return request.actor;
}

/** Data and devices: what is kept where, how it is moved and forgotten, and who can get in. */
export function careRoutes(app: App, ctx: Context, runs = new Runs(ctx)): void {
  app.get('/api/care', { schema: { tags, response: { 200: careSchema } } }, async (request) =>
    careState(ctx, runs, coachOf(request)),
  );
  app.post('/api/care/backup', { schema: { tags, response: ok } }, async () => {
    runs.begin('backup');
    return DONE;
  });
  app.post('/api/care/verify', { schema: { tags, response: ok } }, async () => {
    runs.begin('verify');
    return DONE;
  });
  recordRoutes(app, ctx, runs);
  doorRoutes(app, ctx);
}

/** A record moved or forgotten. */
function recordRoutes(app: App, ctx: Context, runs: Runs): void {
  const arrivals = new Arrivals(ctx);
  app.get('/api/students/:id/export.zip', { schema: { tags, params } }, async ({ params: p }, reply) =>
    reply
      .type('application/zip')
      .header('content-disposition', `attachment; filename="student-${p.id}.zip"`)
      .send(await exportStudent(ctx, p.id)),
  );
  app.post(
    '/api/care/import',
    {
      schema: {
        tags,
        response: { 200: arrivalSchema },
        summary: 'Multipart: a student’s ZIP, read and shown, not yet kept',
      },
    },
    async (request) => {
      const part = request.isMultipart()
        ? await request.file({ limits: { fileSize: LARGEST_ARCHIVE } }).catch(() => null)
        : null;
      if (!part) throw new Refusal('no_file');
      return arrivals.receive(part.file, () => part.file.truncated);
    },
  );
  arrivalRoutes(app, arrivals);
  eraseRoutes(app, ctx, runs);
}

/** A record that was shown is taken over, or let go. */
function arrivalRoutes(app: App, arrivals: Arrivals): void {
  app.post(
    '/api/care/import/:id/keep',
    { schema: { tags, params, response: { 200: takenInSchema } } },
    async ({ params: p }) => arrivals.keep(p.id),
  );
  app.post('/api/care/import/:id/drop', { schema: { tags, params, response: ok } }, async ({ params: p }) => {
    await arrivals.drop(p.id);
    return DONE;
  });
}

function eraseRoutes(app: App, ctx: Context, runs: Runs): void {
  app.get(
    '/api/care/erase/:what/:subjectId',
    { schema: { tags, params: subjectSchema, response: { 200: erasurePreviewSchema } } },
    async ({ params: { what, subjectId } }) => {
      const name = nameOf(ctx, what, subjectId);
      if (name === null) throw new Refusal('not_found');
      return { name, counts: countsOf(ctx, what, subjectId), backups: runs.backups().length };
    },
  );
  app.post(
    '/api/care/erasures',
    { schema: { tags, body: askErasureSchema, response: ok } },
    async ({ body }) => {
      askErasure(ctx, body.id, body.what, body.subjectId);
      return DONE;
    },
  );
  app.post(
    '/api/care/erasures/:id/take-back',
    { schema: { tags, params, response: ok } },
    async ({ params: p }) => {
      takeBackErasure(ctx, p.id);
      return DONE;
    },
  );
}

/** Who can get in, and how to shut them out. */
function doorRoutes(app: App, ctx: Context): void {
  const door = new SlowDoor();
  app.post(
    '/api/care/passphrase',
    { schema: { tags, body: passphraseSchema, response: ok } },
    async (request) => {
      const { id, session } = coachOf(request);
      await door.attempt({ client: session, isKnown: true }, () =>
        changePassphrase(ctx, id, session, request.body),
      );
      return DONE;
    },
  );
  app.post('/api/care/contact', { schema: { tags, body: contactSchema, response: ok } }, async (request) => {
    setContact(ctx, coachOf(request).id, request.body.contact);
    return DONE;
  });
  app.post('/api/care/sessions/end-others', { schema: { tags, response: ok } }, async (request) => {
    const { id, session } = coachOf(request);
    endOtherSessions(ctx, id, session);
    return DONE;
  });
  app.post(
    '/api/care/sessions/:id/end',
    { schema: { tags, params: z.object({ id: z.string().max(60) }), response: ok } },
    async (request) => {
      endSession(ctx, coachOf(request).id, request.params.id);
      return DONE;
    },
  );
  app.post('/api/care/links/:id/close', { schema: { tags, params, response: ok } }, async ({ params: p }) => {
    closeLink(ctx, p.id);
    return DONE;
  });
}
