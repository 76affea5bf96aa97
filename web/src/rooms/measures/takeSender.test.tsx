import * as wire from '@inchstep/contract/endpoints';
import { call } from '../../platform/http.ts';
import { to } from '../../testing/screen.tsx';
import 'fake-indexeddb/auto';
import { afterEach, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { sendingStore } from '../../platform/sendingStore.ts';
import { fakeServer, ME, Refused } from '../../testing/screen.tsx';
import { useTakeSender } from './useTakeSender.ts';

afterEach(cleanup);

const film = () => new File(['film'], 'take.webm', { type: 'video/webm' });
function sender(answers: Readonly<Record<string, unknown>>) {
  const log = fakeServer({ [to(wire.care.me)]: ME, ...answers });
  const taken: string[] = [];
  const client = new QueryClient({ defaultOptions: { mutations: { retry: false } } });
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const hook = renderHook(() => useTakeSender('s1', (id) => taken.push(id)), { wrapper });
  return { log, taken, hook };
}

test('without a line a take is kept on the device, and the button tries again', async () => {
  const { taken, hook } = sender({});
  await act(async () => void hook.result.current.put([{ file: film(), kind: 'face_on' }]));
  // jsdom has no line to send pieces over: it waits.
  await waitFor(() => expect(hook.result.current.sendings.map(({ state }) => state)).toEqual(['waits']));
  expect(taken).toEqual([]);
  const kept = await (await sendingStore()).all('coach.s1');
  expect(kept).toHaveLength(1);
  expect(kept[0]?.body).toMatchObject({
    kind: 'face_on',
    note: { swingId: expect.stringMatching(/^[0-9a-f-]{36}$/) },
  });
});

test('what the program refuses is told in its words', async () => {
  const whole = { pieces: 'a'.repeat(32), id: 'c1', kind: 'face_on' as const, recordedOn: '2027-03-10' };
  const at = { id: 's1', takeId: 't1' };
  fakeServer({
    [to(wire.practice.addDeskTake, at)]: new Refused(400, 'clip_not_video', 'That is no film.'),
  });
  await expect(call(wire.practice.addDeskTake, { ...at, body: whole })).rejects.toThrow('That is no film.');
});

test('one camera that broke takes nothing from the other', async () => {
  const { filmedOf } = await import('./useTakeSender.ts');
  const good = { kind: 'face_on' as const, file: film() };
  const { whole, broken } = await filmedOf([Promise.resolve(good), Promise.reject(new Error('encoding'))]);
  expect(whole).toEqual([good]);
  expect(broken?.message).toMatch(/could not be recorded/);
  expect((await filmedOf([Promise.resolve(good)])).broken).toBeNull();
});
