import { describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { useSend } from './useSend.ts';

function start(send: (id: string, input: { word: string }) => Promise<string>) {
  const client = new QueryClient({ defaultOptions: { mutations: { retry: false } } });
  const asked: unknown[] = [];
  client.invalidateQueries = async (filter) => {
    asked.push(filter?.queryKey);
  };
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useSend({ send, student: 's1' }), { wrapper });
  const say = (word: string) => act(() => result.current.mutateAsync({ word }).catch(() => undefined));
  return { say, asked };
}

describe('a write with an id of its own', () => {
  test('keeps its id while it is tried, takes another for the next, and for another word', async () => {
    const ids: string[] = [];
    let lost = true;
    const { say, asked } = start(async (id) => {
      ids.push(id);
      if (lost) throw new Error('no signal');
      return id;
    });
    await say('up');
    await say('up');
    expect(ids[0]).toBe(ids[1]);
    await say('down');
    expect(ids[2]).not.toBe(ids[1]);
    lost = false;
    await say('down');
    expect(ids[3]).toBe(ids[2]);
    await say('down');
    expect(ids[4]).not.toBe(ids[3]);
    expect(asked).toContainEqual(['students', 's1']);
    expect(asked).toContainEqual(['queue']);
  });
});
