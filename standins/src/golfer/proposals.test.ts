import { FOUND_STATIONS, type Station } from '@inchstep/core/capture';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import { proposeMarks, proposeStations, type SeenBody, steadySides, UNTAUGHT } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { look } from '../devices/camera.ts';
import { RATE, watch } from './watched.ts';

const stationsOf = (bodies: readonly SeenBody[], kind: ViewKind, handedness: Hand) => {
  const found = proposeStations(bodies, kind, { heightIn: 70, handedness });
  if (!found.ok) throw new Error(found.problems[0]?.code);
  return new Map([...found.value].map(([station, { frame }]) => [station, frame]));
};
/** From behind the hands are hidden once the ball is gone. */
const TOLD_IN = {
  face_on: FOUND_STATIONS,
  down_the_line: FOUND_STATIONS.filter((station) => station !== 'chest_through'),
};

describe.each(['face_on', 'down_the_line'] as const)('%s', (kind) => {
  test('stations are found within three frames, with a network’s noise', () => {
    const { golfer, bodies } = watch(kind, 'right', { noise: 0.006 });
    const found = stationsOf(bodies, kind, 'right');
    expect([...found.keys()]).toEqual(TOLD_IN[kind]);
    for (const station of TOLD_IN[kind]) {
      if (station === 'address' || station === 'finish') continue;
      const late = (found.get(station) as number) - golfer.shape[station].at * RATE;
      expect([station, Math.abs(late) <= 3]).toEqual([station, true]);
    }
    // At address the body stands: any moment before the start does.
    const address = (found.get('address') as number) / RATE - golfer.shape.address.at;
    expect(address).toBeLessThan(0.1);
  });
  test('a left-hander is the mirror image', () => {
    const right = stationsOf(watch(kind, 'right').bodies, kind, 'right');
    const left = stationsOf(watch(kind, 'left').bodies, kind, 'left');
    expect([...left]).toEqual([...right]);
  });
});

test('the other view of the swing says when it has its stations, on its own clock', () => {
  const { bodies } = watch('down_the_line', 'right', { noise: 0.006 });
  const golfer = { heightIn: 70, handedness: 'right' } as const;
  const own = stationsOf(bodies, 'down_the_line', 'right');
  const times = [...own].map(([station, frame]) => [station, 2 + (bodies[frame]?.time as number)] as const);
  const later = 6 / RATE;
  const other = new Map(
    times.map(([station, time]) => [station, station === 'delivery' ? time + later : time]),
  );
  const both = proposeStations(bodies, 'down_the_line', golfer, { other });
  if (!both.ok) throw new Error('no stations');
  for (const [station, { frame }] of both.value)
    expect([station, frame - (own.get(station) as number)]).toEqual([
      station,
      station === 'delivery' ? 3 : 0,
    ]);
  // A clip of another swing says nothing here.
  const slower = new Map(
    [...other].map(([station, time]) => [station, station === 'impact' ? time + 0.3 : time]),
  );
  const alone = proposeStations(bodies, 'down_the_line', golfer, { other: slower });
  expect(alone.ok && [...alone.value].map(([station, { frame }]) => [station, frame])).toEqual([...own]);
});

describe('stations that a hand has named', () => {
  const { bodies } = watch('face_on', 'right', { noise: 0.006 });
  const golfer = { heightIn: 70, handedness: 'right' } as const;
  const found = (named: readonly (readonly [Station, number])[], of = bodies) =>
    proposeStations(of, 'face_on', golfer, { named: new Map(named) });
  test('stay where they are, and are in doubt no longer', () => {
    const own = stationsOf(bodies, 'face_on', 'right');
    const later = (own.get('top') as number) + 4;
    const both = found([['top', later / RATE]]);
    if (!both.ok) throw new Error('no stations');
    expect(both.value.get('top')).toEqual({ frame: later, sdS: 0 });
    for (const [station, { frame, sdS }] of both.value)
      if (station !== 'top') expect([station, frame, sdS > 0]).toEqual([station, own.get(station), true]);
  });
  test('are believed against what was found: a top named after impact leaves no impact', () => {
    const both = found([['top', 1.6]]);
    if (!both.ok) throw new Error('no stations');
    expect([...both.value.keys()]).not.toContain('impact');
    expect(both.value.get('top')?.frame).toBe(96);
  });
  test('are enough where no swing is to be seen; of another clip they are not', () => {
    const still = bodies.map((b) => ({ ...b, places: bodies[0]?.places ?? {} }));
    const only = found([['delivery', 1.3]], still);
    expect(only.ok && [...only.value]).toEqual([['delivery', { frame: 78, sdS: 0 }]]);
    expect(found([['delivery', 99]], still).ok).toBe(false);
  });
});

test('sides that a frame takes for each other are set right face-on', () => {
  const plain = watch('face_on', 'right').bodies;
  const mixed = watch('face_on', 'right', { swapAt: 60 }).bodies;
  expect(mixed[60]?.places.lead_hip).not.toEqual(plain[60]?.places.lead_hip);
  expect(steadySides(mixed, 'face_on', false)[60]?.places.lead_hip).toEqual(plain[60]?.places.lead_hip);
});

describe('marks', () => {
  const { golfer, camera, bodies } = watch('face_on', 'right', { noise: 0.007 });
  const stations = stationsOf(bodies, 'face_on', 'right');
  const found = new Map([...stations].map(([station, frame]) => [station, { frame, sdS: 0 }]));
  const marks = proposeMarks(bodies, 'face_on', found, UNTAUGHT, false);
  test('carry sds that their errors bear out', () => {
    let inside = 0;
    // This network errs by chance alone, not by what it errs by with everybody.
    for (const { station, landmark, net, sdPx, sharedSdPx } of marks) {
      const seconds = (stations.get(station) as number) / RATE;
      const real = look(camera, golfer.poseAt(seconds).landmarks[landmark]);
      if (Math.abs(net.u - real.u) < 1.96 * Math.hypot(sdPx, sharedSdPx)) inside++;
    }
    expect(marks.length).toBe(8 * 13);
    expect(inside / marks.length).toBeGreaterThan(0.92);
  });
  test('what is badly seen is less sure, what is hidden is not proposed', () => {
    const dim = (seen: number) =>
      bodies.map((b) => ({
        ...b,
        places: { ...b.places, lead_hip: { ...(b.places.lead_hip as object), seen } },
      })) as SeenBody[];
    const at = (seen: number) =>
      proposeMarks(
        dim(seen),
        'face_on',
        new Map([['top', { frame: 66, sdS: 0 }]] as const),
        UNTAUGHT,
        false,
      ).find((m) => m.landmark === 'lead_hip');
    expect(at(0.5)?.sdPx).toBeGreaterThan(1.2 * (at(1)?.sdPx as number));
    expect(at(0.1)).toBeUndefined();
  });
});

test('somebody who stands still swings no club', () => {
  const { bodies } = watch('face_on', 'right');
  const still = bodies.map((b) => ({ ...b, places: bodies[0]?.places ?? {} }));
  expect(proposeStations(still, 'face_on', { heightIn: 70, handedness: 'right' })).toMatchObject({
    ok: false,
    problems: [{ code: 'track_no_swing' }],
  });
});
