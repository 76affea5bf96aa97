import * as wire from '@inchstep/contract/endpoints';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { PainPause } from './PainPause.tsx';

afterEach(cleanup);

const HOLD = { id: 'h', where: 'low back', at: '2027-03-08T10:00:00.000Z', liftedAt: null, liftNote: '' };
const ME = { name: 'Ilse Varga', today: '2027-03-09' };

describe('paused for pain', () => {
  test('says where and since when, who to see, and is lifted only with a reason', async () => {
    const log = fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.intake.readHold, { id: 'x' })]: HOLD,
      [to(wire.intake.liftHold, { id: 'x' })]: null,
    });
    draw(<PainPause studentId="x" />);
    expect(await screen.findByText(/It hurts here: low back\./)).toBeTruthy();
    expect(screen.getByText(/a doctor or physiotherapist decides/)).toBeTruthy();
    const why = screen.getByLabelText('Why you lift the pause') as HTMLInputElement;
    expect(why.required).toBe(true);
    fireEvent.change(why, { target: { value: 'cleared by her physiotherapist' } });
    fireEvent.click(screen.getByRole('button', { name: 'Lift pause' }));
    await waitFor(() => {
      const sent = log.find((a) => a.method === 'POST');
      expect(JSON.stringify(sent?.body)).toContain('cleared by her physiotherapist');
    });
  });
  test('is nothing at all where no pain was reported', async () => {
    fakeServer({ [to(wire.care.me)]: ME, [to(wire.intake.readHold, { id: 'x' })]: null });
    const { container } = draw(<PainPause studentId="x" />);
    await waitFor(() => expect(container.textContent).toBe(''));
  });
});
