import type { Door } from '@inchstep/contract/wire';
import type { FastifyRequest } from 'fastify';
import { isOwnHost, isOwnOrigin, SAFE_METHODS, SENT_AT_HEADER, WRITE_HEADER } from './address.ts';
import { coachOf, SESSION_COOKIE } from './auth.ts';
import type { Context } from './context.ts';
import { Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';

/** Who asks. A link stands for one student, whoever holds it. */
type Actor =
  | { readonly kind: 'nobody' }
  | { readonly kind: 'coach'; readonly id: string; readonly session: string }
  | { readonly kind: 'student'; readonly studentId: string; readonly linkId: string }
  | {
      readonly kind: 'camera';
      readonly studentId: string;
      readonly lessonId: string;
      readonly coach: string;
    };

/** What opens what a token stands for; handed in by the rooms that keep them. */
export interface Openers {
  /** Whose link a token is, or a refusal. */
  readonly link: (token: string) => { studentId: string; linkId: string };
  /** Whose lesson a phone films with a token, or a refusal. */
  readonly camera: (token: string) => { studentId: string; lessonId: string; coach: string };
}

declare module 'fastify' {
  interface FastifyContextConfig {
    /** Who a route opens to; one that says nothing opens to a signed-in coach alone. */
    door?: Door;
    /** A write that a secret in its own address stands for, from wherever it is sent; it can do one thing only. */
    byCode?: boolean;
  }
  interface FastifyRequest {
    actor: Actor;
  }
}

const NOBODY: Actor = { kind: 'nobody' };

/**
 * The one door. It goes by the route that was matched, never by the address as it was written, and is closed
 * unless the route says otherwise.
 */
export function guard(app: App, ctx: Context, openers: Openers): void {
  app.decorateRequest('actor');
  app.addHook('onRequest', async (request) => {
    request.actor = NOBODY;
    checkAddress(ctx, request);
    const { byCode = false } = request.is404 ? {} : request.routeOptions.config;
    if (!SAFE_METHODS.has(request.method) && !byCode) checkWrite(ctx, request);
    if (request.is404) return;
    request.actor = actorFor(ctx, request, openers);
  });
}

function actorFor(ctx: Context, request: FastifyRequest, openers: Openers): Actor {
  const door = request.routeOptions.config.door ?? 'coach';
  if (door === 'link') return { kind: 'student', ...openers.link(tokenOf(request)) };
  if (door === 'camera') return { kind: 'camera', ...openers.camera(tokenOf(request)) };
  const coach = coachOf(ctx, request.cookies[SESSION_COOKIE]);
  if (coach) return { kind: 'coach', id: coach.id, session: coach.session };
  if (door === 'coach') throw new Refusal('signed_out');
  return NOBODY;
}

function tokenOf(request: FastifyRequest): string {
  const { token } = request.params as { token?: unknown };
  return typeof token === 'string' ? token : '';
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
  // What a phone in the bay films is the coach's.
  if (actor.kind === 'camera') return actor.coach;
  throw new Error('authorOf: nobody writes');
}

/** The student whose link was used. */
export function studentOf(request: FastifyRequest): string {
  if (request.actor.kind !== 'student') throw new Error('studentOf: not a link’s route');
  return request.actor.studentId;
}

/** The lesson that a phone films. */
export function cameraOf(request: FastifyRequest): Extract<Actor, { kind: 'camera' }> {
  if (request.actor.kind !== 'camera') throw new Error('cameraOf: not a camera’s route');
  return request.actor;
}

/** What the sender's clock said when it sent, where it said so. */
export function sentAtOf(request: FastifyRequest): string | null {
  const text = request.headers[SENT_AT_HEADER];
  const time = typeof text === 'string' ? Date.parse(text) : Number.NaN;
  return Number.isNaN(time) ? null : new Date(time).toISOString();
}
