import * as wire from '@inchstep/contract/endpoints';
import type { FastifyRequest } from 'fastify';
import { changePassphrase, endOtherSessions, endSession, setContact } from '../auth.ts';
import type { Context } from '../context.ts';
import { Refusal } from '../errors.ts';
import type { App } from '../fastifyApp.ts';
import { mount } from '../mount.ts';
import { SlowDoor } from '../slowDoor.ts';
import { Arrivals } from './arrivals.ts';
import { closeLink } from './closeLink.ts';
import { askErasure, countsOf, takeBackErasure } from './erase.ts';
import { Runs } from './runs.ts';
import { careState, nameOf } from './state.ts';
import { exportStudent } from './studentArchive.ts';

const DONE = { ok: true as const };
const LARGEST_ARCHIVE = 4 * 1024 ** 3;

function coachOf(request: FastifyRequest): { id: string; session: string } {
  if (request.actor.kind !== 'coach') throw new Refusal('signed_out');
  return request.actor;
}

/** Data and devices: what is kept where, how it is moved and forgotten, and who can get in. */
export function careRoutes(app: App, ctx: Context, runs = new Runs(ctx)): void {
  mount(app, wire.care.readCare, async (request) => careState(ctx, runs, coachOf(request)));
  mount(app, wire.care.beginBackup, async () => {
    runs.begin('backup');
    return DONE;
  });
  mount(app, wire.care.beginLook, async () => {
    runs.begin('verify');
    return DONE;
  });
  recordRoutes(app, ctx, runs);
  doorRoutes(app, ctx);
}

/** A record moved or forgotten. */
function recordRoutes(app: App, ctx: Context, runs: Runs): void {
  const arrivals = new Arrivals(ctx);
  mount(app, wire.care.exportStudent, async ({ params: p }) => exportStudent(ctx, p.id));
  mount(app, wire.care.receiveArchive, async (request) => {
    const part = request.isMultipart()
      ? await request.file({ limits: { fileSize: LARGEST_ARCHIVE } }).catch(() => null)
      : null;
    if (!part) throw new Refusal('no_file');
    return arrivals.receive(part.file, () => part.file.truncated);
  });
  arrivalRoutes(app, arrivals);
  eraseRoutes(app, ctx, runs);
}

/** A record that was shown is taken over, or let go. */
function arrivalRoutes(app: App, arrivals: Arrivals): void {
  mount(app, wire.care.keepArrival, async ({ params: p }) => arrivals.keep(p.id));
  mount(app, wire.care.dropArrival, async ({ params: p }) => {
    await arrivals.drop(p.id);
    return DONE;
  });
}

function eraseRoutes(app: App, ctx: Context, runs: Runs): void {
  mount(app, wire.care.previewErasure, async ({ params: { what, subjectId } }) => {
    const name = nameOf(ctx, what, subjectId);
    if (name === null) throw new Refusal('not_found');
    return { name, counts: countsOf(ctx, what, subjectId), backups: runs.backups().length };
  });
  mount(app, wire.care.askErasure, async ({ body }) => {
    askErasure(ctx, body.id, body.what, body.subjectId);
    return DONE;
  });
  mount(app, wire.care.takeBackErasure, async ({ params: p }) => {
    takeBackErasure(ctx, p.id);
    return DONE;
  });
}

/** Who can get in, and how to shut them out. */
function doorRoutes(app: App, ctx: Context): void {
  const door = new SlowDoor();
  mount(app, wire.care.changePassphrase, async (request) => {
    const { id, session } = coachOf(request);
    await door.attempt({ client: session, isKnown: true }, () =>
      changePassphrase(ctx, id, session, request.body),
    );
    return DONE;
  });
  mount(app, wire.care.keepContact, async (request) => {
    setContact(ctx, coachOf(request).id, request.body.contact);
    return DONE;
  });
  mount(app, wire.care.endOtherSessions, async (request) => {
    const { id, session } = coachOf(request);
    endOtherSessions(ctx, id, session);
    return DONE;
  });
  mount(app, wire.care.endSession, async (request) => {
    endSession(ctx, coachOf(request).id, request.params.id);
    return DONE;
  });
  mount(app, wire.care.closeLink, async ({ params: p }) => {
    closeLink(ctx, p.id);
    return DONE;
  });
}
