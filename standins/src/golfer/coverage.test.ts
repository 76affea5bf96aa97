import type { Station } from '@inchstep/core/capture';
import { describe, expect, test } from '@jest/globals';
import { coverage } from '../studies/coverage.ts';

const stations: readonly Station[] = ['address', 'arm_back', 'top', 'delivery', 'impact'];

describe('random golfers and cameras', () => {
  const two = coverage(40, { stations });
  test('two views: intervals hold the truth about as often as they say', () => {
    expect(two.intervals).toBeGreaterThan(1000);
    expect(two.held).toBeGreaterThan(0.92);
    expect(two.held).toBeLessThan(0.99);
  });
  test('two views: shifts within 0.45 in, turns within 5.5 degrees', () => {
    for (const id of ['shift_top', 'shift_delivery', 'shift_impact']) expect(two.rms[id]).toBeLessThan(0.45);
    for (const id of ['turn_top', 'turn_impact']) expect(two.rms[id]).toBeLessThan(5.5);
  });
  test('errors stay within 1.2 of the floor that the marks set', () => {
    for (const over of Object.values(two.overFloor)) expect(over).toBeLessThan(1.2);
    expect(two.overFloor.all).toBeGreaterThan(0.7);
  });
  test('a verdict that is given is seldom wrong', () => {
    expect(two.told).toBeGreaterThan(0.6);
    expect(two.wrong).toBeLessThan(0.06);
  });
  test('one view is wider, and still honest', () => {
    const one = coverage(25, { stations, views: [{ kind: 'face_on' }] });
    expect(one.held).toBeGreaterThan(0.91);
  });
  // Knee flex from the front alone once held the truth 17 times in 100 behind a fine average.
  test.each(['face_on', 'down_the_line'] as const)('%s alone: no single measure is much too sure', (kind) => {
    const { heldBy, wrong } = coverage(30, { stations: [...stations, 'finish'], views: [{ kind }] });
    const poor = Object.entries(heldBy).filter(([id, held]) => held < 0.7 && !id.startsWith('bearing'));
    expect(poor).toEqual([]);
    expect(Object.keys(heldBy).length).toBeGreaterThan(20);
    expect(wrong).toBeLessThan(0.1);
  });
  test('no sticks on the ground: still honest', () => {
    const bare = coverage(20, {
      stations,
      views: [
        { kind: 'face_on', sticks: false },
        { kind: 'down_the_line', sticks: false },
      ],
    });
    expect(bare.held).toBeGreaterThan(0.91);
  });
  test('a third of the places hidden: guessed or left out, and still honest', () => {
    const dim = coverage(20, { stations, hidden: 0.33 });
    expect(dim.held).toBeGreaterThan(0.92);
    expect(dim.held).toBeLessThan(0.995);
  });
});
