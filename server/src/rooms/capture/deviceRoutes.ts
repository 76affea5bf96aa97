import * as wire from '@inchstep/contract/endpoints';
import type { FastifyRequest } from 'fastify';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { uploadParts } from '../../platform/uploadParts.ts';
import {
  addShots,
  discardShots,
  getPressure,
  getShots,
  listMatches,
  listShots,
  pressureFile,
  putPressure,
  removePressure,
  shotsFile,
  tieShots,
} from './shots.ts';
import { addTrack, type TrackUpload, trackCsv } from './tracks.ts';

/** What other devices saw: motion, shots and pressure, in and out. */
export function deviceRoutes(app: App, ctx: Context): void {
  mount(app, wire.capture.addTrack, async (request) =>
    addTrack(ctx, request.params.id, await readTrackUpload(request)),
  );
  mount(app, wire.capture.trackCsv, async ({ params: p }) => trackCsv(ctx, p.id));
  mount(app, wire.capture.listMatches, async () => listMatches(ctx));
  mount(app, wire.capture.listShots, async ({ params: p }) => listShots(ctx, p.id));
  mount(app, wire.capture.readShots, async ({ params: p }) => getShots(ctx, p.id));
  mount(app, wire.capture.addShots, async (request) =>
    addShots(ctx, request.params.id, request.body, authorOf(request)),
  );
  mount(app, wire.capture.tieShots, async ({ params: p, body }) => tieShots(ctx, p.id, body.swingId));
  mount(app, wire.capture.discardShots, async ({ params: p }) => discardShots(ctx, p.id, true));
  mount(app, wire.capture.restoreShots, async ({ params: p }) => discardShots(ctx, p.id, false));
  mount(app, wire.capture.shotsCsv, async ({ params: p }) => shotsFile(ctx, p.id));
  pressureRoutes(app, ctx);
}

function pressureRoutes(app: App, ctx: Context): void {
  mount(app, wire.capture.readPressure, async ({ params: p }) => getPressure(ctx, p.id));
  mount(app, wire.capture.putPressure, async ({ params: p, body }) => putPressure(ctx, p.id, body));
  mount(app, wire.capture.removePressure, async ({ params: p }) => {
    removePressure(ctx, p.id);
    return null;
  });
  mount(app, wire.capture.pressureCsv, async ({ params: p }) => pressureFile(ctx, p.id));
}

async function readTrackUpload(request: FastifyRequest): Promise<TrackUpload> {
  const { part, fields } = await uploadParts(request, wire.capture.addTrack.form);
  return {
    ...fields,
    author: authorOf(request),
    fileName: part.filename,
    stream: part.file,
    truncated: () => part.file.truncated,
  };
}
