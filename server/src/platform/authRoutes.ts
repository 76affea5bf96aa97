import { type Me, meSchema, setupSchema, signInSchema } from '@inchstep/contract/intake';
import { okSchema } from '@inchstep/contract/shared';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { clientKey } from './address.ts';
import {
  closeSession,
  coachOf,
  firstCoach,
  openSession,
  SESSION_COOKIE,
  setUpCoach,
  signIn,
} from './auth.ts';
import { type Context, today } from './context.ts';
import { deviceOf } from './device.ts';
import { Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';
import { forgettings } from './programFacts.ts';
import { SlowDoor } from './slowDoor.ts';

const OPEN = { door: 'anyone' } as const;
const SESSION_SECONDS = 30 * 24 * 3600;

export function authRoutes(app: App, ctx: Context): void {
  const door = new SlowDoor();
  const secure = (request: FastifyRequest) =>
    request.protocol === 'https' || (ctx.publicUrl?.startsWith('https:') ?? false);
  const cookie = (request: FastifyRequest, reply: FastifyReply, token: string) =>
    reply.setCookie(SESSION_COOKIE, token, {
      path: '/',
      httpOnly: true,
      sameSite: 'strict',
      secure: secure(request),
      maxAge: SESSION_SECONDS,
    });
  const device = (request: FastifyRequest) => deviceOf(request.headers['user-agent']);
  const state = (request: FastifyRequest): Me => {
    const coach = coachOf(ctx, request.cookies[SESSION_COOKIE]);
    const any = firstCoach(ctx);
    return {
      state: coach ? 'signed_in' : any ? 'signed_out' : 'new',
      coach: coach?.name ?? null,
      demo: ctx.demo,
      today: today(ctx),
      erased: forgettings(ctx.db),
    };
  };
  app.get(
    '/api/me',
    { config: OPEN, schema: { response: { 200: meSchema }, tags: ['coach'] } },
    async (request) => state(request),
  );
  app.post(
    '/api/setup',
    { config: OPEN, schema: { body: setupSchema, response: { 200: okSchema }, tags: ['coach'] } },
    async (request, reply) => {
      const { name, passphrase } = request.body;
      if (firstCoach(ctx)) throw new Refusal('already_set_up');
      cookie(request, reply, await setUpCoach(ctx, name, passphrase, device(request)));
      return { ok: true as const };
    },
  );
  app.post(
    '/api/sign-in',
    { config: OPEN, schema: { body: signInSchema, response: { 200: okSchema }, tags: ['coach'] } },
    async (request, reply) => {
      const { passphrase } = request.body;
      const token = await door.attempt(clientKey(request.ip), () => signIn(ctx, passphrase, device(request)));
      cookie(request, reply, token);
      return { ok: true as const };
    },
  );
  app.post(
    '/api/demo-enter',
    { config: OPEN, schema: { response: { 200: okSchema }, tags: ['coach'] } },
    async (request, reply) => {
      const coach = firstCoach(ctx);
      if (!ctx.demo || !coach) throw new Refusal('not_found');
      cookie(request, reply, openSession(ctx, coach.id, device(request)));
      return { ok: true as const };
    },
  );
  app.post(
    '/api/sign-out',
    { config: OPEN, schema: { response: { 200: okSchema }, tags: ['coach'] } },
    async (request, reply) => {
      closeSession(ctx, request.cookies[SESSION_COOKIE]);
      reply.clearCookie(SESSION_COOKIE, {
        path: '/',
        httpOnly: true,
        sameSite: 'strict',
        secure: secure(request),
      });
      return { ok: true as const };
    },
  );
}
