import { type Me, meSchema, setupSchema, signInSchema } from '@inchstep/contract/intake';
import { okSchema } from '@inchstep/contract/shared';
import type { FastifyReply, FastifyRequest } from 'fastify';
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
import { Refusal } from './errors.ts';
import type { App } from './http.ts';

const OPEN = { open: true } as const;
/** Guessing a passphrase is slow by scrypt and slower by this. */
const FEW = { rateLimit: { max: 10, timeWindow: '1 minute' } } as const;

export function authRoutes(app: App, ctx: Context): void {
  const cookie = (reply: FastifyReply, token: string) =>
    reply.setCookie(SESSION_COOKIE, token, {
      path: '/',
      httpOnly: true,
      sameSite: 'strict',
      maxAge: 30 * 24 * 3600,
    });
  const state = (request: FastifyRequest): Me => {
    const coach = coachOf(ctx, request.cookies[SESSION_COOKIE]);
    const any = firstCoach(ctx);
    return {
      state: coach ? 'signed_in' : any ? 'signed_out' : 'new',
      coach: coach?.name ?? null,
      demo: ctx.demo,
      today: today(ctx),
    };
  };
  app.get(
    '/api/me',
    { config: OPEN, schema: { response: { 200: meSchema }, tags: ['coach'] } },
    async (request) => state(request),
  );
  app.post(
    '/api/setup',
    {
      config: { ...OPEN, ...FEW },
      schema: { body: setupSchema, response: { 200: okSchema }, tags: ['coach'] },
    },
    async (request, reply) => {
      cookie(reply, await setUpCoach(ctx, request.body.name, request.body.passphrase));
      return { ok: true as const };
    },
  );
  app.post(
    '/api/sign-in',
    {
      config: { ...OPEN, ...FEW },
      schema: { body: signInSchema, response: { 200: okSchema }, tags: ['coach'] },
    },
    async (request, reply) => {
      cookie(reply, await signIn(ctx, request.body.passphrase));
      return { ok: true as const };
    },
  );
  app.post(
    '/api/demo-enter',
    { config: OPEN, schema: { response: { 200: okSchema }, tags: ['coach'] } },
    async (_request, reply) => {
      const coach = firstCoach(ctx);
      if (!ctx.demo || !coach) throw new Refusal('not_found');
      cookie(reply, openSession(ctx, coach.id));
      return { ok: true as const };
    },
  );
  app.post(
    '/api/sign-out',
    { config: OPEN, schema: { response: { 200: okSchema }, tags: ['coach'] } },
    async (request, reply) => {
      closeSession(ctx, request.cookies[SESSION_COOKIE]);
      reply.clearCookie(SESSION_COOKIE, { path: '/' });
      return { ok: true as const };
    },
  );
}
