import { lessonListSchema, lessonSchema, moveLessonSchema, newLessonSchema } from '@inchstep/contract/intake';
import { idSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { agreeLesson, doToLesson, LESSON_DEEDS, listLessons, moveLesson } from './lessons.ts';

const params = z.object({ id: idSchema });
const one = params.extend({ lessonId: idSchema });
const tags = ['intake'];

export function lessonRoutes(app: App, ctx: Context): void {
  app.get(
    '/api/students/:id/lessons',
    { schema: { tags, params, response: { 200: lessonListSchema } } },
    async ({ params: p }) => listLessons(ctx, p.id),
  );
  app.post(
    '/api/students/:id/lessons',
    { schema: { tags, params, body: newLessonSchema, response: { 200: lessonSchema } } },
    async (request) => agreeLesson(ctx, request.params.id, request.body, authorOf(request)),
  );
  app.put(
    '/api/students/:id/lessons/:lessonId',
    { schema: { tags, params: one, body: moveLessonSchema, response: { 200: lessonSchema } } },
    async ({ params: p, body }) => moveLesson(ctx, p.id, p.lessonId, body),
  );
  app.post(
    '/api/students/:id/lessons/:lessonId/:deed',
    {
      schema: { tags, params: one.extend({ deed: z.enum(LESSON_DEEDS) }), response: { 200: lessonSchema } },
    },
    async ({ params: p }) => doToLesson(ctx, p.id, p.lessonId, p.deed),
  );
}
