import * as wire from '@inchstep/contract/endpoints';
import { measureName } from '@inchstep/contract/words';
import { bandFor, resolveSchool } from '@inchstep/core/intake';
import { judgePoint, judgeSeason, type SessionPoint, scaleOf, sessionPoints } from '@inchstep/core/progress';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { LESSON } from '../../testing/lesson.ts';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { OverviewScreen } from './OverviewScreen.tsx';
import { Palette } from './Palette.tsx';
import { TodayScreen } from './TodayScreen.tsx';

afterEach(cleanup);

const usual = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool({}),
} as const;
const series = (measure: string, days: [date: string, values: number[]][], direction = 'better') => {
  const sessions = days.map(([date, values]) => ({ date, values, sd: 0.25 }));
  const band = { ...bandFor(measure, usual), origin: [] };
  const points = sessions.map((s) => ({ ...s, ...(sessionPoints(measure, [s])[0] as SessionPoint) }));
  return {
    measure,
    band,
    sessions: points,
    standing: judgePoint(points.at(-1) as SessionPoint, band),
    change: judgeSeason(scaleOf(measure), sessions, 1).at(-1),
    direction,
    family: 1,
  };
};
const brief = (more: object = {}) => ({
  studentId: 'x',
  name: 'Priya Raman',
  nextLesson: '2027-03-12',
  focus: ['lead_knee_collapse'],
  drills: ['knee_swap'],
  stage: 'slow',
  repsDone: 40,
  repsPlanned: 120,
  moved: [
    {
      id: 'lead_knee_in_top',
      verdict: 'real',
      direction: 'better',
      before: 4.4,
      after: 2.2,
      unit: 'in',
    },
  ],
  missed: ['2027-03-08', '2027-03-09'],
  overdone: [],
  owned: { owned: false, occasions: [{ date: '2027-03-09', says: 'in' }] },
  limits: ['knee'],
  hold: false,
  lastWords: 'They swap by themselves.',
  state: 'working',
  ...more,
});
const student = { id: 'x', profile: { aims: 'A shorter swing.', handedness: 'right' } };
const better = series('shift_top', [
  ['2027-02-01', [-2.2, -2.4, -2.3]],
  ['2027-03-01', [0.1, 0.2, 0]],
]);

describe('a student at one glance', () => {
  const show = (b: object, all: object[] = [better], focus: string[] = []) => {
    fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.progress.readBrief, { id: 'x' })]: b,
      [to(wire.intake.readThread, { id: 'x' })]: [],
      [to(wire.progress.readProgress, { id: 'x' })]: {
        series: all,
        focus,
        lessons: [],
        checkins: [],
        stages: [],
      },
    });
    draw(<OverviewScreen />, { context: { student } });
  };
  test('focus, drill, rung, what was done, what moved, limits, last words', async () => {
    show(brief());
    expect(await screen.findByText('Knee swap, rung “Slow”')).toBeTruthy();
    for (const text of [
      'in 2 days',
      'Lead knee falls in',
      '40 of 120 planned repetitions',
      'Lead knee in: really better',
      'knee',
      'A shorter swing.',
      '2 days ago, yesterday',
      'Not yet: in band yesterday; it must be so again a week apart.',
      '“They swap by themselves.”',
    ])
      expect(screen.getByText(text)).toBeTruthy();
  });
  test('somebody new is led to the bench, others to the ladder', async () => {
    show(brief({ state: 'new', focus: [], drills: [], moved: [] }), []);
    expect((await screen.findByRole('link', { name: 'To the bench' })).getAttribute('href')).toContain(
      'bench',
    );
    expect(await screen.findByText('Nothing measured yet')).toBeTruthy();
    cleanup();
    show(brief());
    expect(await screen.findByRole('link', { name: 'To the ladder' })).toBeTruthy();
  });
  test('what the work is on comes first, then what lies outside its band; what is not clear comes last', async () => {
    const line = (id: string, mean: number, half95: number) => {
      const one = series(id, [['2027-03-01', [mean]]]);
      const sessions = one.sessions.map((s) => ({ ...s, mean, half95, meanSd: half95 / 2, dof: 60 }));
      return { ...one, sessions, standing: judgePoint(sessions[0] as SessionPoint, one.band) };
    };
    const lines = [
      line('turn_top', 46, 1),
      line('tilt_top', 10, 40),
      line('turn_impact', 2, 1),
      line('shift_top', 0.2, 0.1),
    ];
    show(brief(), lines, ['shift_top']);
    await screen.findAllByText(/can’t tell from these swings/);
    const names = [...document.querySelectorAll('ul .font-semibold')].map((e) => e.textContent ?? '');
    const at = (name: string) => names.indexOf(measureName(name));
    expect(at('shift_top')).toBe(0);
    expect(at('turn_impact')).toBeLessThan(at('turn_top'));
    expect(at('turn_top')).toBeLessThan(at('tilt_top'));
  });
  test('a tape whose bracket spans the edge can’t tell, whatever its middle says', async () => {
    const wide = series('shift_top', [['2027-03-01', [1.0]]]);
    show(brief(), [wide]);
    expect(await screen.findByText('can’t tell from these swings')).toBeTruthy();
  });
});

const card = (studentId: string, name: string, day: string, time: string | null) => ({
  ...brief({ studentId, name, nextLesson: day }),
  moved: null,
  running: false,
  lesson: { ...LESSON, id: studentId, day, time },
});

describe('today', () => {
  test('lessons to come with their brief, soonest first', async () => {
    fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.progress.listQueue)]: { week: { came: 0, answered: 0 }, version: '1', rows: [] },
      [to(wire.progress.listComing)]: {
        version: '1',
        students: 3,
        lessons: [card('a', 'Sooner', '2027-03-11', '09:30'), card('b', 'Later', '2027-03-20', null)],
      },
    });
    draw(<TodayScreen />);
    await screen.findByText('Sooner');
    const [first, ...names] = screen.getAllByRole('link').map((a) => a.textContent ?? '');
    expect(first).toContain('New student');
    expect(names[0]).toContain('Sooner');
    expect(names[0]).toContain('tomorrow');
    expect(names[0]).toContain('09:30');
    expect(names[1]).toContain('time open');
    expect(names[1]).toContain('Later');
  });
});

describe('the palette', () => {
  const people = ['Kofi', 'Priya'].map((firstName) => ({
    studentId: firstName.toLowerCase(),
    archived: false,
    name: `${firstName} Test`,
  }));
  const openIt = () => fireEvent.keyDown(document, { key: 'k', code: 'KeyK', ctrlKey: true });
  const picked = () => document.querySelector('[cmdk-item][data-selected="true"]')?.textContent;
  test('the first match is always ready for Enter, also when the students come late', async () => {
    // cmdk watches its list's size and scrolls to what is chosen; jsdom does neither.
    globalThis.ResizeObserver ??= class {
      observe() {}
      unobserve() {}
      disconnect() {}
    } as unknown as typeof ResizeObserver;
    Element.prototype.scrollIntoView ??= () => {};
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.progress.listRoster)]: { version: '1', rows: people } });
    draw(<Palette />);
    openIt();
    const box = await screen.findByRole('combobox');
    fireEvent.change(box, { target: { value: 'kofi lad' } });
    expect(await screen.findByText('Kofi Test: ladder')).toBeTruthy();
    expect(picked()).toBe('Kofi Test: ladder');
    fireEvent.keyDown(box, { key: 'Enter' });
    expect(await screen.findByText('elsewhere')).toBeTruthy();
  });
});
