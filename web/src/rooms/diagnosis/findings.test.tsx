import { BALL_FINDINGS, FAULTS, SEEN_FINDINGS } from '@inchstep/core/diagnosis';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Findings } from './Findings.tsx';
import { lookGroups } from './lookGroups.ts';
import type { Ticked } from './queries.ts';

afterEach(cleanup);
let now: readonly Ticked[] = [];
function Ticks({ measured = [] }: { readonly measured?: readonly string[] }) {
  const [ticked, setTicked] = useState<Ticked[]>([]);
  now = ticked;
  return <Findings ticked={ticked} measured={new Set(measured)} onChange={setTicked} />;
}

describe('looks and ball signs', () => {
  test('every finding can be ticked', () => {
    render(<Ticks />);
    expect(screen.getAllByRole('button').length).toBeGreaterThan(SEEN_FINDINGS.length + BALL_FINDINGS.length);
    const names = screen.getAllByRole('button').map((b) => b.getAttribute('aria-label'));
    expect(new Set(names).size).toBe(names.length);
  });
  test('what the swing measured is not asked of the eye', () => {
    render(<Ticks measured={['turn_top']} />);
    expect(screen.queryByRole('button', { name: /^hips turned too little/i })).toBeNull();
    expect(lookGroups(new Set(['turn_top']), '').flatMap((g) => g.ids)).not.toContain('turn_top.high');
  });
  test('every fault with a look of its own can be ticked by eye', () => {
    const ids = new Set(lookGroups(new Set(), '').flatMap((g) => g.ids));
    const blind = FAULTS.filter((f) => !f.evidence.some((e) => e.strength >= 2 && ids.has(e.finding)));
    // A pelvis off its middle by a hand's width is for the tape, not for the eye.
    expect(blind.map((f) => f.id)).toEqual(['hips_off_centre']);
  });
  test('a few letters and Enter tick the first that is left', () => {
    render(<Ticks />);
    const box = screen.getByRole('textbox', { name: 'Find a look' });
    fireEvent.change(box, { target: { value: 'past level' } });
    fireEvent.keyDown(box, { key: 'Enter' });
    expect(now).toEqual([{ id: 'obs.overswing', seen: 'present' }]);
    expect((box as HTMLInputElement).value).toBe('');
    fireEvent.change(box, { target: { value: 'zzz' } });
    expect(screen.getByText('No look by that name.')).toBeTruthy();
  });
  test('a press goes from not looked to seen to not there and back', () => {
    render(<Ticks />);
    const button = () => screen.getByRole('button', { name: /^club runs past level at the top/ });
    expect(button().getAttribute('aria-label')).toContain('not looked');
    fireEvent.click(button());
    expect(now).toEqual([{ id: 'obs.overswing', seen: 'present' }]);
    fireEvent.click(button());
    expect(now).toEqual([{ id: 'obs.overswing', seen: 'absent' }]);
    expect(button().getAttribute('aria-label')).toContain('looked, not there');
    fireEvent.click(button());
    expect(now).toEqual([]);
  });
});
