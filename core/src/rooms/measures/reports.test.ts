import { describe, expect, test } from '@jest/globals';
import { ellipseOf, floorMap, footBearingDeg, measureCapture, reportCameras } from './index.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';

const address = ADDRESS_BODY as Body;
const impact = movedBody({ lead_hip: [4, -2, 0], trail_hip: [4, 2, 0] });

describe('ellipseOf', () => {
  test('a diagonal covariance has its axes along x and y, 2.4477 sds long', () => {
    const { majorIn, minorIn, angleDeg } = ellipseOf(4, 0, 1);
    expect(majorIn).toBeCloseTo(2 * 2.4477, 3);
    expect(minorIn).toBeCloseTo(2.4477, 3);
    expect(angleDeg).toBeCloseTo(0, 9);
  });
  test('equal variances with correlation lie on the diagonal', () => {
    const { angleDeg, majorIn, minorIn } = ellipseOf(2, 1, 2);
    expect(angleDeg).toBeCloseTo(45, 9);
    expect(majorIn / minorIn).toBeCloseTo(Math.sqrt(3), 9);
  });
});

describe('floor map', () => {
  const { fit } = measureCapture(exactCapture({ address, impact }));
  const map = floorMap(fit);
  test('has one row a station, in order, with the pelvis in the middle of the hips', () => {
    expect(map.map((row) => row.station)).toEqual(['address', 'impact']);
    const row = map[1];
    expect(row?.centre[0]).toBeCloseTo(((row?.leadHip[0] ?? 0) + (row?.trailHip[0] ?? 0)) / 2, 9);
    expect(Math.abs((row?.centre[0] ?? 0) - (map[0]?.centre[0] ?? 0) - 4)).toBeLessThan(0.4);
  });
  test('travel since address is certain at address and has an ellipse later', () => {
    expect(map[0]?.ellipse).toEqual({ majorIn: 0, minorIn: 0, angleDeg: 0 });
    expect(map[1]?.ellipse.majorIn).toBeGreaterThan(map[1]?.ellipse.minorIn ?? 99);
    expect(map[1]?.ellipse.majorIn).toBeLessThan(3);
  });
  test('a foot that points 1 in to the target over 1 in bears 45 degrees', () => {
    expect(footBearingDeg({ heel: [0, 0, 0], toe: [1, 1, 0] })).toBeCloseTo(45, 9);
  });
});

describe('cameras', () => {
  const capture = exactCapture({ address, impact });
  test('are found where they stood', () => {
    const [front, side] = reportCameras(measureCapture(capture).fit);
    expect(Math.abs((front?.positionIn[1] ?? 0) - 122)).toBeLessThan(3 * (front?.sd.positionIn[1] ?? 0));
    expect(Math.abs((side?.positionIn[0] ?? 0) + 168)).toBeLessThan(3 * (side?.sd.positionIn[0] ?? 0));
    expect(Math.abs(front?.yawDeg ?? 9)).toBeLessThan(1.5);
  });
  test('well placed, they need no advice but what was not told', () => {
    const codes = reportCameras(measureCapture(capture).fit).flatMap((r) => r.advice.map((a) => a.code));
    expect(codes.filter((code) => code !== 'not_told')).toEqual([]);
  });
  test('no sticks is said', () => {
    const bare = { ...capture, views: capture.views.map((v) => ({ ...v, groundMarks: [] })) };
    for (const report of reportCameras(measureCapture(bare).fit)) {
      expect(report.advice.map((a) => a.code)).toContain('no_sticks');
    }
  });
  test('a stick end put in the wrong place contradicts the other, and is named', () => {
    const moved = {
      ...capture,
      views: capture.views.map((v, i) => ({
        ...v,
        groundMarks: v.groundMarks.map((g, k) => (i === 0 && k === 0 ? { ...g, u: g.u + 90 } : g)),
      })),
    };
    const [first, second] = reportCameras(measureCapture(moved).fit);
    expect(first?.advice.map((a) => a.code)).toContain('sticks_disagree');
    expect(second?.advice.map((a) => a.code)).not.toContain('sticks_disagree');
  });
  test('a distance that this camera can’t have had is said', () => {
    const told = {
      ...capture,
      views: capture.views.map((v) => ({ ...v, camera: { ...v.camera, heightIn: 90, heightSdIn: 1 } })),
    };
    const advice = reportCameras(measureCapture(told).fit)[0]?.advice;
    expect(advice?.some((a) => a.code === 'told_wrong')).toBe(true);
  });
  test('a camera far too low is told the height it should have', () => {
    const low = {
      ...capture,
      views: capture.views.map((v) => ({
        ...v,
        camera: { ...v.camera, heightIn: 20, heightSdIn: 1 },
        groundMarks: [],
      })),
      marks: [],
    };
    const advice = reportCameras(measureCapture(low).fit)[0]?.advice.find((a) => a.code === 'too_low');
    expect(advice).toMatchObject({ code: 'too_low' });
    expect(advice && 'wantedIn' in advice ? advice.wantedIn : 0).toBeCloseTo(39.9, 6);
  });
});

describe('needs', () => {
  const only = (what: string, needs: ReturnType<typeof measureCapture>['needs']) =>
    needs.filter((need) => need.what.kind === what);
  test('stations that were not named come first, the one that opens most ahead', () => {
    const { needs } = measureCapture(exactCapture({ address }));
    expect(needs[0]?.what.kind).toBe('station');
    const lengths = needs.map((need) => need.wouldSettle.length);
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
  });
  test('a missing mark is named with the measures that wait for it', () => {
    const capture = exactCapture({ address, top: address });
    const without = {
      ...capture,
      marks: capture.marks.filter((m) => !(m.landmark === 'seat' && m.station === 'top')),
    };
    const need = only('mark', measureCapture(without).needs).find(
      ({ what }) => what.kind === 'mark' && what.landmark === 'seat',
    );
    expect(need?.what).toEqual({ kind: 'mark', station: 'top', landmark: 'seat' });
    expect(need?.wouldSettle).toContain('seat_drift_top');
  });
  test('with one view, doubt asks for the other', () => {
    const { needs, measures } = measureCapture(exactCapture({ address, top: address, impact }, ['face_on']));
    expect(measures.some((m) => m.verdict === 'cant_tell')).toBe(true);
    expect(only('view', needs)[0]?.what).toEqual({ kind: 'view', view: 'down_the_line' });
  });
  test('time measures ask for a track', () => {
    const { needs } = measureCapture(exactCapture({ address }));
    expect(only('track', needs)[0]?.wouldSettle).toEqual(['transition_lead_ms', 'turn_rate_hold']);
  });
});
