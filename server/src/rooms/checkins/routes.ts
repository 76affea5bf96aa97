import { clipSchema, wholeClipSchema } from '@inchstep/contract/capture';
import {
  askLinkSchema,
  checkinSchema,
  checkinSendSchema,
  draftSchema,
  filmRequestSchema,
  filmRequestsSchema,
  lessonFileSchema,
  linkSchema,
  newFilmRequestSchema,
  newLinkSchema,
  pageFileSchema,
  pagePlanSchema,
  pageSchema,
  painSendSchema,
  reviewSchema,
  sendSummarySchema,
  withdrawRequestSchema,
} from '@inchstep/contract/checkins';
import { lessonSchema } from '@inchstep/contract/intake';
import { paperSchema, setLogSchema, storedSetSchema } from '@inchstep/contract/practice';
import { figureSchema } from '@inchstep/contract/prescription';
import { idSchema, okSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { authorOf, byToken, linkDoor, sentAtOf, studentOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { pagePieces, pieceRoutes } from '../../platform/pieceRoutes.ts';
import { addClip, clipFile, readUpload, sendClip, takeWhole } from '../capture/index.ts';
import { stopForPain } from '../intake/index.ts';
import { logSet, printedWeek } from '../practice/index.ts';
import { cardQuery, drillParam, figureForPage, setupCard } from '../prescription/index.ts';
import { appManifest } from './appManifest.ts';
import { calendarFor } from './calendar.ts';
import { lessonFile, printedSummary, sendSummary, summaryDraft } from './lessonLetter.ts';
import { closeLinks, listLinks, makeLink } from './links.ts';
import { pageFile, pageOf, pagePlan } from './page.ts';
import { askForClips, listRequests, withdrawRequest } from './requests.ts';
import { reviewOf } from './review.ts';
import { getCheckin, listCheckins, receiveCheckin } from './service.ts';
import { talkRoutes } from './talkRoutes.ts';

const params = z.object({ id: idSchema });
const tags = ['checkins'];
const inUnits = z.object({ units: z.enum(['in', 'cm']).default('in') });

export function checkinRoutes(app: App, ctx: Context): void {
  requestRoutes(app, ctx);
  talkRoutes(app, ctx);
  app.get(
    '/api/students/:id/links',
    { schema: { tags, params, response: { 200: z.array(linkSchema) } } },
    async ({ params: p }) => listLinks(ctx, p.id),
  );
  app.post(
    '/api/students/:id/links',
    { schema: { tags, params, body: askLinkSchema, response: { 200: newLinkSchema } } },
    async ({ params: p, body }) => makeLink(ctx, p.id, body.days),
  );
  app.post(
    '/api/students/:id/links/revoke',
    { schema: { tags, params, response: { 200: okSchema } } },
    async ({ params: p }) => {
      closeLinks(ctx, p.id);
      return { ok: true as const };
    },
  );
  app.get(
    '/api/students/:id/checkins',
    { schema: { tags, params, response: { 200: z.array(checkinSchema) } } },
    async ({ params: p }) => listCheckins(ctx, p.id),
  );
  app.get(
    '/api/checkins/:id',
    { schema: { tags, params, response: { 200: checkinSchema } } },
    async ({ params: p }) => getCheckin(ctx, p.id),
  );
  app.get(
    '/api/checkins/:id/review',
    { schema: { tags, params, querystring: inUnits, response: { 200: reviewSchema } } },
    async ({ params: p, query }) => reviewOf(ctx, p.id, query.units),
  );
  lessonRoutes(app, ctx);
  studentPageRoutes(app, ctx);
}

function lessonRoutes(app: App, ctx: Context): void {
  const lesson = params.extend({ lessonId: idSchema });
  app.get(
    '/api/students/:id/lessons/:lessonId',
    { schema: { tags, params: lesson, response: { 200: lessonFileSchema } } },
    async ({ params: p }) => lessonFile(ctx, p.id, p.lessonId),
  );
  app.get(
    '/api/students/:id/lessons/:lessonId/draft',
    { schema: { tags, params: lesson, querystring: inUnits, response: { 200: draftSchema } } },
    async ({ params: p, query }) => summaryDraft(ctx, p.id, p.lessonId, query.units),
  );
  app.get(
    '/api/students/:id/lessons/:lessonId/summary.pdf',
    { schema: { tags, params: lesson, querystring: paperSchema } },
    async ({ params: p, query }, reply) =>
      reply.type('application/pdf').send(await printedSummary(ctx, p.id, p.lessonId, query.paper)),
  );
  app.post(
    '/api/students/:id/lessons/:lessonId/summary',
    { schema: { tags, params: lesson, body: sendSummarySchema, response: { 200: lessonSchema } } },
    async (request) => {
      const { id, lessonId } = request.params;
      return sendSummary(ctx, id, lessonId, request.body, authorOf(request));
    },
  );
}

/** What a private link opens. The token stands for one student; no other id is ever taken from outside. */
function studentPageRoutes(app: App, ctx: Context): void {
  const config = linkDoor();
  app.get(
    '/api/page/:token',
    { config, schema: { tags, params: byToken, response: { 200: pageSchema } } },
    async (request) => pageOf(ctx, studentOf(request)),
  );
  app.get(
    '/api/page/:token/lessons/:lessonId/summary.pdf',
    { config, schema: { tags, params: byToken.extend({ lessonId: idSchema }), querystring: paperSchema } },
    async (request, reply) => {
      const { lessonId } = request.params;
      reply.type('application/pdf');
      return reply.send(await printedSummary(ctx, studentOf(request), lessonId, request.query.paper));
    },
  );
  app.post(
    '/api/page/:token/sets',
    { config, schema: { tags, params: byToken, body: setLogSchema, response: { 200: storedSetSchema } } },
    async (request) =>
      logSet(ctx, studentOf(request), request.body, {
        from: 'student',
        author: authorOf(request),
        sentAt: sentAtOf(request),
      }),
  );
  app.post(
    '/api/page/:token/pain',
    { config, schema: { tags, params: byToken, body: painSendSchema, response: { 200: okSchema } } },
    async (request) => {
      const sender = { author: authorOf(request), sentAt: sentAtOf(request) };
      stopForPain(ctx, studentOf(request), request.body, sender);
      return { ok: true as const };
    },
  );
  app.post(
    '/api/page/:token/checkins',
    { config, schema: { tags, params: byToken, body: checkinSendSchema, response: { 200: checkinSchema } } },
    async (request) =>
      receiveCheckin(ctx, studentOf(request), request.body, {
        author: authorOf(request),
        sentAt: sentAtOf(request),
      }),
  );
  pageClips(app, ctx);
  pagePapers(app, ctx);
}

function requestRoutes(app: App, ctx: Context): void {
  const one = params.extend({ requestId: idSchema });
  app.get(
    '/api/students/:id/film-requests',
    { schema: { tags, params, response: { 200: filmRequestsSchema } } },
    async ({ params: p }) => listRequests(ctx, p.id),
  );
  app.post(
    '/api/students/:id/film-requests',
    { schema: { tags, params, body: newFilmRequestSchema, response: { 200: filmRequestSchema } } },
    async (request) => askForClips(ctx, request.params.id, request.body, authorOf(request)),
  );
  app.post(
    '/api/students/:id/film-requests/:requestId/withdraw',
    { schema: { tags, params: one, body: withdrawRequestSchema, response: { 200: filmRequestSchema } } },
    async ({ params: p, body }) => withdrawRequest(ctx, p.id, p.requestId, body.withdrawn),
  );
}

/** Clips of the student's own, at once or in pieces. */
function pageClips(app: App, ctx: Context): void {
  const config = linkDoor();
  app.post(
    '/api/page/:token/clips',
    { config, schema: { tags, params: byToken, response: { 200: clipSchema } } },
    async (request) => addClip(ctx, studentOf(request), await readUpload(request, 'student')),
  );
  pieceRoutes(app, ctx, '/api/page/:token', config, (request) => pagePieces(studentOf(request)));
  app.post(
    '/api/page/:token/clips/whole',
    { config, schema: { tags, params: byToken, body: wholeClipSchema, response: { 200: clipSchema } } },
    async (request) => {
      const studentId = studentOf(request);
      const sender = {
        owner: pagePieces(studentId),
        from: 'student',
        author: authorOf(request),
        sentAt: sentAtOf(request),
      } as const;
      return takeWhole(ctx, request.body, sender, (upload) => addClip(ctx, studentId, upload));
    },
  );
  app.get(
    '/api/page/:token/clips/:id/file',
    { config, schema: { tags, params: byToken.extend({ id: idSchema }) } },
    async (request, reply) => {
      if (clipFile(ctx, request.params.id).clip.studentId !== studentOf(request))
        throw new Refusal('not_found');
      return sendClip(ctx, request.params.id, request, reply);
    },
  );
}

/** What the page shows beside itself: the weeks ahead, the calendar, the card. */
function pagePapers(app: App, ctx: Context): void {
  const config = linkDoor();
  app.get(
    '/api/page/:token/figures/:drill',
    { config, schema: { tags, params: byToken.extend(drillParam.shape), response: { 200: figureSchema } } },
    async (request) => figureForPage(ctx, studentOf(request), request.params.drill),
  );
  app.get(
    '/api/page/:token/file',
    { config, schema: { tags, params: byToken, response: { 200: pageFileSchema } } },
    async (request) => pageFile(ctx, studentOf(request)),
  );
  app.get(
    '/api/page/:token/app.webmanifest',
    { config, schema: { tags, params: byToken } },
    async (request, reply) =>
      reply
        .type('application/manifest+json')
        .send(JSON.stringify(appManifest(ctx, studentOf(request), request.params.token))),
  );
  app.get(
    '/api/page/:token/plan',
    { config, schema: { tags, params: byToken, response: { 200: pagePlanSchema } } },
    async (request) => pagePlan(ctx, studentOf(request)),
  );
  app.get(
    '/api/page/:token/week.pdf',
    { config, schema: { tags, params: byToken, querystring: paperSchema } },
    async (request, reply) =>
      reply.type('application/pdf').send(await printedWeek(ctx, studentOf(request), request.query)),
  );
  app.get(
    '/api/page/:token/calendar.ics',
    { config, schema: { tags, params: byToken } },
    async (request, reply) =>
      reply.type('text/calendar; charset=utf-8').send(calendarFor(ctx, studentOf(request))),
  );
  app.get(
    '/api/page/:token/card.pdf',
    { config, schema: { tags, params: byToken, querystring: cardQuery } },
    async (request, reply) =>
      reply.type('application/pdf').send(await setupCard(ctx, studentOf(request), request.query)),
  );
}
