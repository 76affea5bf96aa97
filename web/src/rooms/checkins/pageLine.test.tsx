import * as wire from '@inchstep/contract/endpoints';
import { to } from '../../testing/screen.tsx';
import 'fake-indexeddb/auto';
import { afterEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { fakeServer, Refused } from '../../testing/screen.tsx';
import { usePageLine } from './usePageLine.ts';

afterEach(cleanup);

const heard = { studentId: 'x', firstName: 'Gus', drills: [] };
const NO_LINE = () => {
  throw new TypeError('failed to fetch');
};
function line() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  return renderHook(() => usePageLine('tok-12345678'), { wrapper }).result;
}

describe('the line of a student’s page', () => {
  test('asked again after it failed, it is lost until something is heard: nothing on the page goes away meanwhile', async () => {
    fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: NO_LINE });
    const at = line();
    await waitFor(() => expect(at.current.lost).toBe(true));
    let answer: (page: object) => void = () => undefined;
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: () => new Promise((done) => (answer = done)),
    });
    act(() => at.current.again());
    await waitFor(() => expect(at.current.error).toBeNull());
    expect(at.current.lost).toBe(true);
    await act(async () => answer(heard));
    await waitFor(() => expect(at.current.heard).toEqual(heard));
    expect(at.current.lost).toBe(false);
  });
  test('a line that says nothing for long is none', async () => {
    fakeServer({ [to(wire.page.readPage, { token: 'tok-12345678' })]: () => new Promise(() => undefined) });
    const at = line();
    expect(at.current.lost).toBe(false);
    await waitFor(() => expect(at.current.lost).toBe(true), { timeout: 4000 });
  });
  test('a closed link is refused, and not lost', async () => {
    fakeServer({
      [to(wire.page.readPage, { token: 'tok-12345678' })]: new Refused(410, 'link_closed', 'closed'),
    });
    const at = line();
    await waitFor(() => expect(at.current.refused).not.toBeNull());
    expect(at.current).toMatchObject({ lost: false, kept: null });
  });
});
