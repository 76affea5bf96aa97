import { readFileSync } from 'node:fs';
import { resolveSchool } from '@inchstep/core/intake';
import { floorMap, measureCapture } from '@inchstep/core/measures';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { FloorMap } from './FloorMap.tsx';
import { StationSlider } from './StationSlider.tsx';

afterEach(cleanup);
const truth = JSON.parse(readFileSync('standins/clips/gus.truth.json', 'utf8'));
const measured = measureCapture({
  golfer: {
    handedness: 'left',
    heightIn: 70,
    outerHipWidthIn: null,
    hipJointsApartIn: null,
    flexibility: 'usual',
    armSwing: 'usual',
  },
  club: 'mid_iron',
  school: resolveSchool({}),
  views: truth.views,
  marks: truth.marks.filter((m: { station: string }) => ['address', 'top', 'impact'].includes(m.station)),
});
const draw = (left: boolean, onPosition = jest.fn()) => {
  const { container } = render(
    <FloorMap
      floor={floorMap(measured.fit)}
      station="impact"
      left={left}
      corridor={{ lo: 3.8, hi: 5.8 }}
      slider={<StationSlider stations={['address', 'top', 'impact']} position={2} onPosition={onPosition} />}
    />,
  );
  return { container, onPosition };
};

describe('the floor map', () => {
  test('says in words what it shows', () => {
    draw(true);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(
      /pelvis centre [\d.]+ in toward the target/,
    );
  });
  test('a left-hander’s is the mirror image: target on the other side', () => {
    const target = (left: boolean) => {
      const { container } = draw(left);
      const said = [...container.querySelectorAll('text')].find((t) => t.textContent?.includes('target'));
      const at = Number(said?.getAttribute('x'));
      cleanup();
      return at;
    };
    expect(target(true)).toBeGreaterThan(160);
    expect(target(false)).toBeLessThan(160);
  });
  test('an ellipse and a pelvis bar for each marked station', () => {
    const { container } = draw(true);
    expect(container.querySelectorAll('ellipse')).toHaveLength(3);
  });
  test('is scrubbed from station to station by keys, and between them by hand', () => {
    const { onPosition } = draw(true);
    const slider = screen.getByRole('slider');
    expect(slider.getAttribute('aria-valuetext')).toBe('Impact');
    fireEvent.keyDown(slider, { key: 'ArrowLeft' });
    fireEvent.keyDown(slider, { key: 'ArrowRight' });
    fireEvent.change(slider, { target: { value: '1.05' } });
    fireEvent.change(slider, { target: { value: '1.4' } });
    expect(onPosition.mock.calls).toEqual([[1], [2], [1], [1.4]]);
  });
});
