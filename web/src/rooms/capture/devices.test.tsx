import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { fileKind } from './fileKind.ts';
import { PressurePanel } from './PressurePanel.tsx';
import { ShotsImport } from './ShotsImport.tsx';
import { ShotsPanel } from './ShotsPanel.tsx';

const sent: { method: string; url: string; body: unknown }[] = [];
let answers: Record<string, unknown> = {};
beforeEach(() => {
  sent.length = 0;
  answers = {};
  globalThis.fetch = jest.fn(async (url: unknown, init?: RequestInit) => {
    sent.push({
      method: init?.method ?? 'GET',
      url: String(url),
      body: init?.body ? JSON.parse(String(init.body)) : null,
    });
    const body = answers[String(url)] ?? null;
    return { ok: true, json: async () => body, text: async () => String(body) } as Response;
  }) as unknown as typeof fetch;
});
afterEach(cleanup);
const show = (what: ReactElement) =>
  render(<QueryClientProvider client={new QueryClient()}>{what}</QueryClientProvider>);

describe('what a file holds', () => {
  test.each([
    ['swing.c3d', [], 'motion'],
    ['swing.trc', [], 'motion'],
    ['a.csv', ['time_s', 'lead_hip_x_in', 'lead_hip_y_in'], 'motion'],
    ['a.csv', ['Time', 'L_HIP.X', 'L_HIP.Y'], 'motion'],
    ['a.csv', ['time_s', 'lead_pct'], 'pressure'],
    ['a.csv', ['Time (ms)', 'Trail %'], 'pressure'],
    ['a.csv', ['shot', 'Ball Speed', 'Carry'], 'shots'],
    ['a.csv', ['Time', 'Ball Speed', 'Carry'], 'shots'],
    ['a.csv', [], 'shots'],
  ] as const)('%s with %j: %s', (name, headings, kind) => {
    expect(fileKind(name, headings)).toBe(kind);
  });
});

describe('bringing shots in', () => {
  const rows = [
    ['Shot', 'Ball Speed', 'Carry (m)', 'Low'],
    ['1', '110', '140', '-1'],
    ['2', '112', '142', '-2'],
  ];
  const table = { fileName: 'bay.csv', text: rows.map((r) => r.join(',')).join('\n'), rows };
  const open = async () => {
    show(<ShotsImport studentId="s1" today="2027-03-01" table={table} onDone={() => {}} />);
    await screen.findByText('Bring in 2 shots');
  };
  const column = (name: string) => screen.getByLabelText(`Column for ${name}`) as HTMLSelectElement;

  test('columns and units are guessed and shown with their first values', async () => {
    answers[urlOf(wire.capture.listMatches)] = [];
    await open();
    expect(column('Ball speed').value).toBe('Ball Speed');
    expect(column('Low point').value).toBe('');
    expect((screen.getByLabelText('Unit of Carry') as HTMLSelectElement).value).toBe('m');
    expect(screen.getByText('110 · 112')).toBeTruthy();
  });
  test('what the coach corrects is what is sent', async () => {
    answers[urlOf(wire.capture.listMatches)] = [];
    answers[urlOf(wire.capture.listShots, { id: 's1' })] = { shots: [{}, {}] };
    await open();
    fireEvent.change(column('Low point'), { target: { value: 'Low' } });
    fireEvent.change(screen.getByLabelText('Plus side of Low point'), { target: { value: 'minus' } });
    fireEvent.change(screen.getByLabelText('Unit of Ball speed'), { target: { value: 'km/h' } });
    fireEvent.click(screen.getByText('Bring in 2 shots'));
    await waitFor(() => expect(sent.some((s) => s.method === 'POST')).toBe(true));
    expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({
      fileName: 'bay.csv',
      recordedOn: '2027-03-01',
      csv: table.text,
      matches: expect.arrayContaining([
        { field: 'lowPointIn', column: 'Low', unit: 'in', flipped: true },
        { field: 'ballSpeedMph', column: 'Ball Speed', unit: 'km/h', flipped: false },
        { field: 'carryYd', column: 'Carry (m)', unit: 'm', flipped: false },
      ]),
    });
  });
  test('a file with the same headings is matched as last time', async () => {
    const remembered = { field: 'carryYd', column: 'Ball Speed', unit: 'ft', flipped: false };
    answers[urlOf(wire.capture.listMatches)] = [{ headings: rows[0], matches: [remembered] }];
    await open();
    expect(column('Carry').value).toBe('Ball Speed');
    expect(column('Ball speed').value).toBe('');
    expect(screen.getByText(/Matched as last time/)).toBeTruthy();
  });
});

test('shots show means with their give or take, and what they show or rule out', async () => {
  const shots = [-1, -1.2, -0.8, -1.1, -0.9].map((lowPointIn) => ({ lowPointIn, carryYd: 150 }));
  const set = {
    id: 'x',
    studentId: 's1',
    recordedOn: '2027-03-01',
    swingId: null,
    fileName: 'bay.csv',
    count: shots.length,
    discardedAt: null,
    createdAt: '',
  };
  answers[urlOf(wire.capture.readShots, { id: 'x' })] = { ...set, shots };
  show(<ShotsPanel studentId="s1" sets={[set]} swings={[]} today="2027-03-01" />);
  expect((await screen.findByText('Low point')).nextSibling?.textContent).toBe(
    '1.0 in behind the ball ± 0.1',
  );
  expect(screen.getByText('the shots show it').parentElement?.textContent).toMatch(/^low point behind/);
});

test('pressure is read at each named station, on the mat’s clock', async () => {
  const times = Array.from({ length: 21 }, (_, i) => i / 10);
  answers[urlOf(wire.capture.readPressure, { id: 'w1' })] = {
    fileName: 'mat.csv',
    offsetSeconds: 0.5,
    times,
    leadPct: times.map((t) => 50 + 20 * t),
  };
  show(<PressurePanel swingId="w1" stationTimes={{ address: 0.5, top: 1.5 }} />);
  const list = await screen.findByTestId('pressure-stations');
  expect(list.textContent).toBe('Address (A) 50 % leadTop (T) 70 % lead');
});
