import type { FastifyRequest } from 'fastify';
import { isOwnHost, isOwnOrigin, SAFE_METHODS, SENT_AT_HEADER, WRITE_HEADER } from './address.ts';
import { coachOf, SESSION_COOKIE } from './auth.ts';
import type { Context } from './context.ts';
import { Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';

/** Who asks. A link stands for one student, whoever holds it. */
export type Actor =
  | { readonly kind: 'nobody' }
  | { readonly kind: 'coach'; readonly id: string; readonly session: string }
  | { readonly kind: 'student'; readonly studentId: string; readonly linkId: string };

/** Who a route opens to. A route that says nothing opens to a signed-in coach alone. */
export type Door = 'coach' | 'link' | 'anyone';

declare module 'fastify' {
  interface FastifyContextConfig {
    door?: Door;
  }
  interface FastifyRequest {
    actor: Actor;
  }
}

const NOBODY: Actor = { kind: 'nobody' };

/** Whose link a token is, or a refusal; handed in by the room that keeps links. */
export type OpenLink = (token: string) => { studentId: string; linkId: string };

/**
 * The one door. It goes by the route that was matched, never by the address as it was written, and is closed
 * unless the route says otherwise.
 */
export function guard(app: App, ctx: Context, openLink: OpenLink): void {
  app.decorateRequest('actor');
  app.addHook('onRequest', async (request) => {
    request.actor = NOBODY;
    checkAddress(ctx, request);
    if (!SAFE_METHODS.has(request.method)) checkWrite(ctx, request);
    if (request.is404) return;
    request.actor = actorFor(ctx, request, openLink);
  });
}

function actorFor(ctx: Context, request: FastifyRequest, openLink: OpenLink): Actor {
  const door = request.routeOptions.config.door ?? 'coach';
  if (door === 'link') {
    const { token } = request.params as { token?: unknown };
    return { kind: 'student', ...openLink(typeof token === 'string' ? token : '') };
  }
  const coach = coachOf(ctx, request.cookies[SESSION_COOKIE]);
  if (coach) return { kind: 'coach', id: coach.id, session: coach.session };
  if (door === 'coach') throw new Refusal('signed_out');
  return NOBODY;
}

function checkAddress(ctx: Context, request: FastifyRequest): void {
  const raw = request.raw.url ?? '';
  // "GET http://elsewhere/api/.." would be answered for a host that was never checked.
  if (!raw.startsWith('/')) throw new Refusal('strange_address');
  if (!isOwnHost(request.headers.host, ctx.publicUrl))
    throw new Refusal('strange_host', { host: String(request.headers.host ?? '').slice(0, 80) });
}

function checkWrite(ctx: Context, request: FastifyRequest): void {
  const { origin, host } = request.headers;
  const site = request.headers['sec-fetch-site'];
  if (!isOwnOrigin(origin, host, ctx.publicUrl) || site === 'cross-site') throw new Refusal('strange_origin');
  // A page that was open before this header was asked for still sends what waits in it: the browser itself says
  // that it is ours.
  if (!request.headers[WRITE_HEADER] && site !== 'same-origin')
    throw new Refusal('write_header', { header: WRITE_HEADER });
}

/** The coach's id or the student's, as writes are signed with it. */
export function authorOf(request: FastifyRequest): string {
  const { actor } = request;
  if (actor.kind === 'coach') return `coach:${actor.id}`;
  if (actor.kind === 'student') return `student:${actor.studentId}`;
  throw new Error('authorOf: nobody writes');
}

/** The student whose link was used. */
export function studentOf(request: FastifyRequest): string {
  if (request.actor.kind !== 'student') throw new Error('studentOf: not a link’s route');
  return request.actor.studentId;
}

/** What the sender's clock said when it sent, where it said so. */
export function sentAtOf(request: FastifyRequest): string | null {
  const text = request.headers[SENT_AT_HEADER];
  const time = typeof text === 'string' ? Date.parse(text) : Number.NaN;
  return Number.isNaN(time) ? null : new Date(time).toISOString();
}
