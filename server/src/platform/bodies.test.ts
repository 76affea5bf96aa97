import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addStudent, OWN_PAGE, type TestServer, testServer } from '../testServer.ts';
import { DOCUMENT_BODY, shapeOf, USUAL_BODY } from './bodies.ts';

const bytes = (text: string) => Buffer.from(text);

/** Depth and partings of a value, told from the value and not from its text. */
function told(value: unknown): { depth: number; tokens: number } {
  if (typeof value !== 'object' || value === null) return { depth: 0, tokens: 0 };
  const inside = Object.values(value).map(told);
  const commas = Math.max(0, inside.length - 1);
  const colons = Array.isArray(value) ? 0 : inside.length;
  return {
    depth: 1 + Math.max(0, ...inside.map(({ depth }) => depth)),
    tokens: 1 + commas + colons + inside.reduce((sum, { tokens }) => sum + tokens, 0),
  };
}

describe('the shape of a JSON text', () => {
  test.each([
    ['nothing', '', 0, 0],
    ['a number', '12', 0, 0],
    ['a list', '[1,2,3]', 1, 3],
    ['brackets in a string are letters', '{"a[{":"]}],,"}', 1, 2],
    ['a quote that is escaped ends nothing', '["\\"[[[[",[]]', 2, 3],
    ['a backslash before the quote that ends it', '["\\\\",[[]]]', 3, 4],
    ['a string without an end', '["[[[[', 1, 1],
    ['more closed than opened', ']]]][', 0, 1],
  ])('%s', (_, text, depth, tokens) => {
    expect(shapeOf(bytes(text))).toEqual({ depth, tokens });
  });
  test('is that of the value, however it is written', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.constantFrom(undefined, 2), (value, indent) => {
        expect(shapeOf(bytes(JSON.stringify(value, null, indent)))).toEqual(told(value));
      }),
      { numRuns: 300, seed: 31 },
    );
  });
});

describe('bodies at the doors', () => {
  let server: TestServer;
  let student: string;
  let token: string;
  beforeAll(async () => {
    server = await testServer();
    student = await addStudent(server);
    token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body.token;
  });
  afterAll(() => server.stop());

  const send = async (url: string, payload: string | Buffer, type = 'application/json') => {
    const { statusCode, body } = await server.app.inject({
      method: 'POST',
      url,
      headers: { cookie: server.cookie(), ...OWN_PAGE, 'content-type': type },
      payload,
    });
    return { status: statusCode, code: (JSON.parse(body) as { code?: string }).code };
  };

  test.each([
    ['somebody unknown sends little', urlOf(wire.care.signIn), 9 * 1024, 413],
    ['a student’s link more', () => urlOf(wire.page.logSet, { token }), USUAL_BODY + 1, 413],
    ['a form of the coach’s as much', () => urlOf(wire.intake.listStudents), USUAL_BODY + 1, 413],
    [
      'a document has its own limit',
      () => urlOf(wire.capture.listSwings, { id: student }),
      DOCUMENT_BODY + 1,
      413,
    ],
  ])('%s', async (_, url, length, status) => {
    const body = JSON.stringify({ passphrase: 'x'.repeat(length) });
    expect(await send(typeof url === 'string' ? url : url(), body)).toEqual({
      status,
      code: 'body_too_heavy',
    });
  });

  test.each([
    ['open brackets', '['.repeat(8000), 413],
    ['brackets that are closed', `${'['.repeat(3000)}${']'.repeat(3000)}`, 413],
    ['objects in objects', '{"a":'.repeat(1000), 413],
    ['no JSON', '{"passphrase":', 400],
    ['a key that reaches into every object', '{"__proto__":{"x":1},"passphrase":"aaaaaaaaaaaa"}', 400],
    ['the same in escapes', '{"\\u005f_proto__":{"x":1},"passphrase":"aaaaaaaaaaaa"}', 400],
  ])('%s are refused before they are read', async (_, body, status) => {
    expect((await send(urlOf(wire.care.signIn), body)).status).toBe(status);
  });

  test('many small values in one document are refused, too', async () => {
    const body = `{"marks":[${'[],'.repeat(100_000)}[]]}`;
    expect(await send(urlOf(wire.capture.listSwings, { id: student }), body)).toEqual({
      status: 413,
      code: 'body_too_heavy',
    });
  });
  test('a large document is read on a worker, and what is no JSON there is said to be none', async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => `${i / 1000},${50 + (i % 40)}`).join('\n');
    const csv = `seconds,lead\n${rows}`;
    const sets = {
      id: randomUUID(),
      recordedOn: '2027-03-01',
      swingId: null,
      fileName: 'a.csv',
      csv,
      matches: [],
    };
    const path = urlOf(wire.capture.listShots, { id: student });
    // It got as far as the reading of the table itself.
    expect((await send(path, JSON.stringify(sets))).code).toBe('too_many_rows');
    expect(await send(path, `${JSON.stringify(sets)}}`)).toEqual({ status: 400, code: 'bad_input' });
    expect((await send(path, JSON.stringify(sets).replace('"id"', '"__proto__"'))).status).toBe(400);
  });
  test('a body of mistakes is answered with the first of them', async () => {
    const { body } = await server.refused(wire.capture.addSwing, {
      id: student,
      body: {
        ...{ id: student, recordedOn: '2027-03-01', club: 'x', speed: 'x', views: [] },
        marks: Array.from({ length: 700 }, () => 0),
      },
    });
    expect(body.problems).toHaveLength(20);
  });
  test('other kinds of text are not read at all', async () => {
    for (const type of ['text/plain', 'application/xml', 'application/x-www-form-urlencoded'])
      expect((await send(urlOf(wire.care.signIn), 'passphrase=aaaa', type)).status).toBe(415);
  });
});
