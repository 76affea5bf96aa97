import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { BAND_ROWS, SCHOOL_PRESETS } from '@inchstep/core/intake';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { draw, fakeServer, ME, Refused, to } from '../../testing/screen.tsx';
import { IntakeScreen } from './IntakeScreen.tsx';
import { SchoolsScreen } from './SchoolsScreen.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const student = (firstName: string, more: object = {}) => ({
  id: firstName.toLowerCase(),
  version: 1,
  ageYears: 44,
  limits: [],
  archivedAt: null,
  createdAt: '2027-01-01',
  school: SCHOOL_PRESETS.centre_and_turn,
  profile: { firstName, familyName: 'Test', handedness: 'right' },
  ...more,
});

describe('a new student', () => {
  const fill = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
  const save = () => fireEvent.click(screen.getByRole('button', { name: 'Save and go to the bench' }));
  test('what is missing is told beside its field, and nothing is sent', async () => {
    const log = fakeServer({ [to(wire.care.me)]: ME });
    draw(<IntakeScreen />);
    fill('Height', '7');
    save();
    expect(await screen.findByText(/fields need a look above/)).toBeTruthy();
    expect(screen.getByText('give the height in inches, 36 to 90')).toBeTruthy();
    expect(log.filter((a) => a.method === 'POST')).toEqual([]);
  });
  test('days without minutes or a place are left out of what is sent', async () => {
    const log = fakeServer({ [to(wire.care.me)]: ME, [to(wire.intake.addStudent)]: student('Wren') });
    draw(<IntakeScreen />);
    fill('First name', 'Wren');
    fill('Family name', 'Oyelaran');
    fill('Born on', '1999-02-03');
    fill('Height', '68');
    save();
    await waitFor(() => expect(log.some((a) => a.method === 'POST')).toBe(true));
    const sent = log.find((a) => a.method === 'POST')?.body as { profile: Record<string, unknown> };
    expect(sent.profile).toMatchObject({
      heightIn: 68,
      days: ['mon', 'wed', 'fri', 'sat'],
      minutesPerDay: { sat: 40 },
      placeByDay: { sat: 'range' },
    });
    expect(Object.keys(sent.profile.minutesPerDay as object)).toEqual(['sat']);
  });
  test('a height typed in centimetres is kept in inches', async () => {
    localStorage.setItem('inchstep.settings', JSON.stringify({ lengths: 'cm' }));
    const log = fakeServer({ [to(wire.care.me)]: ME, [to(wire.intake.addStudent)]: student('Wren') });
    draw(<IntakeScreen />);
    fill('First name', 'Wren');
    fill('Family name', 'Oyelaran');
    fill('Born on', '1999-02-03');
    fill('Height', '177,8');
    save();
    await waitFor(() => expect(log.some((a) => a.method === 'POST')).toBe(true));
    const sent = log.find((a) => a.method === 'POST')?.body as { profile: { heightIn: number } };
    expect(sent.profile.heightIn).toBeCloseTo(70, 6);
  });
  test.each([
    ['4’11"', 59],
    ['151 cm', 59.449],
  ])('a height may be written as %s', async (typed, inches) => {
    const log = fakeServer({ [to(wire.care.me)]: ME, [to(wire.intake.addStudent)]: student('Wren') });
    draw(<IntakeScreen />);
    fill('First name', 'Wren');
    fill('Family name', 'Oyelaran');
    fill('Born on', '1999-02-03');
    fill('Height', typed);
    save();
    await waitFor(() => expect(log.some((a) => a.method === 'POST')).toBe(true));
    const sent = log.find((a) => a.method === 'POST')?.body as { profile: { heightIn: number } };
    expect(sent.profile.heightIn).toBeCloseTo(inches, 2);
  });
  test('what was typed is back after a look elsewhere, until it is saved', async () => {
    const log = fakeServer({ [to(wire.care.me)]: ME, [to(wire.intake.addStudent)]: student('Wren') });
    const open = () => draw(<IntakeScreen />);
    const value = (label: string) => (screen.getByLabelText(label) as HTMLInputElement).value;
    open();
    fill('First name', 'Wren');
    fill('Family name', 'Oyelaran');
    fill('Born on', '1999-02-03');
    fill('Height', '68');
    cleanup();
    open();
    expect(await screen.findByText(/What you had typed here is back/)).toBeTruthy();
    expect(value('First name')).toBe('Wren');
    expect(value('Height')).toBe('68');
    save();
    await waitFor(() => expect(log.some((a) => a.method === 'POST')).toBe(true));
    await screen.findByText('elsewhere');
    cleanup();
    open();
    expect(value('First name')).toBe('');
  });
  test('a refusal of the server is shown, and what was typed stays', async () => {
    fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.intake.addStudent)]: new Refused(400, 'date_in_future', '2031-01-01 has not come yet.'),
    });
    draw(<IntakeScreen />);
    fill('First name', 'Wren');
    fill('Family name', 'Oyelaran');
    fill('Born on', '2031-01-01');
    fill('Height', '68');
    save();
    expect((await screen.findByRole('alert')).textContent).toContain('has not come yet');
    expect((screen.getByLabelText('First name') as HTMLInputElement).value).toBe('Wren');
  });
});

describe('schools and bands', () => {
  const pages = (edit: object | null = null) =>
    Object.entries(SCHOOL_PRESETS).map(([preset, answers]) => ({
      preset,
      answers,
      bands: BAND_ROWS.map(({ id, unit, lo, hi, step }) => ({
        measure: id,
        unit,
        step,
        house: { lo: lo ?? null, hi: hi ?? null },
        now: { lo: lo ?? null, hi: hi ?? null },
        origin: edit && id === 'turn_top' ? ['house', 'coach'] : ['house'],
        edit: id === 'turn_top' ? edit : null,
      })),
    }));
  const rowOf = (name: string) => screen.getByText(name, { selector: 'p' }).closest('li') as HTMLElement;
  test('a changed edge can be kept, with a reason; an open edge is sent as none', async () => {
    const url = urlOf(wire.intake.editBand, { preset: 'centre_and_turn', measure: 'turn_top' });
    const log = fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.intake.listSchools)]: pages(),
      [`PUT ${url}`]: pages()[0],
    });
    draw(<SchoolsScreen />);
    await screen.findByText('Hip turn at the top', { selector: 'p' });
    const row = within(rowOf('Hip turn at the top'));
    expect(row.queryByRole('button', { name: 'Keep' })).toBeNull();
    fireEvent.change(row.getByLabelText('Hip turn at the top, high edge'), { target: { value: '' } });
    fireEvent.change(row.getByLabelText('Hip turn at the top, low edge'), { target: { value: '32,5' } });
    fireEvent.change(row.getByLabelText('Hip turn at the top, why'), { target: { value: 'supple' } });
    fireEvent.click(row.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'PUT')?.body).toEqual({ lo: 32.5, hi: null, reason: 'supple' }),
    );
  });
  test('in centimetres edges are typed in centimetres and kept in inches; the untouched one stays exact', async () => {
    localStorage.setItem('inchstep.settings', JSON.stringify({ lengths: 'cm' }));
    const url = urlOf(wire.intake.editBand, { preset: 'centre_and_turn', measure: 'shift_top' });
    const log = fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.intake.listSchools)]: pages(),
      [`PUT ${url}`]: pages()[0],
    });
    draw(<SchoolsScreen />);
    await screen.findByText('Shift at the top', { selector: 'p' });
    const row = within(rowOf('Shift at the top'));
    const low = row.getByLabelText('Shift at the top, low edge') as HTMLInputElement;
    expect(low.value).toBe('-1.78');
    expect(row.getByText('cm')).toBeTruthy();
    fireEvent.change(low, { target: { value: '-2,54' } });
    fireEvent.click(row.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(log.some((a) => a.method === 'PUT')).toBe(true));
    const sent = log.find((a) => a.method === 'PUT')?.body as { lo: number; hi: number };
    expect(sent.lo).toBeCloseTo(-1, 9);
    expect(sent.hi).toBe(0.8);
    localStorage.removeItem('inchstep.settings');
  });
  test('an edited band shows whose it is and the way back', async () => {
    const log = fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.intake.listSchools)]: pages({ reason: 'supple', at: '2027-03-01' }),
      [to(wire.intake.resetBand, { preset: 'centre_and_turn', measure: 'turn_top' })]: pages()[0],
    });
    draw(<SchoolsScreen />);
    await screen.findByText('from the house, then you');
    fireEvent.click(screen.getByRole('button', { name: /^Back to the house/ }));
    await waitFor(() => expect(log.some((a) => a.url.endsWith('/reset'))).toBe(true));
  });
  test('another school shows other answers', async () => {
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.intake.listSchools)]: pages() });
    draw(<SchoolsScreen />);
    expect(await screen.findByText('lengthens, so the hips are free')).toBeTruthy();
    fireEvent.click(screen.getByRole('tab', { name: 'Load and Brace' }));
    expect(screen.getByText('keeps its bend and resists')).toBeTruthy();
  });
});
