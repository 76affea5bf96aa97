import * as wire from '@inchstep/contract/endpoints';
import type { Everybody } from '@inchstep/contract/progress';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { EverybodyScreen } from './EverybodyScreen.tsx';

afterEach(cleanup);

const NO_DATES: Everybody['dates'] = {
  judged: 0,
  waiting: 0,
  held: 0,
  sooner: 0,
  later: 0,
  fifths: [0, 0, 0, 0, 0],
  brier: null,
};

const show = (more: Partial<Everybody>) => {
  fakeServer({
    [to(wire.progress.readEverybody)]: {
      students: 3,
      standings: [],
      works: [],
      gates: [],
      dates: NO_DATES,
      ...more,
    },
    [to(wire.prescription.listLibrary)]: { drills: [], words: {} },
  });
  draw(<EverybodyScreen />);
};

test('who stands where, by name', async () => {
  show({
    standings: [
      { state: 'pain', names: ['Odette Marchand'] },
      { state: 'working', names: ['Gus Lindqvist', 'Kofi Asante'] },
    ],
  });
  const now = within(await screen.findByRole('region', { name: 'Now' }));
  expect(now.getByText('Gus Lindqvist, Kofi Asante').previousSibling?.textContent).toBe('2');
  expect(now.getByText('On hold: pain')).toBeTruthy();
});

test('what works, drawn as a tape; few are said to be few', async () => {
  const one = { fault: 'over_slide', drill: 'delivery_freeze', mean: 0.6, sd: 0.4, alone: 1.2 };
  show({
    works: [
      { ...one, courses: 1, reps: 80 },
      { ...one, fault: 'sway', courses: 7, reps: 2100 },
    ],
  });
  const works = within(await screen.findByRole('region', { name: 'Which drill works for what' }));
  expect(works.getAllByRole('img', { name: /Gain per 100 repetitions/ })).toHaveLength(2);
  expect(works.getByText('one student’s work, 80 repetitions')).toBeTruthy();
  expect(works.getByText('7 students’ work, 2100 repetitions')).toBeTruthy();
  expect(works.getAllByText(/more a guess than a figure/)).toHaveLength(1);
});

test('time to each gate, with those who are on it still', async () => {
  show({
    gates: [
      { stage: 'slow', passed: 2, notYet: 3, byWeek: [0.2, 0.4, 0.55], medianWeeks: 3 },
      { stage: 'half', passed: 0, notYet: 1, byWeek: [0, 0, 0], medianWeeks: null },
    ],
  });
  const gates = within(await screen.findByRole('region', { name: 'Time to each gate' }));
  expect(gates.getByText('3 weeks')).toBeTruthy();
  expect(gates.getByText('not yet to be said')).toBeTruthy();
  expect(gates.getByRole('img', { name: /week 3: 55 in 100/ })).toBeTruthy();
});

test('how good told dates were: held and not, in fifths, and by the next film', async () => {
  const brier = { told: 0.14, base: 0.22, films: 31 };
  show({
    dates: { judged: 24, waiting: 5, held: 18, sooner: 1, later: 5, fifths: [3, 4, 5, 5, 7], brier },
  });
  const dates = within(await screen.findByRole('region', { name: 'How good told dates were' }));
  expect(dates.getByText(/18 of 24 told dates held/).textContent).not.toMatch(/Too few/);
  expect(dates.getByText(/sooner than told 1, later 5. Still open: 5/)).toBeTruthy();
  expect(dates.getByText(/31 films: 0.14; .* 0.22/)).toBeTruthy();
  expect(dates.getByRole('img', { name: /fifth 5 of what was told: 7/ })).toBeTruthy();
});

test('with nobody there is what to do; with nothing to count that is said', async () => {
  show({ students: 0 });
  expect(await screen.findByText('Nobody yet')).toBeTruthy();
  cleanup();
  show({});
  expect(await screen.findByText(/Nothing to count yet/)).toBeTruthy();
  expect(screen.getByText(/No gate has been passed/)).toBeTruthy();
});
