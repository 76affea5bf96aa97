import type { StudentPage } from '@inchstep/contract/checkins';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { RungNews } from './RungNews.tsx';

afterEach(cleanup);

const drill = (stage: string) =>
  ({ id: 'knee_swap', stage, more: 12, waits: false }) as unknown as StudentPage['drills'][number];
const news = (stage: string) => <RungNews drill={drill(stage)} nameOf={() => 'Knee swap'} />;

describe('the next rung, told while the page is open', () => {
  test('says nothing while the rung stands', () => {
    const { rerender } = render(news('still'));
    rerender(news('still'));
    expect(screen.getByRole('status').textContent).toBe('');
  });
  test.each([
    ['still', 'slow', 'Logged, and it opened the next rung of Knee swap: Slow.'],
    ['half', 'slow', 'Logged. Knee swap goes on a rung easier: Slow.'],
  ])('from %s to %s', (from, to, told) => {
    const { rerender } = render(news(from));
    rerender(news(to));
    expect(screen.getByRole('status').textContent).toBe(told);
  });
});
