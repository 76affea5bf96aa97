import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { agreeLesson, doToLesson, listLessons, moveLesson } from './lessons.ts';

export function lessonRoutes(app: App, ctx: Context): void {
  mount(app, wire.intake.listLessons, async ({ params: p }) => listLessons(ctx, p.id));
  mount(app, wire.intake.agreeLesson, async (request) =>
    agreeLesson(ctx, request.params.id, request.body, authorOf(request)),
  );
  mount(app, wire.intake.moveLesson, async ({ params: p, body }) => moveLesson(ctx, p.id, p.lessonId, body));
  mount(app, wire.intake.doToLesson, async ({ params: p }) => doToLesson(ctx, p.id, p.lessonId, p.deed));
}
