import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compress from '@fastify/compress';
import cookie from '@fastify/cookie';
import helmet from '@fastify/helmet';
import multipart from '@fastify/multipart';
import rateLimit from '@fastify/rate-limit';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import { pathText } from '@inchstep/contract/formats';
import Fastify, {
  type FastifyBaseLogger,
  type FastifyInstance,
  LogController,
  type RawReplyDefaultExpression,
  type RawRequestDefaultExpression,
  type RawServerDefault,
} from 'fastify';
import {
  hasZodFastifySchemaValidationErrors,
  jsonSchemaTransform,
  serializerCompiler,
  validatorCompiler,
  type ZodTypeProvider,
} from 'fastify-type-provider-zod';
import { coachOf, SESSION_COOKIE } from './auth.ts';
import type { Context } from './context.ts';
import { projectRoot } from './db.ts';
import { failureOf, Refusal } from './errors.ts';

declare module 'fastify' {
  interface FastifyContextConfig {
    /** Reached without signing in. */
    open?: boolean;
  }
}

export type App = FastifyInstance<
  RawServerDefault,
  RawRequestDefaultExpression,
  RawReplyDefaultExpression,
  FastifyBaseLogger,
  ZodTypeProvider
>;

const MEGABYTE = 1024 * 1024;

/** Fastify with its plugins, the guard and the error handler, and no route yet. */
export async function makeHttp(
  ctx: Context,
  options: { log?: boolean; rateLimits?: boolean } = {},
): Promise<App> {
  const app = Fastify({
    logger: options.log === false ? false : { level: process.env.LOG_LEVEL ?? 'info' },
    // Addresses hold link tokens, so the default request lines stay off; see onResponse below.
    logController: new LogController({ disableRequestLogging: true }),
    bodyLimit: 4 * MEGABYTE,
    trustProxy: false,
  }).withTypeProvider<ZodTypeProvider>() as unknown as App;
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  handleErrors(app);
  await addPlugins(app, ctx, options.rateLimits !== false);
  guard(app, ctx);
  return app;
}

async function addPlugins(app: App, ctx: Context, limits: boolean): Promise<void> {
  await app.register(swagger, {
    openapi: {
      info: { title: 'Inch Step', version: '0.1.0', description: 'What the program’s own screens use.' },
    },
    transform: jsonSchemaTransform,
  });
  await app.register(swaggerUi, { routePrefix: '/api/docs' });
  await app.register(helmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ["'self'", 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'", 'data:'],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
    },
    referrerPolicy: { policy: 'no-referrer' },
  });
  await app.register(cookie);
  if (limits) await app.register(rateLimit, { global: false });
  // The networks are packed already; squeezing 19 MB of them would hold up the first press for half a minute.
  await app.register(compress, { encodings: ['gzip', 'br'], customTypes: /^text\/|json|javascript|svg/ });
  await app.register(multipart, { limits: { fileSize: ctx.clipLimitMb * MEGABYTE, files: 1, fields: 8 } });
}

/** Everything under /api needs a signed-in coach unless its route says otherwise. */
function guard(app: App, ctx: Context): void {
  app.addHook('onRequest', async (request) => {
    const route = request.routeOptions;
    if (!request.url.startsWith('/api/') || route.config.open || route.url?.startsWith('/api/docs')) return;
    if (!coachOf(ctx, request.cookies[SESSION_COOKIE])) throw new Refusal('signed_out');
  });
  app.addHook('onResponse', async (request, reply) => {
    request.log.info(
      {
        method: request.method,
        route: request.routeOptions.url,
        status: reply.statusCode,
        ms: Math.round(reply.elapsedTime),
      },
      'answered',
    );
  });
}

function handleErrors(app: App): void {
  app.setErrorHandler((error, request, reply) => {
    if (error instanceof Refusal) {
      const { status, body } = failureOf(error.problems);
      return reply.status(status).send(body);
    }
    if (hasZodFastifySchemaValidationErrors(error)) {
      const problems = error.validation.map(({ instancePath, message }) => ({
        code: 'bad_input',
        // "/drill/fixes/0/fault" as everywhere else: drill.fixes[0].fault
        path: pathText(
          instancePath
            .split('/')
            .slice(1)
            .map((key) => (/^\d+$/.test(key) ? Number(key) : key)),
        ),
        detail: { message: message ?? '' },
      }));
      const { body } = failureOf(problems);
      const named = problems.map((p) => `${p.path}: ${p.detail.message}`).join('; ');
      return reply.status(400).send({ ...body, message: named });
    }
    const known = error as { statusCode?: number; code?: string };
    if (known.statusCode === 429)
      return reply.status(429).send(failureOf([{ code: 'too_many_requests', path: '', detail: {} }]).body);
    if (known.statusCode !== undefined && known.statusCode < 500) {
      const { body } = failureOf([{ code: 'bad_input', path: '', detail: {} }]);
      return reply.status(known.statusCode).send(body);
    }
    request.log.error({ err: error, route: request.routeOptions.url }, 'broken');
    return reply.status(500).send(failureOf([{ code: 'broken', path: '', detail: {} }]).body);
  });
}

/** The built web app; unknown addresses outside /api open it, so that links into it work. */
export async function serveWeb(app: App): Promise<void> {
  const root = join(projectRoot(), 'web', 'dist');
  if (existsSync(root)) {
    await app.register(fastifyStatic, {
      root,
      wildcard: false,
      cacheControl: false,
      setHeaders: (response, path) => {
        response.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    });
  }
  app.setNotFoundHandler((request, reply) => {
    if (request.url.startsWith('/api/') || !existsSync(root)) {
      return reply.status(404).send(failureOf([{ code: 'not_found', path: '', detail: {} }]).body);
    }
    return reply.header('cache-control', 'no-cache').sendFile('index.html');
  });
}
