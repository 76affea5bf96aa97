import * as wire from '@inchstep/contract/endpoints';
import type { Me } from '@inchstep/contract/intake';
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
import { DEVICE_COOKIE, deviceOf, knownDevice, newDeviceMark } from './device.ts';
import { Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';
import { mount } from './mount.ts';
import { forgettings } from './programFacts.ts';
import { SlowDoor, type Trier } from './slowDoor.ts';

const SESSION_SECONDS = 30 * 24 * 3600;
const DEVICE_SECONDS = 365 * 24 * 3600;

const device = (request: FastifyRequest) => deviceOf(request.headers['user-agent']);

/** How the session's cookie is set and cleared. */
const cookieFor = (ctx: Context, request: FastifyRequest) => ({
  path: '/',
  httpOnly: true,
  sameSite: 'strict' as const,
  secure: request.protocol === 'https' || (ctx.publicUrl?.startsWith('https:') ?? false),
});

const cookie = (ctx: Context, request: FastifyRequest, reply: FastifyReply, token: string) =>
  reply.setCookie(SESSION_COOKIE, token, { ...cookieFor(ctx, request), maxAge: SESSION_SECONDS });

/** A device that was let in before tries in a lane of its own, whoever guesses behind the same address. */
function trierOf(ctx: Context, request: FastifyRequest, reply: FastifyReply): Trier {
  const known = knownDevice(ctx.db, request.cookies[DEVICE_COOKIE]);
  const left = new AbortController();
  reply.raw.once('close', () => left.abort());
  return {
    client: known === null ? clientKey(request.ip) : `device ${known}`,
    isKnown: known !== null,
    signal: left.signal,
  };
}

function rememberDevice(ctx: Context, request: FastifyRequest, reply: FastifyReply): void {
  if (knownDevice(ctx.db, request.cookies[DEVICE_COOKIE]) !== null) return;
  reply.setCookie(DEVICE_COOKIE, newDeviceMark(ctx.db), {
    ...cookieFor(ctx, request),
    maxAge: DEVICE_SECONDS,
  });
}

function stateOf(ctx: Context, request: FastifyRequest): Me {
  const coach = coachOf(ctx, request.cookies[SESSION_COOKIE]);
  const any = firstCoach(ctx);
  return {
    state: coach ? 'signed_in' : any ? 'signed_out' : 'new',
    coach: coach?.name ?? null,
    demo: ctx.demo,
    today: today(ctx),
    erased: forgettings(ctx.db),
  };
}

export function authRoutes(app: App, ctx: Context): void {
  mount(app, wire.care.me, async (request) => stateOf(ctx, request));
  mount(app, wire.care.signOut, async (request, reply) => {
    closeSession(ctx, request.cookies[SESSION_COOKIE]);
    reply.clearCookie(SESSION_COOKIE, cookieFor(ctx, request));
    return { ok: true as const };
  });
  waysIn(app, ctx);
}

/** Whoever is let in gets a cookie. */
function waysIn(app: App, ctx: Context): void {
  const door = new SlowDoor();
  mount(app, wire.care.setUp, async (request, reply) => {
    const { name, passphrase } = request.body;
    if (firstCoach(ctx)) throw new Refusal('already_set_up');
    cookie(ctx, request, reply, await setUpCoach(ctx, name, passphrase, device(request)));
    rememberDevice(ctx, request, reply);
    return { ok: true as const };
  });
  mount(app, wire.care.signIn, async (request, reply) => {
    const { passphrase } = request.body;
    const token = await door.attempt(trierOf(ctx, request, reply), () =>
      signIn(ctx, passphrase, device(request)),
    );
    cookie(ctx, request, reply, token);
    rememberDevice(ctx, request, reply);
    return { ok: true as const };
  });
  mount(app, wire.care.enterDemo, async (request, reply) => {
    const coach = firstCoach(ctx);
    if (!ctx.demo || !coach) throw new Refusal('not_found');
    cookie(ctx, request, reply, openSession(ctx, coach.id, device(request)));
    return { ok: true as const };
  });
}
