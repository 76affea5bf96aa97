import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf, studentOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { uploadParts } from '../../platform/uploadParts.ts';
import { sendKept } from '../capture/index.ts';
import { captionTalk, dropEnclosure, enclose, enclosureFor, shownEnclosure, talkOf } from './enclosures.ts';

/** Everything of a spoken review but its voice: at most 20,000 moves. */
const MOST_TALK_BYTES = 1_500_000;

/** What goes along with the answer to a check-in: put in and looked at by the coach, then shown on the student's page. */
export function enclosureRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.enclose, async (request) => {
    const { part, fields } = await uploadParts(request, wire.checkins.enclose.form, MOST_TALK_BYTES);
    return enclose(ctx, request.params.id, {
      ...fields,
      author: authorOf(request),
      stream: part.file,
      truncated: () => part.file.truncated,
    });
  });
  mount(app, wire.checkins.dropEnclosure, async ({ params: p }) => dropEnclosure(ctx, p.id, true));
  mount(app, wire.checkins.restoreEnclosure, async ({ params: p }) => dropEnclosure(ctx, p.id, false));
  mount(app, wire.checkins.captionTalk, async ({ params: p, body }) => captionTalk(ctx, p.id, body.captions));
  mount(app, wire.checkins.readTalk, async ({ params: p }) => talkOf(shownEnclosure(ctx, p.id)));
  mount(app, wire.checkins.enclosureFile, async (request, reply) =>
    sendKept(ctx, shownEnclosure(ctx, request.params.id).file, request, reply),
  );
  pageEnclosures(app, ctx);
}

function pageEnclosures(app: App, ctx: Context): void {
  mount(app, wire.page.readTalk, async (request) =>
    talkOf(enclosureFor(ctx, studentOf(request), request.params.id)),
  );
  mount(app, wire.page.enclosureFile, async (request, reply) =>
    sendKept(ctx, enclosureFor(ctx, studentOf(request), request.params.id).file, request, reply),
  );
}
