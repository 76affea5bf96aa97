import * as wire from '@inchstep/contract/endpoints';
import type { DrillForm } from '@inchstep/contract/formats';
import type { LibraryEntry } from '@inchstep/contract/prescription';
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { type Asked, draw, fakeServer, ME, Refused, to } from '../../testing/screen.tsx';
import { HowMade } from '../capture/index.ts';
import { DrillEditorScreen } from './DrillEditorScreen.tsx';
import { idFor, problemsOf, startingForm } from './drillForm.ts';
import { drillLibrary } from './drillLibrary.ts';
import { FeelPanel } from './FeelPanel.tsx';
import { LibraryScreen } from './LibraryScreen.tsx';
import { CoachLibrary } from './library.tsx';

const house = drillLibrary([]);
const copyOf = (id: string): DrillForm => startingForm(id, house) as DrillForm;
const fit = (id: string): LibraryEntry => {
  const form = copyOf('knee_gate');
  return {
    ...form,
    drill: { ...form.drill, id },
    at: '2027-03-01T09:00:00.000Z',
    usedBy: [],
  } as unknown as LibraryEntry;
};

describe('what the editor starts from', () => {
  test('a copy has its own name, knows where it came from, and every built-in one is fit once it has an id', () => {
    const form = copyOf('knee_gate');
    expect(form).toMatchObject({ basedOn: 'knee_gate', drill: { id: '' } });
    expect(form.words.name).not.toBe(house.nameOf('knee_gate'));
    for (const { id } of house.drills) {
      const copy = copyOf(id);
      expect([id, problemsOf({ ...copy, drill: { ...copy.drill, id: 'own_copy' } }, house)]).toEqual([
        id,
        [],
      ]);
    }
  });
  test('changing the copy leaves the original as it was', () => {
    const form = copyOf('kiss_the_post');
    const first = form.drill.setup?.[0];
    if (first) first.valueIn = 99;
    (form.words.steps as string[]).push('More');
    expect(copyOf('kiss_the_post').drill.setup?.[0]?.valueIn).toBe(0.6);
    expect(house.wordsOf('kiss_the_post')?.steps).not.toContain('More');
  });
  test('an unknown drill is nothing', () => {
    expect(startingForm('own_nobody', house)).toBeNull();
  });
  test('ids come from the name and never run into each other', () => {
    expect(idFor('Coin under the knee!', () => false)).toBe('own_coin_under_the_knee');
    expect(idFor('Éclair', () => false)).toBe('own_e_clair');
    expect(idFor('', (id) => id === 'own_drill')).toBe('own_drill_2');
  });
});

describe('the editor', () => {
  const open = (id: string, more: Record<string, unknown> = {}) => {
    const asked = fakeServer({ [to(wire.care.me)]: ME, [to(wire.prescription.listLibrary)]: [], ...more });
    draw(
      <CoachLibrary>
        <DrillEditorScreen />
      </CoachLibrary>,
      { path: '/library/:drillId/edit', url: `/library/${id}/edit` },
    );
    return asked;
  };
  test('a new drill says what is missing until nothing is, and is kept under an id of its own', async () => {
    const asked = open('new', {
      [to(wire.prescription.keepDrill, { id: 'own_coin' })]: (a: Asked) => ({
        ...(a.body as object),
        at: '',
        usedBy: [],
      }),
    });
    const keep = (await screen.findByRole('button', { name: 'Keep this drill' })) as HTMLButtonElement;
    expect(keep.disabled).toBe(true);
    expect(screen.getByText('Before it can be kept')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Coin' } });
    fireEvent.change(screen.getByLabelText('Steps'), { target: { value: 'Lay it down.\nTurn.' } });
    for (const label of [
      'What it is for',
      'The one cue',
      'It counts when',
      'Faking it looks like',
      'Too much looks like',
    ])
      fireEvent.change(screen.getByLabelText(label), { target: { value: `${label} so` } });
    fireEvent.click(screen.getByRole('button', { name: 'Add a fault' }));
    expect(await screen.findByText('Nothing speaks against it.')).toBeTruthy();
    fireEvent.click(keep);
    await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
    const sent = asked.find((a) => a.method === 'PUT')?.body as DrillForm;
    expect(sent.words.steps).toEqual(['Lay it down.', 'Turn.']);
    expect(sent.drill.id).toBe('own_coin');
  });
  test('a copy is drawn as the student sees it; a formula that goes negative is named', async () => {
    open('kiss_the_post');
    expect(await screen.findByText('From “Kiss the post”')).toBeTruthy();
    const card = screen.getByRole('region', { name: 'As the student sees it' });
    expect(within(card).getByText('Post to trail hip').nextSibling?.textContent).toBe('0.6 in');
    fireEvent.change(screen.getByLabelText('Fixed part'), { target: { value: '1.4' } });
    expect(within(card).getByText('Post to trail hip').nextSibling?.textContent).toBe('1.4 in');
    fireEvent.change(screen.getByLabelText('Fixed part'), { target: { value: '-3' } });
    expect(await screen.findByText(/would come to -1.5 in/)).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Keep this drill' }) as HTMLButtonElement).disabled).toBe(
      true,
    );
  });
  test('an address that names no drill leads back', async () => {
    open('own_nobody');
    expect(await screen.findByText('No such drill')).toBeTruthy();
  });
});

test('a swing can be of a drill of one’s own, by name; one that was put aside keeps its name', async () => {
  const named = (id: string, name: string, retired: boolean) => {
    const entry = fit(id);
    return { ...entry, words: { ...entry.words, name }, retired };
  };
  fakeServer({
    [to(wire.prescription.listLibrary)]: [named('own_coin', 'Coin', false), named('own_rope', 'Rope', true)],
  });
  const made = {
    club: 'driver',
    speed: 'full',
    drill: 'own_rope',
    aid: null,
    place: null,
    cue: null,
  } as const;
  const changed: unknown[] = [];
  draw(
    <CoachLibrary>
      <HowMade made={made} onChange={(now) => changed.push(now.drill)} />
    </CoachLibrary>,
  );
  const pick = screen.getByLabelText('Which drill') as HTMLSelectElement;
  await waitFor(() => expect(within(pick).queryByText('Coin')).toBeTruthy());
  expect(pick.selectedOptions[0]?.textContent).toBe('Rope');
  expect(within(pick).getAllByText('Knee gate')).toHaveLength(1);
  fireEvent.change(pick, { target: { value: 'own_coin' } });
  expect(changed).toEqual(['own_coin']);
});

describe('own drills in the library', () => {
  const open = (own: LibraryEntry[], url: string, more: Record<string, unknown> = {}) => {
    const asked = fakeServer({ [to(wire.care.me)]: ME, [to(wire.prescription.listLibrary)]: own, ...more });
    draw(
      <CoachLibrary>
        <LibraryScreen />
      </CoachLibrary>,
      { path: '/library/:drillId', url },
    );
    return asked;
  };
  test('a page says whose it is and puts it aside, naming whose plan keeps it', async () => {
    const entry = { ...fit('own_gate'), usedBy: [{ studentId: 'x', name: 'Priya Raman' }] };
    const asked = open([entry], '/library/own_gate', {
      [to(wire.prescription.retireDrill, { id: 'own_gate' })]: { ...entry, retired: true },
    });
    expect(await screen.findByText(/your own, after “Knee gate”; in use with Priya Raman/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Put aside' }));
    await waitFor(() =>
      expect(asked.find((a) => a.url.endsWith('/retired'))?.body).toEqual({ retired: true }),
    );
  });
  test('what was put aside stands apart and can be taken up again', async () => {
    open([{ ...fit('own_gate'), retired: true }], '/library/own_gate');
    expect(await screen.findByText('Put aside')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Take up again' })).toBeTruthy();
  });
  test('a file that is no JSON, and one the server refuses, say so', async () => {
    open([], '/library/knee_gate', {
      [to(wire.prescription.importDrills)]: new Refused(
        400,
        'unknown_drill',
        'There is no drill called own_zz.',
      ),
    });
    const input = await screen.findByLabelText('File of drills');
    fireEvent.change(input, { target: { files: [{ name: 'swing.mp4', text: async () => '\u0000' }] } });
    expect(await screen.findByText(/swing.mp4 is not a JSON file/)).toBeTruthy();
    fireEvent.change(input, { target: { files: [{ name: 'drills.json', text: async () => '{}' }] } });
    expect(await screen.findByText('There is no drill called own_zz.')).toBeTruthy();
  });
});

describe('felt against measured', () => {
  test('asks first, says how much once it is clear, and sends what was typed', async () => {
    const record = (id: string) => ({ id, measure: 'shift_top', felt: 4, measured: 2, side: 'more', at: '' });
    let kept: { records: object[] } = { records: [] };
    const asked = fakeServer({
      [to(wire.prescription.listFeels, { id: 'x' })]: () => kept,
      [to(wire.prescription.noteFeel, { id: 'x' })]: () => {
        kept = { records: [record('a'), record('b'), record('c')] };
        return kept;
      },
    });
    draw(<FeelPanel studentId="x" measures={['shift_top']} fault="sway" />);
    expect(await screen.findByText(/Ask how big a change felt/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Felt, in'), { target: { value: '4' } });
    fireEvent.change(screen.getByLabelText('Measured, in'), { target: { value: '2,0' } });
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    expect(await screen.findByText(/Feel twice as much/)).toBeTruthy();
    expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({
      measure: 'shift_top',
      felt: 4,
      measured: 2,
      side: 'more',
    });
  });
  test('goes the way that mends the fault, unless the coach says the other', async () => {
    const asked = fakeServer({
      [to(wire.prescription.listFeels, { id: 'x' })]: { records: [] },
      [to(wire.prescription.noteFeel, { id: 'x' })]: { records: [] },
    });
    draw(<FeelPanel studentId="x" measures={['shift_top']} fault="no_load" />);
    const pressed = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');
    await screen.findByText(/Ask how big a change felt/);
    expect([pressed('It went up'), pressed('It went down')]).toEqual(['false', 'true']);
    fireEvent.click(screen.getByRole('button', { name: 'It went up' }));
    fireEvent.change(screen.getByLabelText('Felt, in'), { target: { value: '0' } });
    fireEvent.change(screen.getByLabelText('Measured, in'), { target: { value: '3' } });
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    await waitFor(() =>
      expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({ side: 'more', felt: 0 }),
    );
  });
  test('in centimetres what is typed is kept in the measure’s own inches', async () => {
    localStorage.setItem('inchstep.settings', JSON.stringify({ lengths: 'cm' }));
    const asked = fakeServer({
      [to(wire.prescription.listFeels, { id: 'x' })]: {
        records: [{ id: 'f', measure: 'shift_top', felt: 2, measured: 1, side: null, at: '' }],
      },
      [to(wire.prescription.noteFeel, { id: 'x' })]: { records: [] },
    });
    draw(<FeelPanel studentId="x" measures={['shift_top']} fault="sway" />);
    expect(await screen.findByText(/felt 5\.1 cm, was 2\.5 cm/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Felt, cm'), { target: { value: '10,16' } });
    fireEvent.change(screen.getByLabelText('Measured, cm'), { target: { value: '5.08' } });
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    const sent = asked.find((a) => a.method === 'POST')?.body as { felt: number; measured: number };
    expect(sent.felt).toBeCloseTo(4, 9);
    expect(sent.measured).toBeCloseTo(2, 9);
    localStorage.removeItem('inchstep.settings');
  });
});
