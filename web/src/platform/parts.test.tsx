import * as wire from '@inchstep/contract/endpoints';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { call } from './http.ts';
import { HttpError } from './httpError.ts';
import { dayText, Failed, Shown } from './parts.tsx';

afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

describe('dayText', () => {
  test.each([
    ['2027-03-10', 'today'],
    [new Date('2027-03-09T23:30:00').toISOString(), 'yesterday'],
    [new Date('2027-03-10T00:30:00').toISOString(), 'today'],
    ['2027-03-11', 'tomorrow'],
    ['2027-03-05', '5 days ago'],
    ['2027-03-20', 'in 10 days'],
    ['2027-02-01', '1 Feb 2027'],
    ['2028-01-02', '2 Jan 2028'],
  ])('%s', (at, said) => {
    expect(dayText(at, '2027-03-10')).toBe(said);
  });
});

describe('a query’s three faces', () => {
  const shown = (query: { data?: string; error?: unknown }) => {
    const refetch = jest.fn();
    render(
      <Shown query={{ data: query.data, error: query.error, refetch }} what="the roster">
        {(data) => <p>{data}</p>}
      </Shown>,
    );
    return refetch;
  };
  test('loading says what is fetched', () => {
    shown({});
    expect(screen.getByRole('status').textContent).toContain('Fetching the roster');
  });
  test('data, even when a later fetch failed', () => {
    shown({ data: 'nine students', error: new Error('x') });
    expect(screen.getByText('nine students')).toBeTruthy();
  });
  test('a failure shows its words and a way to try again', () => {
    const failure = { code: 'offline', message: 'No connection to the program.', problems: [] };
    const refetch = shown({ error: new HttpError(0, failure) });
    expect(screen.getByRole('alert').textContent).toContain('No connection');
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(refetch).toHaveBeenCalledTimes(1);
  });
  test('a fault of the screen itself shows no stack', () => {
    render(<Failed error={new TypeError('undefined is not a function')} />);
    expect(screen.getByRole('alert').textContent).not.toContain('undefined');
  });
});

describe('asking the server', () => {
  const answer = (status: number, body: unknown) =>
    ({ ok: status < 300, status, json: async () => body }) as Response;
  const asked = (reply: () => Promise<Response>) => {
    globalThis.fetch = jest.fn(reply) as unknown as typeof fetch;
  };
  test('a good answer is its body', async () => {
    asked(async () => answer(200, [1, 2]));
    expect(await call(wire.care.readCare)).toEqual([1, 2]);
  });
  test('a refusal carries its words, and whether trying again could help', async () => {
    asked(async () =>
      answer(409, { code: 'changed_meanwhile', message: 'Somebody was quicker.', problems: [] }),
    );
    const error = await call(wire.care.keepContact, { body: { contact: 'a' } }).catch(
      (e: unknown) => e as HttpError,
    );
    expect(error).toMatchObject({ status: 409, message: 'Somebody was quicker.', final: true });
    expect(new HttpError(429, { code: 'x', message: '', problems: [] }).final).toBe(false);
    expect(new HttpError(503, { code: 'x', message: '', problems: [] }).final).toBe(false);
  });
  test('no line at all is told as such', async () => {
    asked(async () => Promise.reject(new TypeError('failed')));
    expect(await call(wire.care.readCare).catch((e: unknown) => e as HttpError)).toMatchObject({
      status: 0,
      final: false,
    });
  });
});
