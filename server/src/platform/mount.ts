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
  /** Where thousands of rows are written as they are; that they are what the endpoint says is a test's to know. */
  readonly asTheyAre?: boolean;
}

/** Answers an endpoint. A handler of one that answers a file gives the file, or sends it itself. */
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

/** A busy student stops nobody else, nor does a phone that asks more than once a second. */
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
