import { describe, expect, test } from '@jest/globals';
import { type Capture, MARKS_WANTED, type Mark, type Station } from '../capture/index.ts';
import { measureCapture, nextMarks, sdsAfter } from './index.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';

const stations: readonly Station[] = ['address', 'top', 'impact'];
const full = exactCapture({
  address: ADDRESS_BODY as Body,
  top: movedBody({ lead_hip: [0, 1.5, 0], trail_hip: [0, -2.5, 0.5], lead_knee: [-1.5, 2, 0] }),
  impact: movedBody({ lead_hip: [4.5, -2, 0.4], trail_hip: [4.5, 2, 0], seat: [4, 0.6, 0] }),
});
const isHip = (m: Mark) => m.landmark === 'lead_hip' || m.landmark === 'trail_hip';
const only = (rule: (m: Mark) => boolean): Capture => ({ ...full, marks: full.marks.filter(rule) });
const hipsAlone = only((m) => isHip(m) && m.view === 'face_on');
const place = (m: Pick<Mark, 'view' | 'station' | 'landmark'>) => `${m.view}/${m.station}/${m.landmark}`;

describe('which mark next', () => {
  test('the hips from the front come first, at every station, and need no fit', () => {
    const next = nextMarks({ ...full, marks: [] }, null, stations);
    expect(next.map(place).sort()).toEqual(hipsAlone.marks.map(place).sort());
  });
  test('where nothing was filmed from the front, the hips from behind', () => {
    const behind = { ...full, views: full.views.slice(1), marks: [] };
    const next = nextMarks(behind, null, ['address']);
    expect(next.map((n) => n.view)).toEqual(['down_the_line', 'down_the_line']);
  });
  test('then every other place, the one that settles most in front, each with what it is about', () => {
    const { fit } = measureCapture(hipsAlone);
    const next = nextMarks(hipsAlone, fit, stations);
    const wanted = stations.length * (MARKS_WANTED.face_on.length + MARKS_WANTED.down_the_line.length);
    expect(next).toHaveLength(wanted - hipsAlone.marks.length);
    expect(next[0]?.settles).toBeGreaterThan(0.3);
    expect(next[0]?.about.length).toBeGreaterThan(0);
    expect(new Set(next.map(place)).size).toBe(next.length);
  });
  test('a measure that is not wanted draws no mark', () => {
    const { fit } = measureCapture(hipsAlone);
    const seatOnly = nextMarks(hipsAlone, fit, stations, (id) => (id === 'seat_loss_impact' ? 1 : 0));
    expect(seatOnly[0]?.landmark).toBe('seat');
    expect(seatOnly[0]?.about).toEqual(['seat_loss_impact']);
  });
  test('nothing is asked for when everything is marked', () => {
    expect(nextMarks(full, measureCapture(full).fit, stations)).toEqual([]);
  });
});

describe('what a mark would leave', () => {
  /** Exact marks lie where the fit expects them, so marking one for real changes the spread alone. */
  test.each([
    ['down_the_line', 'top', 'seat', 'seat_drift_top'],
    ['down_the_line', 'impact', 'trail_hip', 'turn_impact'],
    ['face_on', 'top', 'lead_knee', 'lead_knee_in_top'],
    ['face_on', 'impact', 'lead_ankle', 'lead_hip_past_ankle_impact'],
  ] as const)('%s %s %s: the sd of %s is that of a fit with the mark', (view, station, landmark, id) => {
    const sdPx = 2;
    const before = only(
      (m) => (isHip(m) && m.view === 'face_on') || (m.station === 'address' && m.landmark !== 'head'),
    );
    const { fit } = measureCapture(before);
    const said = sdsAfter(fit, before, { view, station, landmark }).get(id) as number;
    const mark = full.marks.find((m) => place(m) === `${view}/${station}/${landmark}`) as Mark;
    const marked = { ...before, marks: [...before.marks.filter((m) => m !== mark), { ...mark, sdPx }] };
    const real = measureCapture(marked).measures.find((m) => m.id === id)?.sd as number;
    expect(Math.abs(said / real - 1)).toBeLessThan(0.08);
  });
});
