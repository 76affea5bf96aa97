import type { Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { afterEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { fakeServer, Refused, to } from '../../testing/screen.tsx';
import type { SwingWork } from '../capture/index.ts';
import { useAutosave } from './useAutosave.ts';

afterEach(cleanup);

const swing = {
  id: 's1',
  studentId: 'x',
  version: 3,
  recordedOn: '2027-03-08',
  club: 'mid_iron',
  speed: 'full',
  views: [],
  marks: [],
} as unknown as Swing;
const mark = (u: number) =>
  ({ view: 'face_on', station: 'top', landmark: 'lead_hip', u, v: 5, sdPx: 2 }) as const;
const work = (...marks: ReturnType<typeof mark>[]): SwingWork => ({
  views: [],
  marks,
  made: { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null },
});

function start(first: SwingWork) {
  const client = new QueryClient();
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  return renderHook((now: SwingWork) => useAutosave(swing, now), { wrapper, initialProps: first });
}
/** A server that counts versions as the real one does. */
function versions(more: Record<string, unknown> = {}) {
  let version = swing.version;
  return fakeServer({
    [to(wire.capture.editSwing, { id: 's1' })]: ({ body }: { body: unknown }) => {
      const sent = body as { version: number };
      if (sent.version !== version) return new Refused(409, 'changed_meanwhile', 'Changed meanwhile.');
      version++;
      return { ...swing, version };
    },
    [to(wire.measures.measureSwing, { id: 's1' })]: { swingId: 's1', measures: [] },
    ...more,
  });
}
const puts = (log: ReturnType<typeof versions>) => log.filter((a) => a.method === 'PUT');

describe('work on the bench', () => {
  test('that has not changed is not sent', async () => {
    const log = versions();
    const hook = start(work());
    await act(() => new Promise((done) => setTimeout(done, 700)));
    expect(log).toEqual([]);
    expect(hook.result.current).toEqual({ text: '', busy: false });
  });
  test('is kept shortly after a change, once, and measured anew', async () => {
    const log = versions();
    const hook = start(work());
    hook.rerender(work(mark(1)));
    hook.rerender(work(mark(2)));
    expect(hook.result.current.busy).toBe(true);
    await waitFor(() => expect(hook.result.current.text).toBe('Saved'));
    expect(puts(log)).toHaveLength(1);
    expect(puts(log)[0]?.body).toMatchObject({ version: 3, marks: [{ u: 2 }] });
    expect(log.filter((a) => a.method === 'POST')).toHaveLength(1);
  });
  test('without a mark it is kept but not measured', async () => {
    const log = versions();
    const hook = start(work(mark(1)));
    hook.rerender(work());
    await waitFor(() => expect(hook.result.current.text).toBe('Saved'));
    expect(log.some((a) => a.method === 'POST')).toBe(false);
  });
  test('a change during a save waits for the version it brings back', async () => {
    let letGo: () => void = () => undefined;
    const slow = new Promise<void>((done) => {
      letGo = done;
    });
    const log = versions({
      [to(wire.measures.measureSwing, { id: 's1' })]: async () => {
        await slow;
        return { swingId: 's1', measures: [] };
      },
    });
    const hook = start(work());
    hook.rerender(work(mark(1)));
    await waitFor(() => expect(puts(log)).toHaveLength(1));
    hook.rerender(work(mark(2)));
    await act(() => new Promise((done) => setTimeout(done, 700)));
    expect(puts(log)).toHaveLength(1);
    letGo();
    await waitFor(() => expect(puts(log)).toHaveLength(2));
    expect(puts(log).map((a) => (a.body as { version: number }).version)).toEqual([3, 4]);
    await waitFor(() => expect(hook.result.current.text).toBe('Saved'));
  });
  test('is not called saved while something newer waits', async () => {
    const log = versions();
    const hook = start(work());
    hook.rerender(work(mark(1)));
    await waitFor(() => expect(hook.result.current.text).toBe('Saved'));
    hook.rerender(work(mark(2)));
    expect(hook.result.current).toEqual({ text: 'Saving …', busy: true });
    await waitFor(() => expect(hook.result.current.text).toBe('Saved'));
    expect(puts(log)).toHaveLength(2);
  });
  test('is sent when the bench is left before its time, once', async () => {
    const log = versions();
    const hook = start(work());
    hook.rerender(work(mark(1)));
    hook.unmount();
    await waitFor(() => expect(log.filter((a) => a.method === 'POST')).toHaveLength(1));
    expect(puts(log).map((a) => (a.body as SwingWork).marks[0]?.u)).toEqual([1]);
  });
  test('is sent when the page itself goes, and nothing when all is kept', async () => {
    const log = versions();
    const hook = start(work());
    window.dispatchEvent(new Event('pagehide'));
    expect(log).toEqual([]);
    hook.rerender(work(mark(7)));
    window.dispatchEvent(new Event('pagehide'));
    await waitFor(() => expect(puts(log)[0]?.body).toMatchObject({ version: 3, marks: [{ u: 7 }] }));
  });
  test('a refusal is said in the server’s words, and the next change tries again', async () => {
    const log = versions({
      [to(wire.capture.editSwing, { id: 's1' })]: new Refused(
        409,
        'changed_meanwhile',
        'Changed meanwhile. Load it again.',
      ),
    });
    const hook = start(work());
    hook.rerender(work(mark(1)));
    await waitFor(() => expect(hook.result.current.text).toBe('Changed meanwhile. Load it again.'));
    expect(hook.result.current.busy).toBe(false);
    hook.rerender(work(mark(2)));
    await waitFor(() => expect(puts(log)).toHaveLength(2));
  });
  test('no connection is said plainly', async () => {
    globalThis.fetch = (() => Promise.reject(new TypeError('offline'))) as unknown as typeof fetch;
    const hook = start(work());
    hook.rerender(work(mark(1)));
    await waitFor(() => expect(hook.result.current.text).toMatch(/connection/i));
    expect(hook.result.current.busy).toBe(false);
  });
});
