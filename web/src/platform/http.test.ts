import * as wire from '@inchstep/contract/endpoints';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { call, upload } from './http.ts';
import { HttpError } from './httpError.ts';

const realFetch = globalThis.fetch;
const realRequest = globalThis.XMLHttpRequest;
afterEach(() => {
  Object.assign(globalThis, { fetch: realFetch, XMLHttpRequest: realRequest });
});

const answers = (status: number, json: () => Promise<unknown>) => {
  const fetched = jest.fn(async () => ({ ok: status < 300, status, json }));
  Object.assign(globalThis, { fetch: fetched });
  return fetched as unknown as jest.Mock;
};
const failed = async (asked: Promise<unknown>): Promise<HttpError> => {
  const error = await asked.then(
    () => null,
    (e: unknown) => e,
  );
  if (!(error instanceof HttpError)) throw new Error(`expected a refusal, got ${String(error)}`);
  return error;
};

/** Every change says that it comes from our own page, and what this device's clock says. */
const own = {
  'x-inchstep': '1',
  'x-inchstep-sent-at': expect.stringMatching(/^\d{4}-\d\d-\d\dT.*Z$/),
};

describe('asking the server', () => {
  test('an answer is what it said; a body goes as JSON, none goes without a type', async () => {
    const fetched = answers(200, async () => ({ id: 'a' }));
    expect(await call(wire.intake.readStudent, { id: 'x' })).toEqual({ id: 'a' });
    await call(wire.intake.liftHold, { id: 'x', body: { note: 'ä' } });
    await call(wire.prescription.setLayer, { id: 'x', drill: 'd', body: { layer: 1 } });
    await call(wire.intake.archiveStudent, { id: 'x' });
    await call(wire.capture.removePressure, { id: 'x' });
    expect(fetched.mock.calls.map(([, init]) => init)).toEqual([
      { method: 'GET' },
      { method: 'POST', body: '{"note":"ä"}', headers: { ...own, 'content-type': 'application/json' } },
      { method: 'PUT', body: '{"layer":1}', headers: { ...own, 'content-type': 'application/json' } },
      { method: 'POST', headers: own },
      { method: 'DELETE', headers: own },
    ]);
  });
  test('a refusal carries the server’s code, words and places', async () => {
    const problems = [{ code: 'height_range', path: 'heightIn', detail: {} }];
    answers(400, async () => ({ code: 'invalid', message: 'Give the height in inches.', problems }));
    const error = await failed(call(wire.intake.archiveStudent, { id: 'x' }));
    expect(error.status).toBe(400);
    expect(error.message).toBe('Give the height in inches.');
    expect(error).toMatchObject({ failure: { code: 'invalid', problems } });
  });
  test('no connection, and an answer that is no JSON, say that nothing entered is lost', async () => {
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('refused')) });
    const offline = await failed(call(wire.care.readCare));
    expect([offline.status, offline.message]).toEqual([0, expect.stringMatching(/still here/)]);
    answers(502, () => Promise.reject(new SyntaxError('<html>')));
    expect((await failed(call(wire.care.readCare))).message).toMatch(/still here/);
  });
});

describe('sending a file', () => {
  class Held {
    static last: Held;
    readonly upload: { onprogress?: (e: object) => void } = {};
    onload?: () => void;
    onerror?: () => void;
    onabort?: () => void;
    status = 200;
    responseText = '';
    constructor() {
      Held.last = this;
    }
    open() {}
    setRequestHeader() {}
    send(form: FormData) {
      this.form = form;
    }
    form: FormData | null = null;
    abort() {
      this.onabort?.();
    }
  }
  beforeEach(() => {
    Object.assign(globalThis, { XMLHttpRequest: Held });
  });
  const file = new File(['frames'], 'swing.mov');
  const FORM = { id: 'c1', kind: 'face_on', recordedOn: '2027-03-01' };
  const start = (stop = new AbortController(), onProgress = jest.fn()) => ({
    sent: upload(wire.capture.addClip, { id: 'x', form: FORM }, { file, onProgress, signal: stop.signal }),
    stop,
    onProgress,
  });

  test('small fields first, then the file by its name', async () => {
    const { sent } = start();
    expect([...(Held.last.form ?? new FormData()).keys()]).toEqual([...Object.keys(FORM), 'file']);
    const sentFile = Held.last.form?.get('file') as File | undefined;
    expect(sentFile?.name).toBe('swing.mov');
    Held.last.responseText = '{"id":"c1"}';
    Held.last.onload?.();
    expect(await sent).toEqual({ id: 'c1' });
  });
  test('progress is a share; of an unknown length it is none yet', () => {
    const { onProgress, sent } = start();
    Held.last.upload.onprogress?.({ lengthComputable: true, loaded: 1, total: 4 });
    Held.last.upload.onprogress?.({ lengthComputable: false, loaded: 9, total: 0 });
    expect(onProgress.mock.calls).toEqual([[0.25], [0]]);
    sent.catch(() => undefined);
  });
  test('stopping ends it as a stop, not as a failure', async () => {
    const { sent, stop } = start();
    stop.abort();
    await expect(sent).rejects.toMatchObject({ name: 'AbortError' });
  });
  test('a refusal of a file carries the server’s words', async () => {
    const { sent } = start();
    Held.last.status = 413;
    Held.last.responseText = '{"code":"too_large","message":"Over 300 MB.","problems":[]}';
    Held.last.onload?.();
    const error = await failed(sent);
    expect([error.status, error.message]).toEqual([413, 'Over 300 MB.']);
  });
  test('a lost connection says so', async () => {
    const { sent } = start();
    Held.last.onerror?.();
    expect((await failed(sent)).status).toBe(0);
  });
});
