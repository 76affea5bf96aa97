import {
  checkinSchema,
  conversationSchema,
  newAsideSchema,
  newMessagesSchema,
  saidSchema,
  sendReplySchema,
} from '@inchstep/contract/checkins';
import { idSchema, okSchema } from '@inchstep/contract/shared';
import { z } from 'zod';
import type { Context } from '../../platform/context.ts';
import { authorOf, byToken, linkDoor, studentOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { sendReply, sendReplyNow, takeBackReply } from './answers.ts';
import { setAside, takeUpAgain } from './asides.ts';
import {
  conversationFor,
  conversationWith,
  sendMessageNow,
  takeBackMessage,
  writeMessages,
} from './conversation.ts';
import { enclosureRoutes } from './enclosureRoutes.ts';
import { stopMail, stopPage } from './stopMail.ts';

const params = z.object({ id: idSchema });
const tags = ['checkins'];
const ok = { ok: true as const };

/** What coach and student say to each other, and how it is taken back, put off, or stopped. */
export function talkRoutes(app: App, ctx: Context): void {
  answerRoutes(app, ctx);
  enclosureRoutes(app, ctx);
  messageRoutes(app, ctx);
  asideRoutes(app, ctx);
  stopRoutes(app, ctx);
  app.get(
    '/api/page/:token/conversation',
    { config: linkDoor(), schema: { tags, params: byToken, response: { 200: z.array(saidSchema) } } },
    async (request) => conversationFor(ctx, studentOf(request)),
  );
}

function answerRoutes(app: App, ctx: Context): void {
  const response = { 200: checkinSchema };
  app.post(
    '/api/checkins/:id/reply',
    { schema: { tags, params, body: sendReplySchema, response } },
    async (request) => sendReply(ctx, request.params.id, request.body, authorOf(request)),
  );
  app.post('/api/checkins/:id/reply/undo', { schema: { tags, params, response } }, async (request) =>
    takeBackReply(ctx, request.params.id),
  );
  app.post('/api/checkins/:id/reply/now', { schema: { tags, params, response } }, async (request) =>
    sendReplyNow(ctx, request.params.id),
  );
}

function messageRoutes(app: App, ctx: Context): void {
  const one = params.extend({ messageId: idSchema });
  app.get(
    '/api/students/:id/conversation',
    { schema: { tags, params, response: { 200: conversationSchema } } },
    async (request) => conversationWith(ctx, request.params.id),
  );
  app.post(
    '/api/messages',
    { schema: { tags, body: newMessagesSchema, response: { 200: okSchema } } },
    async (request) => {
      writeMessages(ctx, request.body, authorOf(request));
      return ok;
    },
  );
  app.post(
    '/api/students/:id/messages/:messageId/undo',
    { schema: { tags, params: one, response: { 200: okSchema } } },
    async ({ params: p }) => {
      takeBackMessage(ctx, p.id, p.messageId);
      return ok;
    },
  );
  app.post(
    '/api/students/:id/messages/:messageId/now',
    { schema: { tags, params: one, response: { 200: okSchema } } },
    async ({ params: p }) => {
      await sendMessageNow(ctx, p.id, p.messageId);
      return ok;
    },
  );
}

function asideRoutes(app: App, ctx: Context): void {
  app.post(
    '/api/students/:id/asides',
    { schema: { tags, params, body: newAsideSchema, response: { 200: okSchema } } },
    async (request) => {
      setAside(ctx, request.params.id, request.body, authorOf(request));
      return ok;
    },
  );
  app.post(
    '/api/students/:id/asides/:asideId/undo',
    { schema: { tags, params: params.extend({ asideId: idSchema }), response: { 200: okSchema } } },
    async ({ params: p }) => {
      takeUpAgain(ctx, p.id, p.asideId);
      return ok;
    },
  );
}

/** A letter's reader, from wherever mail is read: the code in the letter is all there is to go by. */
function stopRoutes(app: App, ctx: Context): void {
  const rateLimit = { max: 30, timeWindow: '1 minute' };
  const code = z.object({ code: z.string().min(1).max(100) });
  app.get(
    '/stop/:code',
    { config: { door: 'anyone', rateLimit }, schema: { params: code, hide: true } },
    (request, reply) => reply.type('text/html; charset=utf-8').send(stopPage(request.params.code)),
  );
  app.register(async (scope) => {
    // What mail programs send along says nothing that the code does not.
    const form = 'application/x-www-form-urlencoded';
    scope.addContentTypeParser(form, { parseAs: 'string' }, (_, __, done) => done(null, null));
    scope.post(
      '/api/stop-mail/:code',
      { config: { door: 'anyone', byCode: true, rateLimit }, schema: { tags, params: code } },
      async (request, reply) => {
        const { code: told } = code.parse(request.params);
        return reply.type('text/plain; charset=utf-8').send(stopMail(ctx, told));
      },
    );
  });
}
