import type { NextMark } from '@inchstep/core/measures';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { NextMarkPanel, worthMarking } from './NextMarkPanel.tsx';

afterEach(cleanup);

const mark = (more: Partial<NextMark>): NextMark => ({
  view: 'face_on',
  station: 'delivery',
  landmark: 'lead_knee',
  settles: 0.6,
  about: ['lead_knee_roll_delivery'],
  ...more,
});
const panel = (next: readonly NextMark[] | null, named = true, onGo = jest.fn()) => {
  render(<NextMarkPanel next={next} placed={12} named={named} onGo={onGo} />);
  return onGo;
};

describe('the mark that is asked for next', () => {
  test('says what, when, from where and what it would tell, and goes there', () => {
    const best = mark({});
    const onGo = panel([best, mark({ landmark: 'head', settles: 0.1 })]);
    const button = screen.getByRole('button', { name: /Lead knee.*Delivery.*Face-on/i });
    fireEvent.click(button);
    expect(onGo).toHaveBeenCalledWith(best);
    expect(screen.getByText(/^Tells most about: /)).toBeTruthy();
    expect(screen.getByText(/12 placed/)).toBeTruthy();
  });
  test('hips need no reason but that everything is told from them', () => {
    panel([mark({ landmark: 'lead_hip', settles: 0, about: [] })]);
    expect(screen.getByText(/told from the hips/)).toBeTruthy();
  });
  test('says when enough is marked, and what to do before anything is named', () => {
    panel([mark({ settles: 0.01 })]);
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByText(/Nothing left to mark/)).toBeTruthy();
    cleanup();
    panel([], false);
    expect(screen.getByText(/Name a station/)).toBeTruthy();
  });
  test('shows nothing until it is known', () => {
    panel(null);
    expect(screen.queryByText(/Mark next/)).toBeNull();
  });
  test('a mark is worth placing while it settles a twentieth of a measure', () => {
    expect(worthMarking([mark({ settles: 0.06 })])).not.toBeNull();
    expect(worthMarking([mark({ settles: 0.04 })])).toBeNull();
    expect(worthMarking([])).toBeNull();
  });
});
