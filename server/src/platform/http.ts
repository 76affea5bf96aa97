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
import * as wire from '@inchstep/contract/endpoints';
import { pathText } from '@inchstep/contract/formats';
import { API, urlOf } from '@inchstep/contract/wire';
import Fastify, { type FastifyInstance, LogController } from 'fastify';
import {
  hasZodFastifySchemaValidationErrors,
  jsonSchemaTransform,
  serializerCompiler,
  validatorCompiler,
  type ZodTypeProvider,
} from 'fastify-type-provider-zod';
import { plainPath } from './address.ts';
import { readBodies, USUAL_BODY } from './bodies.ts';
import type { Context } from './context.ts';
import { projectRoot } from './db.ts';
import { failureOf, machineProblem, Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';
import { guard, type Openers } from './guard.ts';
import { readPieces } from './pieceRoutes.ts';
import type { Tls } from './tls.ts';

export type { App } from './fastifyApp.ts';

const MEGABYTE = 1024 * 1024;

export interface HttpOptions {
  readonly log?: boolean;
  readonly rateLimits?: boolean;
  readonly tls?: Tls | null;
}

/** A whole clip over a slow line; one that stalls is let go much sooner. */
const REQUEST_MS = 30 * 60_000;
const SILENT_MS = 60_000;
/** A studio's phones and screens, many times over. */
const MOST_CONNECTIONS = 2000;
/** A body of nothing but mistakes is answered with the first of them. */
const MOST_PROBLEMS = 20;

/** Fastify with its plugins, the guard and the error handler, and no route yet. */
export async function makeHttp(ctx: Context, openers: Openers, options: HttpOptions = {}): Promise<App> {
  const app = Fastify({
    ...(options.tls ? { https: options.tls } : {}),
    logger: options.log === false ? false : { level: process.env.LOG_LEVEL ?? 'info' },
    // Addresses hold link tokens, so the default request lines stay off; see onResponse below.
    logController: new LogController({ disableRequestLogging: true }),
    bodyLimit: USUAL_BODY,
    trustProxy: trusted(ctx.trustProxy),
    requestTimeout: REQUEST_MS,
    connectionTimeout: SILENT_MS,
    return503OnClosing: true,
  }).withTypeProvider<ZodTypeProvider>() as unknown as App;
  app.server.maxConnections = MOST_CONNECTIONS;
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  handleErrors(app);
  readBodies(app, ctx);
  // Cookies are read before the guard looks at them; every other plugin's routes come after the guard.
  await app.register(cookie);
  guard(app, ctx, openers);
  await addPlugins(app, ctx, options.rateLimits !== false);
  readPieces(app);
  logAnswers(app);
  keepNothing(app);
  return app;
}

/** So many proxies counted from here, or those at the named addresses. */
function trusted(
  setting: Context['trustProxy'],
): boolean | string | ((address: string, hop: number) => boolean) {
  return typeof setting === 'number' ? (_, hop) => hop < setting : setting;
}

async function addPlugins(app: App, ctx: Context, limits: boolean): Promise<void> {
  await app.register(swagger, {
    openapi: {
      info: { title: 'Inch Step', version: '0.1.0', description: 'What the program’s own screens use.' },
    },
    transform: jsonSchemaTransform,
  });
  await opened(app, () => app.register(swaggerUi, { routePrefix: `${API}docs` }));
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
  if (limits) await app.register(rateLimit, { global: false });
  // The networks are packed already; squeezing 19 MB of them would hold up the first press for half a minute.
  await app.register(compress, {
    encodings: ['gzip', 'br'],
    customTypes: /^text\/|json|javascript|svg/,
    globalDecompression: false,
  });
  await app.register(multipart, {
    limits: {
      fileSize: ctx.clipLimitMb * MEGABYTE,
      files: 1,
      fields: 8,
      parts: 9,
      fieldSize: 16 * 1024,
      headerPairs: 20,
    },
  });
}

/** Routes of a plugin that knows nothing of doors, opened to anyone: pages and pictures of the program itself. */
async function opened(
  scope: Pick<FastifyInstance, 'addHook'>,
  register: () => PromiseLike<unknown>,
): Promise<void> {
  let open = true;
  scope.addHook('onRoute', (route) => {
    if (open) route.config = { ...route.config, door: 'anyone' };
  });
  await register();
  open = false;
}

/** Answers of the record are kept nowhere on the way, unless a route says otherwise. */
function keepNothing(app: App): void {
  app.addHook('onSend', async (request, reply) => {
    if (request.routeOptions.url?.startsWith(API) && !reply.hasHeader('cache-control'))
      reply.header('cache-control', 'no-store');
  });
}

function logAnswers(app: App): void {
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
      const problems = error.validation.slice(0, MOST_PROBLEMS).map(({ instancePath, message }) => ({
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
    const machine = machineProblem(error);
    if (machine) {
      request.log.error(
        { code: (error as { code?: string }).code, route: request.routeOptions.url },
        machine,
      );
      const { status, body } = failureOf([{ code: machine, path: '', detail: {} }]);
      return reply.status(status).send(body);
    }
    const known = error as { statusCode?: number; code?: string };
    if (known.statusCode === 429)
      return reply.status(429).send(failureOf([{ code: 'too_many_requests', path: '', detail: {} }]).body);
    if (known.statusCode === 413)
      return reply.status(413).send(failureOf([{ code: 'body_too_heavy', path: '', detail: {} }]).body);
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
    await opened(app, () =>
      app.register(fastifyStatic, {
        root,
        wildcard: false,
        cacheControl: false,
        preCompressed: true,
        setHeaders: (response, path) => {
          response.header(
            'cache-control',
            path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
          );
        },
      }),
    );
  }
  app.setNotFoundHandler((request, reply) => {
    const page =
      ['GET', 'HEAD'].includes(request.method) &&
      !/^\/(api|assets)(\/|$)/.test(plainPath(request.raw.url ?? ''));
    if (!page || !existsSync(root))
      return reply.status(404).send(failureOf([{ code: 'not_found', path: '', detail: {} }]).body);
    const token = /^\/p\/([\w-]+)\/?(?:[?#]|$)/.exec(request.raw.url ?? '')?.[1];
    // The phone asks for what the page will show while it is still fetching the page's script.
    if (token)
      reply.header(
        'link',
        `<${urlOf(wire.page.readPage, { token })}>; rel=preload; as=fetch; crossorigin=anonymous`,
      );
    const entry = /^\/p\//.test(plainPath(request.raw.url ?? '')) ? 'student.html' : 'index.html';
    return reply.header('cache-control', 'no-cache').sendFile(entry);
  });
}
