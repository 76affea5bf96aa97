import type { Failure } from '@inchstep/contract/shared';
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

const send = <T>(method: string, url: string, body?: unknown, keepalive = false): Promise<T> =>
  answer<T>(
    fetch(url, {
      method,
      ...(method === 'GET' ? {} : { headers: ownPage() }),
      ...(keepalive ? { keepalive } : {}),
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { ...ownPage(), 'content-type': 'application/json' } }),
    }),
  );

export const get = <T>(url: string): Promise<T> => send<T>('GET', url);
export const post = <T>(url: string, body?: unknown): Promise<T> => send<T>('POST', url, body);
export const put = <T>(url: string, body: unknown): Promise<T> => send<T>('PUT', url, body);
/** A last word while the page is being left; the browser sends it to the end, up to 64 KB. */
export const putLast = <T>(url: string, body: unknown): Promise<T> => send<T>('PUT', url, body, true);
export const del = <T>(url: string): Promise<T> => send<T>('DELETE', url);

/** Sends a file with progress (0..1); `signal` stops it. */
export function upload<T>(
  url: string,
  fields: Record<string, string>,
  file: File,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.set(name, value);
    form.set('file', file, file.name);
    request.open('POST', url);
    for (const [name, value] of Object.entries(ownPage())) request.setRequestHeader(name, value);
    request.upload.onprogress = (event) =>
      onProgress(event.lengthComputable ? event.loaded / event.total : 0);
    request.onload = () => {
      const body = JSON.parse(request.responseText || 'null') as unknown;
      if (request.status < 300) resolve(body as T);
      else reject(new HttpError(request.status, (body as Failure) ?? OFFLINE));
    };
    request.onerror = () => reject(new HttpError(0, OFFLINE));
    request.onabort = () => reject(new DOMException('stopped', 'AbortError'));
    signal.addEventListener('abort', () => request.abort());
    request.send(form);
  });
}
