import {
  type BodyOf,
  type Door,
  type Endpoint,
  type GivenBy,
  type ParamsOf,
  paramsOf,
  type QueryOf,
} from '@inchstep/contract/wire';
import type { FastifyContextConfig, FastifyReply, FastifyRequest } from 'fastify';
import { DOCUMENT_BODY } from './bodies.ts';
import type { App } from './fastifyApp.ts';

/** A request as its endpoint says it is: checked at the door before any handler sees it. */
type Asking<E> = FastifyRequest<{ Params: ParamsOf<E>; Querystring: QueryOf<E>; Body: BodyOf<E> }>;
type Handler<E> = (
  request: Asking<E>,
  reply: FastifyReply,
) => GivenBy<E> | FastifyReply | Promise<GivenBy<E> | FastifyReply>;

interface Own {
  /** Skips the serializer's check, for lists of thousands of rows. Tests check their schema instead. */
  readonly asTheyAre?: boolean;
}

/** Mounts an endpoint: its checks, its door, its limits and its handler. A file's handler returns the file or sends it. */
export function mount<E extends Endpoint>(
  app: App,
  endpoint: E,
  handler: Handler<E>,
  { asTheyAre = false }: Own = {},
): void {
  const { room, method, path, query, body, form, answer, document, hidden = false } = endpoint;
  app.route({
    method,
    url: path,
    ...(document ? { bodyLimit: DOCUMENT_BODY } : {}),
    ...(asTheyAre ? { serializerCompiler: () => (rows: unknown) => JSON.stringify(rows) } : {}),
    config: configOf(endpoint),
    schema: {
      tags: [room],
      hide: hidden,
      params: paramsOf(endpoint),
      ...(query ? { querystring: query } : {}),
      ...(body ? { body } : {}),
      ...(answer ? { response: { 200: answer } } : {}),
      ...(form ? { summary: `Multipart: ${[...Object.keys(form.shape), 'file'].join(', ')}` } : {}),
    },
    handler: async (request, reply) => {
      const given = await handler(request as Asking<E>, reply);
      if (!reply.sent) nameFile(endpoint, request.params as Record<string, string>, reply);
      return given;
    },
  });
}

function nameFile(
  { file, saveAs }: Endpoint,
  params: Readonly<Record<string, string>>,
  reply: FastifyReply,
): void {
  if (file !== undefined && file !== 'any')
    reply.type(file.startsWith('text/') ? `${file}; charset=utf-8` : file);
  if (saveAs === undefined) return;
  const name = saveAs.replace(/:(\w+)/g, (_, part: string) => params[part] ?? '');
  reply.header('content-disposition', `attachment; filename="${name}"`);
}

/** Requests a minute, counted for each link or camera, so that one busy device doesn't block the others. */
const PER_MINUTE: Partial<Record<Door, number>> = { link: 240, camera: 900 };

function configOf({ door, byCode: coded, perMinute = PER_MINUTE[door] }: Endpoint): FastifyContextConfig {
  const byCode = coded ?? false;
  if (perMinute === undefined) return { door, byCode };
  return { door, byCode, rateLimit: { max: perMinute, timeWindow: '1 minute', keyGenerator: comerOf } };
}

function comerOf({ actor, ip }: FastifyRequest): string {
  if (actor.kind === 'student') return actor.linkId;
  if (actor.kind === 'camera') return actor.lessonId;
  return ip;
}
