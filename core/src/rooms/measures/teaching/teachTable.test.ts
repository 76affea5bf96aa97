import { describe, expect, test } from '@jest/globals';
import { choleskyInPlace } from '../../../foundation/index.ts';
import { FOUND_STATIONS, MARKS_WANTED } from '../../capture/index.ts';
import { VIEW_KINDS } from '../../intake/index.ts';
import { alike, ERROR_ROWS, learntTimes, partOfBody, restTimes } from './teachTable.ts';

const AXES = ['across', 'down'] as const;

describe('the tables of how the network errs', () => {
  test('know every place that is proposed, and what is new is less than all of it', () => {
    for (const view of VIEW_KINDS)
      for (const landmark of MARKS_WANTED[view]) {
        const row = ERROR_ROWS.find((one) => one.view === view && one.landmark === landmark);
        for (const axis of AXES) {
          expect(row?.[axis].rest).toBeGreaterThan(0);
          expect(row?.[axis].all).toBeGreaterThan(row?.[axis].rest as number);
        }
      }
  });
  test('say of every station what it is times the landmark’s own, hardly a tenth and hardly tenfold', () => {
    for (const view of VIEW_KINDS)
      for (const station of FOUND_STATIONS)
        for (const axis of AXES) {
          const times = [
            learntTimes(view, station, axis),
            ...MARKS_WANTED[view].map((one) => restTimes(view, one, station, axis)),
          ];
          for (const one of times) {
            expect(one).toBeGreaterThan(0.1);
            expect(one).toBeLessThan(10);
          }
        }
    // What is known by hand: hips stray most in the finish seen from the front, where the pelvis stands edge on.
    expect(restTimes('face_on', 'lead_hip', 'finish', 'across')).toBeGreaterThan(
      3 * restTimes('face_on', 'lead_hip', 'impact', 'across'),
    );
  });
  test('how alike stations are is a correlation: even, 1 with itself, and no mixture of stations is surer than sure', () => {
    for (const what of ['learnt', 'rest'] as const)
      for (const axis of AXES) {
        const n = FOUND_STATIONS.length;
        const of = FOUND_STATIONS.map((a) => FOUND_STATIONS.map((b) => alike(what, axis, a, b)));
        of.forEach((row, i) => {
          row.forEach((x, j) => {
            expect(x).toBe(of[j]?.[i]);
          });
          expect(row[i]).toBe(1);
        });
        const lower = Float64Array.from(
          { length: n * n },
          (_, at) => of[Math.floor(at / n)]?.[at % n] as number,
        );
        choleskyInPlace(lower, n);
        for (let i = 0; i < n; i++) expect(lower[i * n + i] as number).toBeGreaterThan(0.3);
      }
    expect(alike('learnt', 'across', 'shaft_back', 'top')).toBe(0);
  });
  test('parts of the body', () => {
    expect(partOfBody('trail_hip')).toBe('hips');
    expect(partOfBody('lead_knee')).toBe('knees');
    expect(partOfBody('lead_toe')).toBe('lead foot');
    expect(partOfBody('trail_ankle')).toBe('trail foot');
    for (const one of ['neck', 'sternum', 'head', 'seat'] as const) expect(partOfBody(one)).toBe('trunk');
  });
});
