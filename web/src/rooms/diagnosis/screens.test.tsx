import * as wire from '@inchstep/contract/endpoints';
import { diagnose } from '@inchstep/core/diagnosis';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { referenceFile } from '../../testing/referenceFile.ts';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { DiagnosisScreen } from './DiagnosisScreen.tsx';
import { RootCard } from './RootCard.tsx';

afterEach(cleanup);

const sway = diagnose({
  ...referenceFile(),
  measures: [
    { id: 'shift_top', value: -2.4, sd: 0.2 },
    { id: 'trail_hip_past_line', value: 1.6, sd: 0.2 },
    { id: 'turn_top', value: 46, sd: 2 },
  ],
  findings: [{ id: 'ball.fat', seen: 'present' }],
});
const record = (id: string, result: object, more: object = {}) => ({
  id,
  studentId: 'x',
  swingId: null,
  at: '2027-03-09T10:00:00.000Z',
  findings: [],
  setAside: [],
  wholeDay: false,
  result,
  chosen: null,
  ...more,
});
const student = { id: 'x', school: referenceFile().school, profile: { handedness: 'right' } };
const server = (all: object[], more: object = {}) =>
  fakeServer({
    [to(wire.care.me)]: ME,
    [to(wire.diagnosis.listDiagnoses, { id: 'x' })]: all,
    [to(wire.capture.listSwings, { id: 'x' })]: [],
    [to(wire.measures.listReadings, { id: 'x' })]: [],
    [to(wire.diagnosis.diagnosisNow, { id: 'd1' })]: null,
    [to(wire.diagnosis.diagnosisNow, { id: 'd2' })]: null,
    ...more,
  });
const reasons = () => draw(<DiagnosisScreen />, { context: { student } });

describe('a root’s card', () => {
  const root = sway.roots[0];
  if (!root) throw new Error('no root');
  const card = (onSetAside = jest.fn(), onPick = jest.fn()) => {
    render(
      <RootCard
        root={root}
        place={1}
        phase="Going back"
        picked={false}
        onPick={onPick}
        onSetAside={onSetAside}
      />,
    );
    return { onSetAside, onPick };
  };
  test('each reason with its number and its weight, and the sum that is the odds', () => {
    card();
    const forIt = within(screen.getByRole('region', { name: 'For' }));
    expect(forIt.getByText(/Shift at the top -2\.4 in, give or take 0\.4 in/)).toBeTruthy();
    const [start, plus, minus, rest, sum] = (
      screen.getByTestId('odds').textContent?.match(/[+−][\d.]+/g) ?? []
    ).map((n) => Number(n.replace('−', '-'))) as [number, number, number, number, number];
    expect(start + plus + minus + rest).toBeCloseTo(sum, 0);
    expect(sum).toBeCloseTo(Math.log(root.probability / (1 - root.probability)), 0);
  });
  test('says what would be without a cause', () => {
    card();
    expect(screen.getByText(/^If this were not so, nothing would account for:/)).toBeTruthy();
  });
  test('a reason can be held to be wrong', () => {
    const { onSetAside } = card();
    fireEvent.click(screen.getAllByRole('button', { name: /^Not so:/ })[0] as HTMLElement);
    expect(onSetAside).toHaveBeenCalledWith(root.for[0]?.finding);
  });
});

describe('the reasons', () => {
  test('before anything was asked', async () => {
    server([]);
    reasons();
    expect(await screen.findByText('No diagnosis of this yet')).toBeTruthy();
  });
  test('not enough to go on is said, with what to look at', async () => {
    server([record('d1', diagnose(referenceFile()))]);
    reasons();
    expect(await screen.findByText('Not enough to go on')).toBeTruthy();
    expect(screen.queryByText('Work on this, find the drill')).toBeNull();
  });
  test('the root is chosen beforehand; another needs a word why', async () => {
    const log = server([record('d1', sway)], {
      [to(wire.diagnosis.chooseWork, { id: 'd1' })]: record('d1', sway),
    });
    reasons();
    const go = (await screen.findByRole('button', {
      name: 'Work on this, find the drill',
    })) as HTMLButtonElement;
    expect(screen.getByText('Work on: Sway off the ball').textContent).toBeTruthy();
    fireEvent.click(go);
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toEqual({ workOn: ['sway'], note: '' }),
    );
  });
  test('no choice from a diagnosis that is being renewed', async () => {
    let answer: (value: object) => void = () => undefined;
    const log = server([record('d1', sway)], {
      [to(wire.diagnosis.diagnose, { id: 'x' })]: () => new Promise<object>((done) => (answer = done)),
    });
    reasons();
    const go = async () =>
      (await screen.findByRole('button', { name: 'Work on this, find the drill' })) as HTMLButtonElement;
    expect((await go()).disabled).toBe(false);
    fireEvent.click(screen.getByRole('button', { name: 'Diagnose again' }));
    await waitFor(async () => expect((await go()).disabled).toBe(true));
    await waitFor(() => expect(log.some((a) => a.method === 'POST')).toBe(true));
    answer(record('d1', sway));
    await waitFor(async () => expect((await go()).disabled).toBe(false));
  });
  test('what was seen can be asked without any swing, also where one is measured, and stays so', async () => {
    const swing = { id: 's1', recordedOn: '2027-03-08', club: 'mid_iron', speed: 'full', marks: [{}, {}] };
    const answers = {
      [to(wire.capture.listSwings, { id: 'x' })]: [swing],
      [to(wire.capture.listShots, { id: 'x' })]: [],
    };
    const log = server([record('d1', sway, { swingId: 's1' })], {
      ...answers,
      [to(wire.diagnosis.diagnose, { id: 'x' })]: record('d2', sway),
    });
    reasons();
    const pick = async () => (await screen.findByLabelText('Measured swing')) as HTMLSelectElement;
    await waitFor(async () => expect((await pick()).value).toBe('s1'));
    fireEvent.change(await pick(), { target: { value: '' } });
    expect((await pick()).value).toBe('');
    fireEvent.click(screen.getByRole('button', { name: 'Diagnose again' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({ swingId: null, wholeDay: false }),
    );
    cleanup();
    // Opened again after it was asked without one, it is still asked without one.
    server([record('d2', sway, { swingId: null, at: '2027-03-09T10:00:00Z' })], answers);
    reasons();
    await waitFor(async () => expect((await pick()).options).toHaveLength(2));
    expect((await pick()).value).toBe('');
  });
  test('“Diagnose” on the bench is the asking: a swing nobody asked about is asked at once, and once', async () => {
    const swing = { id: 's1', recordedOn: '2027-03-08', club: 'mid_iron', speed: 'full', marks: [{}, {}] };
    const answers = {
      [to(wire.capture.listSwings, { id: 'x' })]: [swing],
      [to(wire.capture.listShots, { id: 'x' })]: [],
    };
    const come = () => draw(<DiagnosisScreen />, { context: { student }, url: '/?swing=s1' });
    const log = server([], { ...answers, [to(wire.diagnosis.diagnose, { id: 'x' })]: record('d1', sway) });
    come();
    const sent = () => log.filter((a) => a.method === 'POST');
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]?.body).toMatchObject({ swingId: 's1', findings: [] });
    await screen.findByLabelText('Measured swing');
    expect(sent()).toHaveLength(1);
    cleanup();
    // It was asked before: looking at it again asks nothing.
    const again = server([record('d1', sway, { swingId: 's1' })], answers);
    come();
    await screen.findByRole('button', { name: 'Diagnose again' });
    expect(again.filter((a) => a.method === 'POST')).toEqual([]);
  });
  test('swings of one day, club and speed are taken together unless the coach says otherwise', async () => {
    const swing = (id: string, more: object = {}) => ({
      id,
      recordedOn: '2027-03-08',
      club: 'mid_iron',
      speed: 'full',
      marks: [{}, {}],
      ...more,
    });
    const log = server([], {
      [to(wire.capture.listSwings, { id: 'x' })]: [
        swing('s1'),
        swing('s2'),
        swing('s3', { club: 'driver' }),
        swing('s4', { recordedOn: '2027-03-01' }),
      ],
      [to(wire.capture.listShots, { id: 'x' })]: [],
      [to(wire.diagnosis.diagnose, { id: 'x' })]: record('d1', sway),
    });
    reasons();
    const box = (await screen.findByLabelText(/^All 2 alike of that day together/)) as HTMLInputElement;
    expect(box.checked).toBe(true);
    const sent = () => log.filter((a) => a.method === 'POST').map((a) => a.body);
    fireEvent.click(screen.getByRole('button', { name: 'Diagnose' }));
    await waitFor(() => expect(sent()[0]).toMatchObject({ swingId: 's1', wholeDay: true }));
    fireEvent.change(screen.getByLabelText('Measured swing'), { target: { value: 's3' } });
    expect(screen.queryByLabelText(/alike of that day/)).toBeNull();
    await waitFor(() =>
      expect((screen.getByRole('button', { name: 'Diagnose' }) as HTMLButtonElement).disabled).toBe(false),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Diagnose' }));
    await waitFor(() => expect(sent()[1]).toMatchObject({ swingId: 's3', wholeDay: false }));
  });
  test('ticks made in the bay outlive a look elsewhere and go with the asking', async () => {
    const log = server([], { [to(wire.diagnosis.diagnose, { id: 'x' })]: record('d1', sway) });
    reasons();
    const tick = (await screen.findAllByRole('button', { name: /: not looked$/ }))[0] as HTMLElement;
    const name = (tick.getAttribute('aria-label') as string).replace(/: not looked$/, '');
    fireEvent.click(tick);
    cleanup();
    reasons();
    expect((await screen.findByRole('button', { name: `${name}: seen` })).textContent).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Diagnose' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({ findings: [{ seen: 'present' }] }),
    );
    await waitFor(() => expect(Object.keys(sessionStorage)).toEqual([]));
  });
  test('setting a measure aside asks again without it', async () => {
    const log = server([record('d1', sway)], {
      [to(wire.diagnosis.diagnose, { id: 'x' })]: record('d2', sway),
    });
    reasons();
    fireEvent.click((await screen.findAllByRole('button', { name: /^Not so:/ }))[0] as HTMLElement);
    await waitFor(() => {
      const sent = log.find((a) => a.method === 'POST')?.body as { setAside: string[] };
      expect(sent.setAside).toHaveLength(1);
      expect(['shift_top', 'trail_hip_past_line']).toContain(sent.setAside[0]);
    });
    expect(screen.getByText('Set aside as wrong')).toBeTruthy();
  });
  test('an earlier choice stands and the program says that it would change', async () => {
    const chosen = { workOn: ['hang_back'], note: 'felt in the lesson', at: '', carried: true };
    server([record('d1', sway, { chosen })]);
    reasons();
    expect(await screen.findByText(/Your choice stands: Hangs back/)).toBeTruthy();
    expect(screen.getByText('Work on: Hangs back')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take the program’s' }));
    expect(screen.getByText('Work on: Sway off the ball')).toBeTruthy();
  });
  test('a newer swing that would change it is named', async () => {
    server([record('d1', sway)], {
      [to(wire.diagnosis.diagnosisNow, { id: 'd1' })]: {
        swingId: 's9',
        recordedOn: '2027-03-10',
        workOn: ['stall'],
        changed: true,
      },
    });
    reasons();
    expect(await screen.findByText(/The swing of today would change this: Hips stall first/)).toBeTruthy();
  });
  test('since last time: what is gone, better, new', async () => {
    const before = diagnose({
      ...referenceFile(),
      measures: [{ id: 'turn_impact', value: 6, sd: 1.5 }],
      findings: [],
    });
    server([record('d1', sway), record('d2', before, { at: '2027-02-20T10:00:00.000Z' })]);
    reasons();
    const since = within(await screen.findByRole('region', { name: /^Since the diagnosis/ }));
    expect(since.getByText('Sway off the ball')).toBeTruthy();
    expect(since.getAllByText('new').length).toBeGreaterThan(0);
    expect(since.getByText('Hips stall')).toBeTruthy();
  });
});
