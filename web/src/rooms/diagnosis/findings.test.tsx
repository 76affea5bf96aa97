import { BALL_FINDINGS, SEEN_FINDINGS } from '@inchstep/core/diagnosis';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Findings } from './Findings.tsx';
import type { Ticked } from './queries.ts';

afterEach(cleanup);
let now: readonly Ticked[] = [];
function Ticks() {
  const [ticked, setTicked] = useState<Ticked[]>([]);
  now = ticked;
  return <Findings ticked={ticked} onChange={setTicked} />;
}

describe('looks and ball signs', () => {
  test('every finding can be ticked', () => {
    render(<Ticks />);
    expect(screen.getAllByRole('button')).toHaveLength(SEEN_FINDINGS.length + BALL_FINDINGS.length);
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
