import * as wire from '@inchstep/contract/endpoints';
import { measureName } from '@inchstep/contract/words';
import { resolveSchool } from '@inchstep/core/intake';
import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { WhatTeachingDid } from './WhatTeachingDid.tsx';

afterEach(cleanup);

const STUDENT = {
  id: 'x',
  profile: { firstName: 'Ana', handedness: 'right', heightIn: 66, sizes: {} },
  school: resolveSchool({}),
} as never;
const net = { u: 300, v: 400, heightPx: 600 };
const mark = { view: 'face_on', station: 'top', landmark: 'lead_hip', u: 310, v: 400, sdPx: 3 } as const;
const workOf = (...marks: object[]) => ({ views: [], marks, made: { club: 'mid_iron' } }) as never;
const network = (places: number) => {
  fakeServer({
    [to(wire.measures.readNetwork, { id: 'x' })]: {
      table: [],
      swings: 1,
      places,
      hipsSdIn: 0.4,
      students: 0,
      forgotten: null,
    },
  });
};
const told = (id: string, verdict: string) => ({ id, verdict }) as never;

test('a press lists what is told only because of what was taught, and what no longer is', async () => {
  network(40);
  const measuresOf = jest.fn(async (_: unknown) => [
    told('turn_top', 'cant_tell'),
    told('shift_top', 'low'),
    told('head_shift_top', 'in'),
    told('tilt_top', 'low'),
  ]);
  const answer = {
    measures: [
      told('turn_top', 'in'),
      told('shift_top', 'low'),
      told('head_shift_top', 'cant_tell'),
      told('tilt_top', 'high'),
    ],
  } as never;
  const proposed = { ...mark, by: 'network', net };
  draw(<WhatTeachingDid student={STUDENT} work={workOf(proposed)} fit={{ answer, measuresOf }} />);
  const button = await screen.findByRole('button', { name: 'What teaching changed' });
  expect(measuresOf).not.toHaveBeenCalled();
  fireEvent.click(button);
  expect(await screen.findByText('3 measures are told; without what you taught it would be 3.')).toBeTruthy();
  expect(screen.getByText(`Only because of it: ${measureName('turn_top')}.`)).toBeTruthy();
  expect(screen.getByText(`No longer told: ${measureName('head_shift_top')}.`)).toBeTruthy();
  expect(screen.getByText(`Told otherwise: ${measureName('tilt_top')}.`)).toBeTruthy();
  const [capture] = measuresOf.mock.calls[0] as [{ marks: { u: number }[] }];
  expect(capture.marks[0]?.u).not.toBe(310);
  fireEvent.click(button);
  expect(screen.queryByTestId('teaching-changed')).toBeNull();
});

test.each([
  ['nothing was taught', 0, { ...mark, by: 'network', net }],
  ['a hand has set every mark', 40, { ...mark, net }],
])('where %s there is nothing to ask', async (_, places, one) => {
  network(places);
  const fit = { answer: { measures: [] } as never, measuresOf: jest.fn(async () => []) };
  const { container } = draw(<WhatTeachingDid student={STUDENT} work={workOf(one)} fit={fit} />);
  await new Promise((done) => setTimeout(done, 50));
  expect(container.textContent).toBe('');
});
