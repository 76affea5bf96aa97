import type { Failure } from '@inchstep/contract/shared';
import {
  type AddressOf,
  type AnswerOf,
  type Args,
  type ArgsOf,
  type Asked,
  urlOf,
} from '@inchstep/contract/wire/address';
import { HttpError } from './httpError.ts';
import { HTTP_WORDS } from './words.ts';

const OFFLINE: Failure = {
  code: 'offline',
  message: HTTP_WORDS.noConnection,
  problems: [],
};

async function answer<T>(request: Promise<Response>): Promise<T> {
  let response: Response;
  try {
    response = await request;
  } catch {
    throw new HttpError(0, OFFLINE);
  }
  if (response.ok) return (await response.json()) as T;
  const failure = (await response.json().catch(() => OFFLINE)) as Failure;
  throw new HttpError(response.status, failure);
}

/**
 * What goes with every change: a word that pages of other sites can't send, and this device's clock, by which
 * the program knows how long ago something was done whatever the clock says.
 */
const ownPage = (): Record<string, string> => ({
  'x-inchstep': '1',
  'x-inchstep-sent-at': new Date().toISOString(),
});

const send = <E extends Asked>(endpoint: E, args: object, more: RequestInit): Promise<AnswerOf<E>> => {
  const { body, ...at } = args as { body?: unknown } & AddressOf<Asked>;
  const isRead = endpoint.method === 'GET';
  return answer(
    fetch(urlOf<Asked>(endpoint, at), {
      method: endpoint.method,
      ...(isRead ? {} : { headers: ownPage() }),
      ...more,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { ...ownPage(), 'content-type': 'application/json' } }),
    }),
  );
};

/** Asks the program for one thing; throws an HttpError where it says no or can't be reached. */
export const call = <E extends Asked>(endpoint: E, ...[args]: Args<ArgsOf<E>>): Promise<AnswerOf<E>> =>
  send(endpoint, args ?? {}, {});
/** The same, while the page is being left: the browser finishes sending, up to 64 KB. */
export const lastCall = <E extends Asked>(endpoint: E, ...[args]: Args<ArgsOf<E>>): Promise<AnswerOf<E>> =>
  send(endpoint, args ?? {}, { keepalive: true });

export interface FileSent {
  readonly file: File;
  readonly onProgress: (share: number) => void;
  readonly signal: AbortSignal;
}

/** Sends a file with progress (0..1); `signal` stops it. */
export function upload<E extends Asked>(
  endpoint: E,
  args: ArgsOf<E>,
  { file, onProgress, signal }: FileSent,
): Promise<AnswerOf<E>> {
  return new Promise((resolve, reject) => {
    const { form: fields, ...at } = args as object as { form: Record<string, string> } & AddressOf<Asked>;
    const request = new XMLHttpRequest();
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.set(name, value);
    form.set('file', file, file.name);
    request.open(endpoint.method, urlOf<Asked>(endpoint, at));
    for (const [name, value] of Object.entries(ownPage())) request.setRequestHeader(name, value);
    request.upload.onprogress = (event) =>
      onProgress(event.lengthComputable ? event.loaded / event.total : 0);
    request.onload = () => {
      const body = JSON.parse(request.responseText || 'null') as unknown;
      if (request.status < 300) resolve(body as AnswerOf<E>);
      else reject(new HttpError(request.status, (body as Failure) ?? OFFLINE));
    };
    request.onerror = () => reject(new HttpError(0, OFFLINE));
    request.onabort = () => reject(new DOMException('stopped', 'AbortError'));
    signal.addEventListener('abort', () => request.abort());
    request.send(form);
  });
}
