import { type AddressOf, type Args, urlOf, type Asked as Wired } from '@inchstep/contract/wire/address';
import { DRILL_WORDS, HOUSE_WORDS } from '@inchstep/contract/words';
import { jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { type RenderResult, render } from '@testing-library/react';
import type { ReactElement, ReactNode } from 'react';
import { MemoryRouter, Outlet, Route, Routes } from 'react-router';
import { DrillNamesOf } from '../platform/drillNames.tsx';
import { SettingsProvider } from '../platform/settings.tsx';
import { WordsOf } from '../rooms/prescription/libraryWords.tsx';

const HOUSE_IDS = Object.keys(DRILL_WORDS);

export interface Asked {
  readonly method: string;
  readonly url: string;
  readonly body: unknown;
}
type Reply = unknown | ((asked: Asked) => unknown);

/** How the fake server names what it is asked: "GET /api/queue". */
export const to = <E extends Wired>(endpoint: E, ...args: Args<AddressOf<E>>): string =>
  `${endpoint.method} ${urlOf(endpoint, ...args)}`;

/** A server of a few answers: `[to(wire.progress.listQueue)]: rows`; what was asked is kept. */
export function fakeServer(replies: Readonly<Record<string, Reply>>): Asked[] {
  const log: Asked[] = [];
  globalThis.fetch = jest.fn(async (url: unknown, init?: { method?: string; body?: unknown }) => {
    const asked = {
      method: init?.method ?? 'GET',
      url: String(url),
      body: init?.body ? JSON.parse(String(init.body)) : undefined,
    };
    log.push(asked);
    const reply = replies[`${asked.method} ${asked.url}`];
    if (reply === undefined)
      return answer(404, { code: 'not_found', message: `no ${asked.url}`, problems: [] });
    const said = typeof reply === 'function' ? await (reply as (a: Asked) => unknown)(asked) : reply;
    return said instanceof Refused ? answer(said.status, said.body) : answer(200, said);
  }) as unknown as typeof fetch;
  return log;
}

export class Refused {
  readonly status: number;
  readonly body: { code: string; message: string; problems: [] };
  constructor(status: number, code: string, message: string) {
    this.status = status;
    this.body = { code, message, problems: [] };
  }
}

const answer = (status: number, body: unknown) => ({
  ok: status < 300,
  status,
  json: async () => body,
  blob: async () => new Blob([]),
});

export const ME = { state: 'signed_in', coach: 'Ilse Varga', demo: false, today: '2027-03-10' };

/** Draws a screen inside everything it expects around it; `context` is what its frame would hand down. */
export function draw(
  what: ReactElement,
  at: { readonly path?: string; readonly url?: string; readonly context?: unknown } = {},
): RenderResult {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false }, mutations: { retry: false } },
  });
  const frame: ReactNode = <Outlet context={at.context} />;
  return render(
    <QueryClientProvider client={client}>
      <SettingsProvider>
        <DrillNamesOf ids={HOUSE_IDS} nameOf={HOUSE_WORDS.nameOf}>
          <WordsOf words={HOUSE_WORDS}>
            <MemoryRouter initialEntries={[at.url ?? '/']}>
              <Routes>
                <Route element={frame}>
                  <Route path={at.path ?? '/'} element={what} />
                  <Route path="*" element={<p>elsewhere</p>} />
                </Route>
              </Routes>
            </MemoryRouter>
          </WordsOf>
        </DrillNamesOf>
      </SettingsProvider>
    </QueryClientProvider>,
  );
}
