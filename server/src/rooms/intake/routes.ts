import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { holdOf, liftHold, stopForPain } from './holds.ts';
import { lessonRoutes } from './lessonRoutes.ts';
import { editBand, listSchools, resetBand } from './schools.ts';
import { archiveStudent, createStudent, editStudent, getStudent, listStudents, thread } from './service.ts';

export function intakeRoutes(app: App, ctx: Context): void {
  mount(app, wire.intake.listStudents, async () => listStudents(ctx));
  mount(app, wire.intake.addStudent, async (request) =>
    createStudent(ctx, request.body.id, request.body.profile, authorOf(request)),
  );
  mount(app, wire.intake.readStudent, async ({ params: p }) => getStudent(ctx, p.id));
  mount(app, wire.intake.editStudent, async (request) => {
    const { version, profile } = request.body;
    return editStudent(ctx, request.params.id, version, profile, authorOf(request));
  });
  mount(app, wire.intake.archiveStudent, async ({ params: p }) => archiveStudent(ctx, p.id, true));
  mount(app, wire.intake.restoreStudent, async ({ params: p }) => archiveStudent(ctx, p.id, false));
  mount(app, wire.intake.readThread, async ({ params: p }) => thread(ctx, p.id));
  schoolRoutes(app, ctx);
  lessonRoutes(app, ctx);
  mount(app, wire.intake.readHold, async ({ params: p }) => holdOf(ctx, p.id));
  mount(app, wire.intake.stopForPain, async (request) => {
    const { id, where } = request.body;
    const pain = { id, where, writtenAt: null };
    stopForPain(ctx, request.params.id, pain, { author: authorOf(request), sentAt: null });
    return holdOf(ctx, request.params.id);
  });
  mount(app, wire.intake.liftHold, async ({ params: p, body }) => {
    liftHold(ctx, p.id, body.note);
    return { ok: true as const };
  });
}

function schoolRoutes(app: App, ctx: Context): void {
  mount(app, wire.intake.listSchools, async () => listSchools(ctx));
  mount(app, wire.intake.editBand, async ({ params: p, body }) => editBand(ctx, p.preset, p.measure, body));
  mount(app, wire.intake.resetBand, async ({ params: p }) => resetBand(ctx, p.preset, p.measure));
}
