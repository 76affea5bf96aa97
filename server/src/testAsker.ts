import type { Failure } from '@inchstep/contract/shared';
import {
  type AddressOf,
  type AnswerOf,
  type Asked,
  type Endpoint,
  type Method,
  urlOf,
} from '@inchstep/contract/wire';
import { WRITE_HEADER } from './platform/address.ts';
import type { App } from './platform/http.ts';

interface Answer<T = unknown> {
  readonly status: number;
  readonly body: T;
  /** Of what was said no to; else empty. */
  readonly code: string;
}
/** What the program's own pages send with every change. */
export const OWN_PAGE = { [WRITE_HEADER]: '1' };
type Heads = Readonly<Record<string, string>>;
/** An endpoint's arguments; the body may be wrong on purpose. */
type Loose<E> = {
  readonly [N in keyof AddressOf<E>]?: N extends 'query'
    ? Readonly<Record<string, unknown>>
    : string | null | undefined;
} & { readonly body?: unknown };
type Told<E> = E extends { readonly answer: unknown } ? AnswerOf<E> : string;

/** One browser that asks a server by injection and keeps its cookie. */
function browser(app: App) {
  let cookie = '';
  const send = async (
    method: Method,
    url: string,
    payload?: object,
    headers: Heads = {},
  ): Promise<Answer> => {
    const response = await app.inject({
      method,
      url,
      headers: { cookie, ...OWN_PAGE, ...headers },
      ...(payload === undefined ? {} : { payload }),
    });
    const set = response.headers['set-cookie'];
    if (set) cookie = String(set).split(';')[0] ?? '';
    const body = bodyOf(response);
    return { status: response.statusCode, body, code: (body as Partial<Failure> | null)?.code ?? '' };
  };
  const forget = () => {
    cookie = '';
  };
  return { send, cookie: () => cookie, forget };
}

const at = <E extends Endpoint>(endpoint: E, args: Loose<E>): string =>
  urlOf<Asked>(endpoint, args as AddressOf<Asked>);

export function asker(app: App) {
  const session = browser(app);
  const { send } = session;
  /** Asks by a written address, for tests of addresses. */
  const askAt = <T = never>(method: Method, url: string, payload?: object) =>
    send(method, url, payload) as Promise<Answer<T>>;
  /** Asks an endpoint and checks the answer against its schema. */
  const ask = async <E extends Endpoint>(
    endpoint: E,
    args: Loose<E> = {},
    headers: Heads = {},
  ): Promise<Answer<Told<E>>> => {
    const told = await send(endpoint.method, at(endpoint, args), args.body as object | undefined, headers);
    const isWhole = told.status === 200 && endpoint.answer;
    return { ...told, body: (isWhole ? isWhole.parse(told.body) : told.body) as Told<E> };
  };
  /** The same, for a request that is refused. */
  const refused = <E extends Endpoint>(endpoint: E, args: Loose<E> = {}, headers: Heads = {}) =>
    send(endpoint.method, at(endpoint, args), args.body as object | undefined, headers) as Promise<
      Answer<Failure>
    >;
  /** Sends a file as a browser does: small fields first. */
  const upload = async <E extends Endpoint>(
    endpoint: E,
    args: Loose<E>,
    file: Buffer,
    fields: Record<string, string>,
    name = 'swing.mp4',
  ): Promise<Answer<Told<E>>> => {
    const form = new FormData();
    for (const [key, value] of Object.entries(fields)) form.set(key, value);
    form.set('file', new Blob([new Uint8Array(file)]), name);
    const request = new Request('http://test/', { method: 'POST', body: form });
    const type = { 'content-type': request.headers.get('content-type') ?? '' };
    const payload = Buffer.from(await request.arrayBuffer());
    return (await send(endpoint.method, at(endpoint, args), payload, type)) as Answer<Told<E>>;
  };
  return { ask, askAt, refused, upload, session };
}

/** JSON as it is; a file, or nothing, as text. */
function bodyOf(response: { headers: object; body: string; json: () => unknown }): unknown {
  const type = String((response.headers as Record<string, unknown>)['content-type'] ?? '');
  return type.includes('json') ? response.json() : response.body || undefined;
}
