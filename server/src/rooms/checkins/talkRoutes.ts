import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf, studentOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
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

const ok = { ok: true as const };

/** What coach and student say to each other, and how it is taken back, put off, or stopped. */
export function talkRoutes(app: App, ctx: Context): void {
  answerRoutes(app, ctx);
  enclosureRoutes(app, ctx);
  messageRoutes(app, ctx);
  asideRoutes(app, ctx);
  stopRoutes(app, ctx);
  mount(app, wire.page.readConversation, async (request) => conversationFor(ctx, studentOf(request)));
}

function answerRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.sendReply, async (request) =>
    sendReply(ctx, request.params.id, request.body, authorOf(request)),
  );
  mount(app, wire.checkins.takeBackReply, async (request) => takeBackReply(ctx, request.params.id));
  mount(app, wire.checkins.sendReplyNow, async (request) => sendReplyNow(ctx, request.params.id));
}

function messageRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.readConversation, async (request) => conversationWith(ctx, request.params.id));
  mount(app, wire.checkins.writeMessages, async (request) => {
    writeMessages(ctx, request.body, authorOf(request));
    return ok;
  });
  mount(app, wire.checkins.takeBackMessage, async ({ params: p }) => {
    takeBackMessage(ctx, p.id, p.messageId);
    return ok;
  });
  mount(app, wire.checkins.sendMessageNow, async ({ params: p }) => {
    await sendMessageNow(ctx, p.id, p.messageId);
    return ok;
  });
}

function asideRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.setAside, async (request) => {
    setAside(ctx, request.params.id, request.body, authorOf(request));
    return ok;
  });
  mount(app, wire.checkins.takeUpAgain, async ({ params: p }) => {
    takeUpAgain(ctx, p.id, p.asideId);
    return ok;
  });
}

/** A letter's reader, from wherever mail is read: the code in the letter is all there is to go by. */
function stopRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.stopPage, (request) => stopPage(request.params.code));
  app.register(async (scope) => {
    // What mail programs send along says nothing that the code does not.
    const form = 'application/x-www-form-urlencoded';
    scope.addContentTypeParser(form, { parseAs: 'string' }, (_, __, done) => done(null, null));
    mount(scope as unknown as App, wire.checkins.stopMail, (request) => stopMail(ctx, request.params.code));
  });
}
