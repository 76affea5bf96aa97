import type { GateState } from '@inchstep/contract/practice';
import { referenceCase } from '@inchstep/core/diagnosis';
import {
  buildPlan,
  NOTHING_KNOWN,
  type Plan,
  type Rep,
  readReps,
  repGate,
  USUAL_ASK,
} from '@inchstep/core/practice';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, ME } from '../../testing/screen.tsx';
import { CoachSetLog } from './CoachSetLog.tsx';
import { DayList } from './DayList.tsx';
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
    const log = fakeServer({ 'POST /api/students/x/gates': [s] });
    draw(<GateDecision studentId="x" state={s} />);
    return log;
  };
  test('an open gate offers the next rung', async () => {
    const log = gate(state('PPPPPPP'));
    fireEvent.click(screen.getByRole('button', { name: 'Next rung' }));
    await waitFor(() => expect(log[0]?.body).toMatchObject({ decision: 'advance', stage: 'slow', note: '' }));
  });
  test('ahead of the gate is possible, and noted as such', async () => {
    const log = gate(state('PP', { held: [{ code: 'reps', tape: 0.3, more: 8 }] }));
    fireEvent.click(screen.getByRole('button', { name: 'Next rung all the same' }));
    await waitFor(() =>
      expect(log[0]?.body).toMatchObject({ decision: 'advance', note: 'ahead of the gate' }),
    );
  });
  test('never past pain, and never below the first rung', () => {
    gate(state('PPPPPPP', { held: [{ code: 'pain' }] }));
    expect((screen.getByRole('button', { name: /Next rung/ }) as HTMLButtonElement).disabled).toBe(true);
    cleanup();
    gate(state('PP', { stage: 'still' }));
    expect((screen.getByRole('button', { name: 'One down' }) as HTMLButtonElement).disabled).toBe(true);
  });
});

describe('a set counted in the lesson', () => {
  test('pressed twice while the line is slow, it is one set', async () => {
    let letGo: () => void = () => undefined;
    const slow = new Promise<void>((done) => {
      letGo = done;
    });
    const log = fakeServer({
      'POST /api/students/x/sets': async () => {
        await slow;
        return {};
      },
    });
    draw(<CoachSetLog studentId="x" state={state('PP')} today="2027-03-10" />);
    const press = (name: string) => fireEvent.click(screen.getByRole('button', { name, hidden: true }));
    press('Counted');
    press('Log this set');
    press('Log this set');
    await waitFor(() => expect(log.length).toBe(2));
    const ids = () => log.map((a) => (a.body as { id: string }).id);
    expect(ids()[0]).toBe(ids()[1]);
    letGo();
    await waitFor(() =>
      expect(screen.queryByRole('button', { name: 'Log this set', hidden: true })).toBeNull(),
    );
    press('Missed');
    press('Log this set');
    await waitFor(() => expect(log.length).toBe(3));
    expect(ids()[2]).not.toBe(ids()[0]);
  });
});

describe('the ladder', () => {
  const ask = {
    start: '2027-03-10',
    nextLesson: null,
    days: ['mon', 'wed', 'fri', 'sun'],
    minutesPerDay: { sun: 40 },
    placeByDay: { sun: 'range' },
  } as const;
  const plan = buildPlan({
    ...NOTHING_KNOWN,
    ...USUAL_ASK,
    ...ask,
    file: referenceCase(),
    drills: ['knee_swap'],
  });
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
    endedAt: null,
  };
  const base = {
    'GET /api/me': ME,
    'GET /api/students/x/gates': [state('PP')],
    'GET /api/students/x/drill-choices': [choice],
    'POST /api/students/x/plans/preview': { drills: ['knee_swap'], plan },
  };
  const ladder = () => draw(<LadderScreen />, { context: { student } });
  test('without a drill it says what comes first', async () => {
    fakeServer({ ...base, 'GET /api/students/x/drill-choices': [], 'GET /api/students/x/plan': null });
    ladder();
    expect(await screen.findByText('No drill in use')).toBeTruthy();
  });
  test('without a plan it lays one out and sends the accepted one once', async () => {
    const log = fakeServer({
      ...base,
      'GET /api/students/x/plan': null,
      'POST /api/students/x/plans': {
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
    expect(screen.getByText('What gives')).toBeTruthy();
    fireEvent.click(accept);
    await waitFor(() => expect(log.filter((a) => a.url.endsWith('/plans'))).toHaveLength(1));
  });
  test('a changed day asks for a new preview', async () => {
    const log = fakeServer({ ...base, 'GET /api/students/x/plan': null });
    ladder();
    await screen.findByText('Lay out the plan');
    await waitFor(() => expect(log.some((a) => a.url.endsWith('/preview'))).toBe(true));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Tue' }));
    await waitFor(() => {
      const last = log.filter((a) => a.url.endsWith('/preview')).at(-1)?.body as { days: string[] };
      expect(last.days).toEqual(['mon', 'tue', 'wed', 'fri', 'sun']);
    });
  });
  test('with a plan it shows the rungs, the days and the gate', async () => {
    fakeServer({
      ...base,
      'GET /api/students/x/plan': {
        id: 'p',
        studentId: 'x',
        at: choice.at,
        drills: ['knee_swap'],
        ask,
        plan,
      },
    });
    ladder();
    expect(await screen.findByText('Plan again from today')).toBeTruthy();
    expect(await screen.findByText('Gate out of “Slow”')).toBeTruthy();
    expect(screen.getAllByText(/Knee swap, still: 80 repetitions/).length).toBeGreaterThan(0);
  });
});

test('a day of the plan says what the club in the hands asks of the drill', () => {
  const item = {
    drill: 'reach_the_rod',
    stage: 'half',
    sets: 6,
    rehearsals: 12,
    balls: 6,
    looks: 1,
    speedPct: 55,
    club: 'wedge',
    minutes: 12,
  } as const;
  const days = [
    {
      date: '2027-03-11',
      place: 'range',
      minutes: 20,
      items: [item, { ...item, stage: 'full', club: null }],
    },
  ];
  const amounts = [{ id: 'shift_forward', byClub: [{ club: 'wedge', loIn: 2, hiIn: 3 }] }] as const;
  draw(<DayList plan={{ days } as unknown as Plan} today="2027-03-10" amountsOf={() => amounts} />);
  expect(screen.getAllByText('pelvis forward, half-way down 2.0 in to 3.0 in')).toHaveLength(1);
});
