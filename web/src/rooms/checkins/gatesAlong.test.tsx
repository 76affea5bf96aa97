import * as wire from '@inchstep/contract/endpoints';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { GatesAlong, useGatesAlong } from './GatesAlong.tsx';

afterEach(cleanup);

const gate = (drill: string, decision: string, held: readonly object[] = []) => ({
  drill,
  stage: 'half',
  gate: { decision, repsUsed: 9, tape: 1, notYets: 0, more: 0 },
  held,
  measures: [],
});
let sent: readonly { readonly id: string; readonly drill: string }[] = [];
function Along() {
  const along = useGatesAlong('x');
  sent = along.words;
  return <GatesAlong along={along} />;
}
const show = (gates: readonly object[]) => {
  fakeServer({ [to(wire.practice.listGates, { id: 'x' })]: gates });
  draw(<Along />);
};

test('gates that nothing holds go along unless they are left out, always as the same word', async () => {
  show([gate('knee_swap', 'advance'), gate('wall_brush', 'continue', [{ code: 'reps' }])]);
  const box = (await screen.findByRole('checkbox')) as HTMLInputElement;
  expect(box.checked).toBe(true);
  expect(sent.map(({ drill }) => drill)).toEqual(['knee_swap']);
  const [first] = sent;
  fireEvent.click(box);
  expect(sent).toEqual([]);
  fireEvent.click(box);
  expect(sent[0]?.id).toBe(first?.id);
});
test('a gate that waits for its measure is not decided by the way', async () => {
  show([gate('knee_swap', 'advance', [{ code: 'measures' }])]);
  await new Promise((done) => setTimeout(done, 50));
  expect(screen.queryByRole('checkbox')).toBeNull();
  expect(sent).toEqual([]);
});
