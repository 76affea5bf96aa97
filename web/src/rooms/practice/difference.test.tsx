import type { PlanDiff } from '@inchstep/core/practice';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw } from '../../testing/screen.tsx';
import { Difference } from './Difference.tsx';

afterEach(cleanup);

const gone = (date: string) => ({ kind: 'dropped' as const, drill: 'knee_swap', date, to: null, by: 0 });
const diff = (days: number, gates: PlanDiff['gates'] = []): PlanDiff =>
  ({
    changes: Array.from({ length: days }, (_, i) => gone(`2027-03-${String(i + 10)}`)),
    gates,
  }) as unknown as PlanDiff;
const later = [{ drill: 'knee_swap', stage: 'half', from: '2027-03-20', to: '2027-04-10', days: 21 }];

describe('the difference between two plans', () => {
  test('what is only tried is told, and taken with the form alone', () => {
    const tried = diff(10, later as unknown as PlanDiff['gates']);
    draw(<Difference diff={tried} today="2027-03-04" taking={false} onTake={null} />);
    expect(screen.getByText('What this plan would change')).toBeTruthy();
    expect(screen.getByText(/Half: late date 21 days later/)).toBeTruthy();
    expect(screen.getByText('and 2 more')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
  test('what a plan has become by itself can be taken as the new one', () => {
    let taken = 0;
    const became = diff(10, later as unknown as PlanDiff['gates']);
    draw(<Difference diff={became} today="2027-03-04" taking={false} onTake={() => taken++} />);
    expect(screen.getByText('What has changed since the plan was taken')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take it as the new plan' }));
    expect(taken).toBe(1);
  });
  test('nothing ahead has changed: nothing is said', () => {
    draw(<Difference diff={diff(3)} today="2027-04-04" taking={false} onTake={null} />);
    expect(screen.queryByText('What this plan would change')).toBeNull();
  });
});
