import type { Vec3 } from '@inchstep/core/foundation';
import type { Pose } from '@inchstep/core/measures';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { alignedTo } from './Layers.tsx';
import { Strip, type StripPose } from './Strip.tsx';

afterEach(cleanup);

/** A plain stance, its hips moved by so many inches. */
const pose = (x = 0, y = 0, z = 0): Pose => ({
  lead_hip: [3 + x, -30 + y, 36 + z],
  trail_hip: [-3 + x, -30 + y, 36 + z],
  lead_knee: [6, -28, 20],
  trail_knee: [-6, -28, 20],
  lead_ankle: [8, -30, 3],
  trail_ankle: [-8, -30, 3],
  neck: [-1 + x, -20 + y, 56],
  head: [-1 + x, -17 + y, 62],
  seat: [0, -34, 36],
});
const poses: StripPose[] = [
  { station: 'address', pose: pose() },
  { station: 'top', pose: pose(-2, 1, -0.5), centreSdIn: [0.3, 0.4, 0.2] },
];
const lineOf = (look: string) => {
  const line = document.querySelector(`[data-look="${look}"] line`) as SVGLineElement;
  return Number(line.getAttribute('x1'));
};

describe('a strip', () => {
  test('says in words where the pelvis went, from the front and from the side', () => {
    const { rerender } = render(<Strip side="front" poses={poses} station="top" left={false} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(
      /^Front strip at Top: pelvis centre 2\.0 in away from the target, 0\.5 in lower/,
    );
    rerender(<Strip side="side" poses={poses} station="top" left={false} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/1\.0 in toward the ball/);
  });
  test('a left-hander is drawn as the mirror image', () => {
    const { rerender } = render(<Strip side="front" poses={poses} station="address" left={false} />);
    const right = lineOf('now');
    rerender(<Strip side="front" poses={poses} station="address" left />);
    expect(lineOf('now') + right).toBeCloseTo(320, 6);
  });
  test('the target and an earlier swing are drawn only where they have this station', () => {
    const under = [{ station: 'top' as const, pose: pose(-1) }];
    const { rerender } = render(
      <Strip side="front" poses={poses} station="top" left={false} then={under} target={under} />,
    );
    expect(document.querySelectorAll('[data-look]')).toHaveLength(3);
    rerender(<Strip side="front" poses={poses} station="address" left={false} then={under} target={under} />);
    expect(document.querySelectorAll('[data-look]')).toHaveLength(1);
  });
  test('a moment between stations is drawn and named by its time', () => {
    const at = { label: '0.812 s', pose: pose(4) };
    render(<Strip side="front" poses={poses} station="top" left={false} at={at} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/at 0\.812 s: .*4\.0 in toward/);
  });
});

describe('an earlier swing', () => {
  const moved = poses.map(({ station, pose: p }) => ({
    station,
    pose: Object.fromEntries(
      Object.entries(p).map(([l, q]) => [l, [q[0] + 5, q[1] - 2, q[2]] as Vec3]),
    ) as Pose,
  }));
  test('is laid on the same stance', () => {
    const there = alignedTo(poses, moved).find((p) => p.station === 'top')?.pose.lead_hip;
    expect(there).toEqual([1, -29, 35.5]);
  });
  test('without ankles at address on both sides there is nothing to lay it on', () => {
    expect(alignedTo([], moved)).toEqual([]);
    expect(alignedTo(poses, moved.slice(1))).toEqual([]);
  });
});
