import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { SettingsProvider } from './settings.tsx';
import { Tape, tapeDomain } from './tape.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});
const band = { lo: 35, hi: 55, step: 9, unit: 'deg' };
const inches = { lo: -0.7, hi: 0.8, step: 0.8, unit: 'in' };
const label = () => screen.getByRole('img').querySelector('title')?.textContent;

describe('what a tape spans', () => {
  test('the band with room on either side', () => {
    expect(tapeDomain(band)).toEqual([35 - 13.5, 55 + 13.5]);
  });
  test('always the value with its whole bracket, and last time’s', () => {
    const [low, high] = tapeDomain(band, 90, 1.96 * 5, 10);
    expect(low).toBeLessThan(10);
    expect(high).toBeGreaterThan(90 + 1.96 * 5);
  });
  test('open bands get four grades on the open side', () => {
    expect(tapeDomain({ ...band, lo: null })[0]).toBe(55 - 4 * 9 - 13.5);
  });
});

describe('what a tape says', () => {
  test('name, value, give or take, verdict', () => {
    render(
      <Tape name="Hip turn at the top" band={band} value={61} half95={1.96 * 3} verdict="more than wanted" />,
    );
    expect(label()).toBe('Hip turn at the top: 61°, give or take 6°, more than wanted');
  });
  test('not measured is said, and no notch is drawn', () => {
    const { container } = render(<Tape name="Hip turn" band={band} />);
    expect(label()).toBe('Hip turn: not measured');
    expect(container.querySelectorAll('path')).toHaveLength(0);
  });
  test('centimetres by setting', () => {
    localStorage.setItem('inchstep.settings', JSON.stringify({ lengths: 'cm' }));
    render(
      <SettingsProvider>
        <Tape name="Shift" band={inches} value={2} half95={1.96 * 0.5} />
      </SettingsProvider>,
    );
    expect(label()).toBe('Shift: 5.1 cm, give or take 2.5 cm');
  });
});

describe('where the notch stands', () => {
  const notchAt = (value: number): number => {
    const { container } = render(<Tape name="Shift" band={inches} value={value} half95={1.96 * 0.3} />);
    const path = [...container.querySelectorAll('path')].at(-1)?.getAttribute('d') ?? '';
    cleanup();
    const [left, right] =
      path
        .match(/-?[\d.]+/g)
        ?.map(Number)
        .filter((_, i) => i % 2 === 0) ?? [];
    return ((left as number) + (right as number)) / 2;
  };
  test('more to the right for more, in the middle for the middle', () => {
    expect(notchAt(0.5)).toBeGreaterThan(notchAt(-0.5));
    expect(notchAt(0.05)).toBeCloseTo(150, 0);
  });
  test('last time is a notch of its own, hollow', () => {
    const { container } = render(
      <Tape name="Shift" band={inches} value={1} half95={1.96 * 0.3} before={-1} />,
    );
    const hollow = container.querySelector('path[stroke-dasharray]');
    expect(hollow?.getAttribute('fill')).toBe('var(--tape)');
  });
});
