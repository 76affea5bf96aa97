import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { resolveSchool } from '@inchstep/core/intake';
import { prescribe } from '@inchstep/core/prescription';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { referenceFile } from '../../testing/referenceFile.ts';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { DrillScreen } from './DrillScreen.tsx';
import { LibraryScreen } from './LibraryScreen.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe('the drill for a root', () => {
  const student = {
    id: 'x',
    profile: { handedness: 'left', heightIn: 70, flexibility: 'usual', armSwing: 'usual' },
    school: resolveSchool(),
  };
  const file = referenceFile();
  const match = (more: object = {}, workOn = ['over_slide']) => {
    const result = prescribe({ ...file, ...more }, workOn);
    const log = fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.diagnosis.listDiagnoses, { id: 'x' })]: [{ id: 'd1' }],
      [to(wire.intake.readHold, { id: 'x' })]: null,
      [to(wire.prescription.prescribe, { id: 'd1' })]: { diagnosisId: 'd1', workOn, result },
      [to(wire.prescription.chooseDrills)]: {},
    });
    draw(<DrillScreen />, { context: { student } });
    return { log, result };
  };
  test('offers the best with its reasons and its card; taking it is one press', async () => {
    const { log, result } = match();
    const best = result.drills[0];
    const card = within(await screen.findByTestId(`drill-${best?.id}`));
    expect(card.getByText(/made for “Slides too far”/)).toBeTruthy();
    expect(card.getByText('It counts when')).toBeTruthy();
    expect(card.getByRole('link', { name: 'Print this card (PDF)' }).getAttribute('href')).toBe(
      urlOf(wire.prescription.studentCard, { id: 'x', query: { drill: best?.id, units: 'in' } }),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Take into use, lay out the plan' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toMatchObject({
        diagnosisId: 'd1',
        drills: result.drills.map((d) => d.id),
      }),
    );
  });
  test('a rule is overruled only with a word why', async () => {
    const { result } = match({ student: { ...file.student, aids: ['stick', 'phone'] } });
    expect(result.rejected.some((r) => r.code === 'aid')).toBe(true);
    fireEvent.click((await screen.findAllByRole('button', { name: 'Use all the same' }))[0] as HTMLElement);
    const take = screen.getByRole('button', { name: 'Take into use, lay out the plan' }) as HTMLButtonElement;
    expect(take.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Why you overrule the rule'), {
      target: { value: 'has one at work' },
    });
    expect(take.disabled).toBe(false);
  });
  test('pain can’t be overruled', async () => {
    match({ student: { ...file.student, limits: ['pain'] } }, ['knee_shut']);
    expect(await screen.findByText('Not offered')).toBeTruthy();
    const refused = screen.getByText('Knee roll').closest('li') as HTMLElement;
    expect(within(refused).queryByRole('button')).toBeNull();
  });
  test('when nothing passes, it says why and what could be done', async () => {
    match({ student: { ...file.student, aids: [], places: ['course'] } }, ['wipe']);
    expect(await screen.findByText('No drill passes every rule')).toBeTruthy();
  });
});

describe('the library', () => {
  const open = (url = '/library') => {
    fakeServer({ [to(wire.care.me)]: ME });
    draw(<LibraryScreen />, { path: url === '/library' ? '/library' : '/library/:drillId', url });
  };
  test('is narrowed by what a drill mends', () => {
    open();
    expect(screen.getByText('56 drills')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Mends'), { target: { value: 'wipe' } });
    expect(screen.getByText('2 drills')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Clear' }));
    expect(screen.getByText('56 drills')).toBeTruthy();
  });
  test('wishes that rule each other out leave a word and a way back', () => {
    open();
    fireEvent.change(screen.getByLabelText('Words'), { target: { value: 'zzz' } });
    expect(screen.getByText('Nothing left')).toBeTruthy();
  });
  test('a drill’s page scales with the body and turns with the hand', () => {
    open('/library/kiss_the_post');
    const gap = () => screen.getByText('Post to trail hip').nextSibling?.textContent;
    expect(gap()).toBe('0.6 in');
    fireEvent.click(screen.getByRole('button', { name: '60 in tall' }));
    expect(gap()).toBe('0.5 in');
    const target = () => [...document.querySelectorAll('figure svg text')].map((t) => t.textContent);
    expect(target()).toContain('target →');
    const before = target()[0];
    fireEvent.click(screen.getByRole('button', { name: 'Left-handed' }));
    expect(target()[0]).not.toBe(before);
  });
  test('what a drill fights is linked both ways', () => {
    open('/library/two_cheek_chair');
    expect(screen.getByRole('link', { name: 'Beat the ball' }).getAttribute('href')).toBe(
      '/library/beat_the_ball',
    );
  });
});
