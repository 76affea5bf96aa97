import * as wire from '@inchstep/contract/endpoints';
import type { GateState } from '@inchstep/contract/practice';
import { referenceCase } from '@inchstep/core/diagnosis';
import {
  buildPlan,
  NOTHING_KNOWN,
  type PlanDay,
  type PlanItem,
  type Rep,
  readReps,
  repGate,
  USUAL_ASK,
} from '@inchstep/core/practice';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { DayList } from './DayList.tsx';
import { FullSpeedCheck } from './FullSpeedCheck.tsx';
import { GateDecision } from './GateDecision.tsx';
import { GateTape } from './GateTape.tsx';
import { LadderScreen } from './LadderScreen.tsx';

afterEach(cleanup);

const gateOf = (reps: string) => {
  const { decision, ...rest } = repGate(readReps(reps) as Rep[]);
  return { ...rest, decision: decision === 'hold' ? ('continue' as const) : decision };
};
const state = (reps: string, more: Partial<GateState> = {}): GateState => ({
  drill: 'knee_swap',
  stage: 'slow',
  finished: false,
  layer: 1,
  gate: { ...gateOf(reps), notYets: 0, more: 8 },
  measures: [{ id: 'lead_knee_in_top', swings: 0, inBand: null, open: false }],
  proposesDown: false,
  fullTest: null,
  held: [],
  ...more,
});

describe('the gate’s tape', () => {
  test('fills with what was owned and says so', () => {
    draw(<GateTape state={state('PPP')} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Gate: 49 % of the way');
    cleanup();
    draw(<GateTape state={state('PPPPPPP')} />);
    expect(screen.getByText('7 repetitions read; repetitions say: owned.')).toBeTruthy();
  });
  test('names everything that holds the rung', () => {
    draw(
      <GateTape
        state={state('PPPPPPP', {
          held: [
            { code: 'swings', measure: 'shift_impact', have: 1, need: 3 },
            { code: 'watch', measure: 'shift_impact' },
          ],
        })}
      />,
    );
    expect(screen.getByText('Film 2 more swings at this speed that show “Shift at impact”.')).toBeTruthy();
    expect(screen.getByText(/Being overdone: “Shift at impact”/)).toBeTruthy();
  });
});

describe('the coach’s answers', () => {
  const gate = (s: GateState) => {
    const log = fakeServer({ [to(wire.practice.decideGate, { id: 'x' })]: [s] });
    draw(<GateDecision studentId="x" state={s} />);
    return log;
  };
  test('an open gate offers the next rung', async () => {
    const log = gate(state('PPPPPPP'));
    fireEvent.click(screen.getByRole('button', { name: 'Move up' }));
    await waitFor(() => expect(log[0]?.body).toMatchObject({ decision: 'advance', stage: 'slow', note: '' }));
  });
  test('a test at full speed, seen to hold, takes the rungs below as passed', async () => {
    const { gate: count, measures, held } = state('PPPPPPP');
    const tested = state('PF', { fullTest: { gate: count, measures, held } });
    const log = fakeServer({ [to(wire.practice.decideGate, { id: 'x' })]: [tested] });
    draw(<FullSpeedCheck studentId="x" state={tested} />);
    fireEvent.click(screen.getByRole('button', { name: 'Count the stages below as passed' }));
    await waitFor(() => expect(log[0]?.body).toMatchObject({ decision: 'advance', stage: 'full', note: '' }));
  });
  test('is offered below full speed only', () => {
    draw(<FullSpeedCheck studentId="x" state={state('', { stage: 'full' })} />);
    expect(screen.queryByText('Test at full speed')).toBeNull();
  });
  test('ahead of the gate takes a reason, which is kept', async () => {
    const log = gate(state('PP', { held: [{ code: 'reps', tape: 0.3, more: 8 }] }));
    fireEvent.click(screen.getByRole('button', { name: 'Move up anyway' }));
    expect(log).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: 'seen it live' }));
    await waitFor(() => expect(log[0]?.body).toMatchObject({ decision: 'advance', note: 'seen it live' }));
  });
  test.each<[string, GateState['held'], string]>([
    ['nothing counted yet', [{ code: 'reps', tape: 0, more: 8 }], 'Skip this stage'],
    ['no film yet', [{ code: 'swings', measure: 'shift_top', have: 0, need: 3 }], 'Skip this stage'],
    ['a part of the count', [{ code: 'reps', tape: 0.2, more: 6 }], 'Move up anyway'],
    [
      'a measure outside its range',
      [{ code: 'measure', measure: 'shift_top', inBand: 0.4 }],
      'Move up anyway',
    ],
    ['nothing at all', [], 'Move up'],
  ])('with %s the key says “%s”', (_, held, name) => {
    gate(state('', { held }));
    expect(screen.getByRole('button', { name })).toBeTruthy();
  });
  test('never past pain, and never below the first rung', () => {
    gate(state('PPPPPPP', { held: [{ code: 'pain' }] }));
    expect((screen.getByRole('button', { name: 'Skip this stage' }) as HTMLButtonElement).disabled).toBe(
      true,
    );
    cleanup();
    gate(state('PP', { stage: 'still' }));
    expect((screen.getByRole('button', { name: 'Step back' }) as HTMLButtonElement).disabled).toBe(true);
  });
});

const ask = {
  start: '2027-03-10',
  nextLesson: null,
  days: ['mon', 'wed', 'fri', 'sun'],
  minutesPerDay: { sun: 40 },
  placeByDay: { sun: 'range' },
} as const;
const plan0 = buildPlan({
  ...NOTHING_KNOWN,
  ...USUAL_ASK,
  ...ask,
  file: referenceCase(),
  drills: ['knee_swap'],
});

describe('the ladder', () => {
  const plan = plan0;
  const student = {
    id: 'x',
    profile: { days: ask.days, minutesPerDay: {}, placeByDay: {}, nextLesson: null },
  };
  const choice = {
    id: 'c',
    diagnosisId: 'd',
    drills: ['knee_swap'],
    forFault: 'lead_knee_collapse',
    note: '',
    at: '2027-03-10T08:00:00.000Z',
    layers: {},
    endedAt: null,
  };
  const base = {
    [to(wire.care.me)]: ME,
    [to(wire.practice.listGates, { id: 'x' })]: [state('PP')],
    [to(wire.prescription.listChoices, { id: 'x' })]: [choice],
    [to(wire.practice.tryPlan, { id: 'x' })]: { drills: ['knee_swap'], plan },
  };
  const ladder = () => draw(<LadderScreen />, { context: { student } });
  test('without a drill it says what comes first', async () => {
    fakeServer({
      ...base,
      [to(wire.prescription.listChoices, { id: 'x' })]: [],
      [to(wire.practice.planNow, { id: 'x' })]: null,
    });
    ladder();
    expect(await screen.findByText('No drill in use')).toBeTruthy();
  });
  test('without a plan it lays one out and sends the accepted one once', async () => {
    const log = fakeServer({
      ...base,
      [to(wire.practice.planNow, { id: 'x' })]: null,
      [to(wire.practice.savePlan, { id: 'x' })]: {
        id: 'p',
        studentId: 'x',
        at: choice.at,
        drills: ['knee_swap'],
        ask,
        plan,
      },
    });
    ladder();
    const accept = await screen.findByRole('button', { name: 'Accept this plan' });
    await waitFor(() => expect((accept as HTMLButtonElement).disabled).toBe(false));
    expect(screen.getByText('What binds, and what would help')).toBeTruthy();
    expect(screen.getByRole('img', { name: /sessions in 84 days/ })).toBeTruthy();
    fireEvent.click(accept);
    await waitFor(() => expect(log.filter((a) => a.url.endsWith('/plans'))).toHaveLength(1));
  });
  test('a changed day asks for a new preview', async () => {
    const log = fakeServer({ ...base, [to(wire.practice.planNow, { id: 'x' })]: null });
    ladder();
    await screen.findByText('Lay out the plan');
    await waitFor(() => expect(log.some((a) => a.url.endsWith('/preview'))).toBe(true));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Tue' }));
    await waitFor(() => {
      const last = log.filter((a) => a.url.endsWith('/preview')).at(-1)?.body as { days: string[] };
      expect(last.days).toEqual(['mon', 'tue', 'wed', 'fri', 'sun']);
    });
  });
  const later = {
    gates: [{ drill: 'knee_swap', stage: 'half' as const, from: '2027-03-20', to: '2027-03-26', days: 6 }],
    changes: [{ kind: 'dropped' as const, drill: 'knee_swap', date: '2027-03-12', to: null, by: -80 }],
  };
  const withPlan = () => {
    const log = fakeServer({
      ...base,
      [to(wire.practice.savePlan, { id: 'x' })]: { id: 'q' },
      [to(wire.practice.planNow, { id: 'x' })]: {
        id: 'p',
        studentId: 'x',
        at: choice.at,
        drills: ['knee_swap'],
        ask: { ...USUAL_ASK, ...ask },
        plan,
        live: { ...plan, diff: later },
      },
      [to(wire.practice.checkMove, { id: 'x' })]: {
        broken: [{ rule: 'rest_day', date: ask.start, about: 'K' }],
      },
    });
    ladder();
    return log;
  };
  test('with a plan it shows the rungs, the days and the gate', async () => {
    withPlan();
    expect(await screen.findByText('Plan again from today')).toBeTruthy();
    expect(await screen.findByText('Gate out of “Slow”')).toBeTruthy();
    expect(screen.getAllByText(/Knee swap, still: 80 repetitions/).length).toBeGreaterThan(0);
  });
  test('what has changed since is said, gates first, and taken in one press', async () => {
    const log = withPlan();
    expect(await screen.findByText(/Knee swap, Half: late date 6 days later/)).toBeTruthy();
    expect(screen.getByText(/not on .* any more/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take it as the new plan' }));
    await waitFor(() => expect(log.filter((a) => a.url.endsWith('/plans'))).toHaveLength(1));
  });
  test('a session that is put elsewhere names the rule that it would break, and is kept as a move', async () => {
    const log = withPlan();
    const first = (await screen.findAllByRole('button', { expanded: false })).find((one) =>
      one.textContent?.includes('Home'),
    ) as HTMLElement;
    fireEvent.click(first);
    const near = await screen.findByRole('combobox', { name: 'Put it on' });
    fireEvent.change(near, { target: { value: '2027-03-11' } });
    expect(await screen.findByText(/would not rest the day after/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Put it there' }));
    await waitFor(() =>
      expect(log.find((a) => a.url.endsWith('/plans'))?.body).toMatchObject({
        moves: [{ from: '2027-03-10', to: '2027-03-11' }],
      }),
    );
  });
  test('another week is tried and its dates are told; nothing is kept', async () => {
    const log = withPlan();
    fireEvent.click(await screen.findByRole('button', { name: 'One more day' }));
    await waitFor(() => {
      const body = log.find((a) => a.url.endsWith('/preview'))?.body as {
        days: string[];
        missRate: number | null;
      };
      expect(body.days).toHaveLength(5);
    });
    expect(await screen.findByText(/no day sooner/)).toBeTruthy();
    expect(log.some((a) => a.url.endsWith('/plans'))).toBe(false);
  });
  test('days away are asked for in the form', async () => {
    const log = fakeServer({ ...base, [to(wire.practice.planNow, { id: 'x' })]: null });
    ladder();
    fireEvent.click(await screen.findByRole('button', { name: 'Add days' }));
    await waitFor(() =>
      expect(log.filter((a) => a.url.endsWith('/preview')).at(-1)?.body).toMatchObject({
        exceptions: [{ kind: 'away' }],
      }),
    );
  });
});

test('a day of the plan says what the club in the hands asks of the drill', () => {
  const base = plan0.days.find(({ items }) => items.some(({ balls }) => balls > 0)) as PlanDay;
  const item = { ...(base.items[0] as PlanItem), drill: 'reach_the_rod', club: 'wedge' as const };
  const days = [{ ...base, date: '2027-03-11', items: [item, { ...item, id: 'other', club: null }] }];
  const amounts = [{ id: 'shift_forward', byClub: [{ club: 'wedge', loIn: 2, hiIn: 3 }] }] as const;
  draw(
    <DayList
      plan={{ ...plan0, days, empty: [] }}
      today="2027-03-10"
      amountsOf={() => amounts}
      studentId="x"
      chosen={null}
      onChoose={() => undefined}
      onMove={null}
    />,
  );
  expect(screen.getAllByText('pelvis forward, half-way down 2.0 in to 3.0 in')).toHaveLength(1);
});
