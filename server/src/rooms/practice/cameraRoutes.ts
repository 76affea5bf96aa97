import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf, cameraOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { coachPieces, lessonPieces, pieceRoutes } from '../../platform/pieceRoutes.ts';
import { readUpload, takeWhole } from '../capture/index.ts';
import { deskSeen, hello, openCameras, receiveTake, takeIn, takeNow } from './cameras.ts';

export function cameraRoutes(app: App, ctx: Context): void {
  mount(app, wire.practice.openCameras, async (request) => {
    const { id: studentId, lessonId } = request.params;
    return openCameras(ctx, { studentId, lessonId, coach: authorOf(request) });
  });
  mount(app, wire.practice.watchCameras, async ({ params: p }) => deskSeen(ctx, p.id, p.lessonId));
  mount(app, wire.practice.askTake, async ({ params: p, body }) => takeNow(ctx, p.id, p.lessonId, body));
  mount(app, wire.practice.addDeskTake, async (request) => {
    const { id, takeId } = request.params;
    const sender = { owner: coachPieces(id), from: 'coach', author: authorOf(request) } as const;
    return takeWhole(ctx, request.body, sender, (upload) => takeIn(ctx, id, takeId, upload));
  });
  phoneRoutes(app, ctx);
}

/** What a phone in the bay may ask. */
function phoneRoutes(app: App, ctx: Context): void {
  mount(app, wire.practice.cameraHello, async (request) => hello(ctx, cameraOf(request), request.body));
  pieceRoutes(app, ctx, wire.practice, (request) => lessonPieces(cameraOf(request)));
  mount(app, wire.practice.addWholeTake, async (request) => {
    const key = cameraOf(request);
    const sender = { owner: lessonPieces(key), from: 'coach', author: authorOf(request) } as const;
    await takeWhole(ctx, request.body, sender, (upload) =>
      receiveTake(ctx, key, request.params.takeId, upload),
    );
    return { ok: true as const };
  });
  mount(app, wire.practice.addTake, async (request) => {
    const upload = await readUpload(request, 'coach');
    await receiveTake(ctx, cameraOf(request), request.params.takeId, upload);
    return { ok: true as const };
  });
}
