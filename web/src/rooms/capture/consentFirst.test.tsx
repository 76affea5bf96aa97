import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { ConsentFirst } from './ConsentFirst.tsx';

afterEach(cleanup);

const student = (ageYears: number, on: string | null) =>
  ({
    id: 'x',
    ageYears,
    profile: { firstName: 'Hanne', guardianConsent: on && { guardian: 'Ms. Dahl', on } },
  }) as unknown as Student;

test.each<[string, Student, boolean]>([
  ['an adult', student(30, null), true],
  ['a child whose guardian agreed', student(13, '2027-03-01'), true],
  ['a child without consent', student(13, null), false],
  ['a child whose guardian agrees from tomorrow on', student(13, '2027-03-11'), false],
])('%s', async (_, who, may) => {
  fakeServer({ [to(wire.care.me)]: ME });
  draw(
    <ConsentFirst student={who}>
      <button type="button">Choose a clip</button>
    </ConsentFirst>,
  );
  if (may) expect(await screen.findByRole('button', { name: 'Choose a clip' })).toBeTruthy();
  else {
    expect((await screen.findByRole('link', { name: 'Record consent' })).getAttribute('href')).toBe(
      '/students/x/intake',
    );
    expect(screen.queryByRole('button', { name: 'Choose a clip' })).toBeNull();
  }
});
