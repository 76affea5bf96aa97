import * as wire from '@inchstep/contract/endpoints';
import type { MeasureStory } from '@inchstep/contract/progress';
import { bandFor, resolveSchool } from '@inchstep/core/intake';
import { HOUSE_LIBRARY } from '@inchstep/core/prescription';
import { measureStory, progressOf, type StudentRecord } from '@inchstep/core/progress';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { ProgressScreen } from './ProgressScreen.tsx';

afterEach(cleanup);

const ME = { coach: { id: 'c', name: 'Ilse Varga' }, today: '2027-04-20' };
const BODY = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool({}),
} as const;

interface Day {
  readonly on: string;
  readonly shows: Readonly<Record<string, readonly number[]>>;
  readonly cue?: 'before' | 'after';
  readonly club?: string;
}

/** A student's file in which only films are. */
function recordOf(days: readonly Day[]): StudentRecord {
  const readings = days.flatMap(({ on, shows, cue = 'before', club = 'mid_iron' }, d) =>
    [0, 1, 2].map((i) => ({
      swingId: `${d} ${i}`,
      recordedOn: on,
      speed: 'full',
      club,
      aid: 'off' as const,
      place: 'range' as const,
      cue,
      at: `${on}T10:0${i}:00Z`,
      measures: Object.entries(shows).map(([id, values]) => ({
        id,
        value: values[i] as number,
        sd: 0.2,
        verdict: 'low' as const,
        band: bandFor(id, BODY),
      })),
    })),
  );
  return {
    intake: { lessons: [] },
    measures: { readings },
    prescription: { choices: [] },
    practice: { sets: [], gates: [], plan: null },
    checkins: { checkins: [] },
  } as unknown as StudentRecord;
}

const NO_DATES = {
  told: [],
  score: { judged: 0, waiting: 0, held: 0, sooner: 0, later: 0, fifths: [0, 0, 0, 0, 0], brier: null },
};

const show = (days: readonly Day[], besides: Partial<Pick<MeasureStory, 'dates' | 'felt' | 'ball'>> = {}) => {
  const record = recordOf(days);
  const progress = progressOf(record, HOUSE_LIBRARY);
  fakeServer({
    [to(wire.care.me)]: ME,
    [to(wire.progress.readProgress, { id: 'x' })]: progress,
    [to(wire.diagnosis.listDiagnoses, { id: 'x' })]: [],
    ...Object.fromEntries(
      progress.series.map(({ measure }) => [
        to(wire.progress.readMeasure, { id: 'x', measure }),
        {
          ...measureStory(record, HOUSE_LIBRARY, measure, ME.today),
          ...{ dates: NO_DATES, felt: null, ball: [], ...besides },
        },
      ]),
    ),
  });
  draw(<ProgressScreen />, { context: { student: { id: 'x', profile: { handedness: 'right' } } } });
};
const weekly = (values: readonly number[], id = 'shift_top'): Day[] =>
  values.map((at, i) => ({
    on: `2027-0${i < 4 ? 3 : 4}-${String(1 + 7 * (i % 4)).padStart(2, '0')}`,
    shows: { [id]: [at - 0.1, at, at + 0.1] },
  }));
/** Two inches out of its band, then well inside it. */
const BETTER = [-2.4, -2.3, -0.1, 0.1, 0, 0.1];

describe('what can be said of a measure', () => {
  test('a change that is real is told in one sentence, with what it stands on', async () => {
    show(weekly(BETTER));
    const said = await screen.findByTestId('verdict');
    expect(said.dataset.verdict).toBe('real');
    expect(said.textContent).toMatch(/^Really better: \+[\d.]+ in since/);
    expect(screen.getByText(/19 times in 20/).textContent).toMatch(/In band now: \d+ in 100/);
    expect(screen.getByText(/Told of mid iron, full, without the drill/)).toBeTruthy();
    expect(screen.getByRole('img', { name: /its level over 6 days/ })).toBeTruthy();
  });
  test('one day shows no change, and says so', async () => {
    show(weekly([0]));
    expect(await screen.findByText(/One day alone can’t show a change/)).toBeTruthy();
    expect(screen.queryByTestId('verdict')).toBeNull();
  });
  test('days that are alike are the same, to within a step', async () => {
    show(weekly([-2.2, -2.25, -2.2, -2.15, -2.2]));
    expect((await screen.findByTestId('verdict')).textContent).toMatch(/^The same as on .* to within 0.8 in/);
    expect(screen.getByText('no trend yet')).toBeTruthy();
  });
  test('two clubs are two questions', async () => {
    const [first, second] = weekly([-2.4, 0.1]) as [Day, Day];
    show([first, { ...second, club: 'driver' }]);
    expect(await screen.findByText(/One day alone can’t show a change/)).toBeTruthy();
    const holds = within(screen.getByRole('region', { name: 'Where it holds' }));
    expect(holds.getByRole('columnheader', { name: 'Driver, range' })).toBeTruthy();
    expect(holds.getByRole('columnheader', { name: 'Mid iron, range' })).toBeTruthy();
  });
  test('swings before the work began are hollow; the level is drawn as it is believed', async () => {
    show(weekly(BETTER));
    await screen.findByTestId('verdict');
    const picture = screen.getByRole('img', { name: /its level/ });
    const hollow = picture.querySelectorAll('rect[fill="none"]');
    expect(hollow).toHaveLength(3);
    expect(picture.querySelectorAll('[data-testid="level"] path')).toHaveLength(2);
  });
  test('the same in numbers, day by day, with what was said then', async () => {
    show(weekly(BETTER));
    await screen.findByTestId('verdict');
    const details = screen.getByText('As a table').closest('details') as HTMLElement;
    const rows = within(details).getAllByRole('row');
    expect(rows).toHaveLength(7);
    expect(rows[1]?.textContent).toContain('-2.4 in');
    expect(rows.at(-1)?.textContent).toContain('really');
  });
});

describe('what fills the list', () => {
  test('what can’t be told is folded away', async () => {
    show([
      { on: '2027-03-01', shows: { shift_top: [-2.3, -2.4, -2.2], turn_top: [60, 61, 59] } },
      { on: '2027-03-08', shows: { shift_top: [-2.3, -2.2, -2.2], turn_top: [52, 53, 51] } },
    ]);
    const folded = (await screen.findByText(/that can’t be told yet$/)).closest(
      'details',
    ) as HTMLDetailsElement;
    expect(within(folded).getByText('Hip turn at the top')).toBeTruthy();
  });
  test('another measure is a press away', async () => {
    show([{ on: '2027-03-01', shows: { shift_top: [0, 0.1, 0], turn_top: [60, 61, 59] } }]);
    fireEvent.click(await screen.findByRole('button', { name: /Hip turn at the top/ }));
    expect(await screen.findByRole('heading', { name: 'Hip turn at the top' })).toBeTruthy();
  });
  test('nothing measured is an empty state with what to do', async () => {
    show([]);
    expect(await screen.findByText('No line yet')).toBeTruthy();
  });
});

describe('does it last, and when', () => {
  test('what was left a week later is told by the length of the gap', async () => {
    const day = (on: string, cue: 'before' | 'after', at: number): Day => ({
      on,
      cue,
      shows: { shift_top: [at - 0.05, at, at + 0.05] },
    });
    show([day('2027-03-01', 'before', -3), day('2027-03-01', 'after', 0), day('2027-03-08', 'before', -1.5)]);
    const lasts = within(await screen.findByRole('region', { name: 'Does it last?' }));
    expect(lasts.getByText('After 8 days at most')).toBeTruthy();
    expect(lasts.getByText(/^(49|50|51) in 100 of the gain was there/)).toBeTruthy();
  });
  test('what is in band has no date to wait for', async () => {
    show(weekly([-2.4, 0, 0.1, 0, 0.1, 0]));
    expect(await screen.findByText(/^In band already/)).toBeTruthy();
    expect(screen.queryByTestId('due')).toBeNull();
  });
  test('a gain that goes on has a date with its interval', async () => {
    show(weekly([-3.7, -3.4, -3.1, -2.8, -2.5, -2.2, -1.9, -1.6]));
    const when = within(await screen.findByRole('region', { name: 'When' }));
    expect(when.getAllByText(/, 8 times in 10\)$/).length).toBeGreaterThan(0);
    expect(screen.getByTestId('due')).toBeTruthy();
  });
});

describe('what stands beside a measure', () => {
  const ONE = {
    measure: 'shift_top',
    kind: 'in_band' as const,
    askedOn: '2027-03-15',
    cell: 'full off mid_iron',
    lo: -0.8,
    hi: 0.8,
    likely: '2027-03-30',
    lo80: '2027-03-25',
    hi80: '2027-04-20',
  };
  test('dates told before, what came, and how many held', async () => {
    const came = { ...ONE, came: '2027-04-08', notBy: '2027-04-01', pit: 0.6, next: null };
    const open = { ...ONE, kind: 'owned' as const, came: null, notBy: '2027-04-08', pit: null, next: null };
    const score = { ...NO_DATES.score, judged: 9, held: 7, later: 2, fifths: [1, 2, 3, 1, 2] };
    show(weekly(BETTER), { dates: { told: [came, open], score } });
    expect((await screen.findByText(/told dates held/)).textContent).toMatch(/7 of 9 .* Too few/);
    fireEvent.click(screen.getByText('2 dates told before'));
    expect(screen.getByText(/^between .* and /)).toBeTruthy();
    expect(screen.getByText('not yet, still within it')).toBeTruthy();
  });
  test('felt against measured counts what was felt as nothing; unasked says how to begin', async () => {
    const answers = [
      { at: '2027-03-09T10:00:00Z', felt: 0, measured: 1.5 },
      { at: '2027-03-02T10:00:00Z', felt: 3, measured: 1.5 },
    ];
    show(weekly(BETTER), { felt: { answers, per: 1.2, lo95: 0.7, hi95: 1.7, nothingFelt: 1 } });
    expect(await screen.findByText(/Feels 1.2 times what is measured/)).toBeTruthy();
    expect(screen.getByRole('img', { name: /felt 3.0 in, measured 1.5 in; felt 0.0 in/ })).toBeTruthy();
    expect(screen.getByText(/2 answers, 1 of them felt as nothing/)).toBeTruthy();
    cleanup();
    show(weekly(BETTER));
    expect(await screen.findByText(/Nobody has been asked yet/)).toBeTruthy();
    expect(screen.getByText(/20 shots are in from 3 days/)).toBeTruthy();
  });
  test('the ball went together, and is never called a cause', async () => {
    const days = [0, 1, 2].map((i) => ({ date: `2027-03-0${i + 1}`, body: i - 2, ball: i / 2, shots: 8 }));
    const ball = [{ field: 'lowPointIn' as const, unit: 'in', shots: 24, days, went: 'together' as const }];
    show(weekly(BETTER), { ball });
    expect(await screen.findByText('Low point went together with it')).toBeTruthy();
    expect(screen.getByText(/24 shots on 3 days/)).toBeTruthy();
    expect(screen.queryByText(/caused/)).toBeNull();
    expect(screen.getByRole('img', { name: /ball 0.5 in/ })).toBeTruthy();
  });
});
