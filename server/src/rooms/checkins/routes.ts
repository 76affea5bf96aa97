import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { authorOf, sentAtOf, studentOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { pagePieces, pieceRoutes } from '../../platform/pieceRoutes.ts';
import { addClip, clipFile, readUpload, sendClip, takeWhole } from '../capture/index.ts';
import { stopForPain } from '../intake/index.ts';
import { logSet, printedWeek } from '../practice/index.ts';
import { figureForPage, setupCard } from '../prescription/index.ts';
import { appManifest } from './appManifest.ts';
import { calendarFor } from './calendar.ts';
import { lessonFile, printedSummary, sendSummary, summaryDraft } from './lessonLetter.ts';
import { closeLinks, listLinks, makeLink } from './links.ts';
import { pageFile, pageOf, pagePlan } from './page.ts';
import { askForClips, listRequests, withdrawRequest } from './requests.ts';
import { reviewOf } from './review.ts';
import { getCheckin, listCheckins, receiveCheckin } from './service.ts';
import { talkRoutes } from './talkRoutes.ts';

export function checkinRoutes(app: App, ctx: Context): void {
  requestRoutes(app, ctx);
  talkRoutes(app, ctx);
  mount(app, wire.checkins.listLinks, async ({ params: p }) => listLinks(ctx, p.id));
  mount(app, wire.checkins.makeLink, async ({ params: p, body }) => makeLink(ctx, p.id, body.days));
  mount(app, wire.checkins.closeLinks, async ({ params: p }) => {
    closeLinks(ctx, p.id);
    return { ok: true as const };
  });
  mount(app, wire.checkins.listCheckins, async ({ params: p }) => listCheckins(ctx, p.id));
  mount(app, wire.checkins.readCheckin, async ({ params: p }) => getCheckin(ctx, p.id));
  mount(app, wire.checkins.reviewCheckin, async ({ params: p, query }) => reviewOf(ctx, p.id, query.units));
  lessonRoutes(app, ctx);
  studentPageRoutes(app, ctx);
}

function lessonRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.readLessonFile, async ({ params: p }) => lessonFile(ctx, p.id, p.lessonId));
  mount(app, wire.checkins.draftSummary, async ({ params: p, query }) =>
    summaryDraft(ctx, p.id, p.lessonId, query.units),
  );
  mount(app, wire.checkins.printSummary, async ({ params: p, query }) =>
    printedSummary(ctx, p.id, p.lessonId, query.paper),
  );
  mount(app, wire.checkins.sendSummary, async (request) => {
    const { id, lessonId } = request.params;
    return sendSummary(ctx, id, lessonId, request.body, authorOf(request));
  });
}

/** What a private link opens. The token stands for one student; no other id is ever taken from outside. */
function studentPageRoutes(app: App, ctx: Context): void {
  mount(app, wire.page.readPage, async (request) => pageOf(ctx, studentOf(request)));
  mount(app, wire.page.printSummary, async (request) =>
    printedSummary(ctx, studentOf(request), request.params.lessonId, request.query.paper),
  );
  mount(app, wire.page.logSet, async (request) =>
    logSet(ctx, studentOf(request), request.body, {
      from: 'student',
      author: authorOf(request),
      sentAt: sentAtOf(request),
    }),
  );
  mount(app, wire.page.stopForPain, async (request) => {
    const sender = { author: authorOf(request), sentAt: sentAtOf(request) };
    stopForPain(ctx, studentOf(request), request.body, sender);
    return { ok: true as const };
  });
  mount(app, wire.page.sendCheckin, async (request) =>
    receiveCheckin(ctx, studentOf(request), request.body, {
      author: authorOf(request),
      sentAt: sentAtOf(request),
    }),
  );
  pageClips(app, ctx);
  pagePapers(app, ctx);
}

function requestRoutes(app: App, ctx: Context): void {
  mount(app, wire.checkins.listRequests, async ({ params: p }) => listRequests(ctx, p.id));
  mount(app, wire.checkins.askForClips, async (request) =>
    askForClips(ctx, request.params.id, request.body, authorOf(request)),
  );
  mount(app, wire.checkins.withdrawRequest, async ({ params: p, body }) =>
    withdrawRequest(ctx, p.id, p.requestId, body.withdrawn),
  );
}

/** Clips of the student's own, at once or in pieces. */
function pageClips(app: App, ctx: Context): void {
  mount(app, wire.page.addClip, async (request) =>
    addClip(ctx, studentOf(request), await readUpload(request, 'student')),
  );
  pieceRoutes(app, ctx, wire.page, (request) => pagePieces(studentOf(request)));
  mount(app, wire.page.addWholeClip, async (request) => {
    const studentId = studentOf(request);
    const sender = {
      owner: pagePieces(studentId),
      from: 'student',
      author: authorOf(request),
      sentAt: sentAtOf(request),
    } as const;
    return takeWhole(ctx, request.body, sender, (upload) => addClip(ctx, studentId, upload));
  });
  mount(app, wire.page.clipFile, async (request, reply) => {
    if (clipFile(ctx, request.params.id).clip.studentId !== studentOf(request))
      throw new Refusal('not_found');
    return sendClip(ctx, request.params.id, request, reply);
  });
}

/** What the page shows beside itself: the weeks ahead, the calendar, the card. */
function pagePapers(app: App, ctx: Context): void {
  mount(app, wire.page.readFigure, async (request) =>
    figureForPage(ctx, studentOf(request), request.params.drill),
  );
  mount(app, wire.page.readFile, async (request) => pageFile(ctx, studentOf(request)));
  mount(app, wire.page.manifest, async (request) =>
    JSON.stringify(appManifest(ctx, studentOf(request), request.params.token)),
  );
  mount(app, wire.page.readPlan, async (request) => pagePlan(ctx, studentOf(request)));
  mount(app, wire.page.printWeek, async (request) => printedWeek(ctx, studentOf(request), request.query));
  mount(app, wire.page.calendar, async (request) => calendarFor(ctx, studentOf(request)));
  mount(app, wire.page.printCard, async (request) => setupCard(ctx, studentOf(request), request.query));
}
