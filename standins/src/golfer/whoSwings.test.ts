import { bodyTracks, type SeenBody, type SeenPlace, type Sighting, whoSwings } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { watch } from './watched.ts';

const PLAYER = { heightIn: 70, handedness: 'right' } as const;
/** Every third frame, as a coarse pass has it. */
const seen = (later = 0): SeenBody[] =>
  watch('face_on', 'right', { noise: 0.004 }).bodies.filter((_, i) => (i - later) % 3 === 0);

const mapped = (body: SeenBody, place: (p: SeenPlace) => SeenPlace): SeenBody => ({
  ...body,
  places: Object.fromEntries(Object.entries(body.places).map(([id, p]) => [id, place(p)])),
});
/** The same body seen smaller and somewhere else. */
const elsewhere = (bodies: readonly SeenBody[], u: number, times = 1): SeenBody[] =>
  bodies.map((body) => mapped(body, (p) => ({ ...p, u: u + times * p.u, v: 900 + times * (p.v - 900) })));
/** Walks across the picture, arms swinging. */
const walking = (bodies: readonly SeenBody[], from: number, perS: number): SeenBody[] =>
  bodies.map(({ time }, i) => {
    const start = bodies[0] as SeenBody;
    const stride = mapped({ ...start, time }, (p) => ({
      ...p,
      u: 0.8 * p.u + from + perS * time,
      v: 300 + 0.6 * p.v,
    }));
    const grip = stride.places.grip as SeenPlace;
    return { ...stride, places: { ...stride.places, grip: { ...grip, u: grip.u + 25 * Math.sin(i) } } };
  });

const sighting = (body: SeenBody): Sighting => {
  const {
    lead_hip: lead,
    trail_hip: trail,
    head,
    lead_ankle: ankle,
  } = body.places as Record<string, SeenPlace>;
  const side = 1.4 * ((ankle?.v as number) - (head?.v as number));
  return { body, at: { u: ((lead?.u as number) + (trail?.u as number)) / 2, v: lead?.v as number, side } };
};
/** Everybody in each frame; who comes first in it changes from frame to frame. */
const together = (...people: readonly (readonly SeenBody[])[]): Sighting[][] =>
  (people[0] as readonly SeenBody[]).map((_, i) => {
    const here = people.flatMap((bodies) => (bodies[i] ? [sighting(bodies[i] as SeenBody)] : []));
    return i % 2 === 0 ? here : here.reverse();
  });
const who = (frames: Sighting[][], chosen?: number) =>
  whoSwings(bodyTracks(frames), frames.length, 'face_on', PLAYER, chosen);
const bodiesOf = (found: ReturnType<typeof who>) =>
  found.code === 'player' ? found.track.map(({ body }) => body) : found.code;

describe('who swings', () => {
  const player = seen();
  test('one alone is the player, whether he swings or not', () => {
    expect(bodiesOf(who(together(player)))).toEqual(player);
    const still = player.map((body) => ({ ...(player[0] as SeenBody), time: body.time }));
    expect(bodiesOf(who(together(still)))).toEqual(still);
  });
  test('nobody, or somebody who is only in a few frames, is nobody', () => {
    expect(who(together(player).map(() => []))).toEqual({ code: 'nobody' });
    expect(who(together(player).map((here, i) => (i % 2 ? here : [])))).toEqual({ code: 'nobody' });
  });
  test.each([
    ['slowly', -900, 250],
    ['quickly', -700, 500],
    ['the other way', 800, -350],
  ])('somebody who walks by behind him, %s, is not: each stays himself as they cross', (_, from, perS) => {
    expect(bodiesOf(who(together(player, walking(player, from, perS))))).toEqual(player);
    expect(bodiesOf(who(together(walking(player, from, perS), player)))).toEqual(player);
  });
  test('somebody who stands by and watches, taller in the picture, is not', () => {
    const watcher = elsewhere(player, -600, 1.3).map((_, i, all) => ({
      ...(all[0] as SeenBody),
      time: (player[i] as SeenBody).time,
    }));
    expect(bodiesOf(who(together(watcher, player)))).toEqual(player);
  });
  test('of a mirror’s two the taller is real', () => {
    expect(bodiesOf(who(together(elsewhere(player, 500, 0.75), player)))).toEqual(player);
  });
  test('a mirror as near as the player leaves it open, until the coach says', () => {
    const other = elsewhere(player, 450, 0.98);
    const found = who(together(other, player));
    expect(found.code).toBe('two_swing');
    expect(found.code === 'two_swing' && found.tracks.map((track) => track.map(({ body }) => body))).toEqual([
      player,
      other,
    ]);
    expect(bodiesOf(who(together(other, player), 0))).toEqual(player);
    expect(bodiesOf(who(together(other, player), 1))).toEqual(other);
    // Said of a clip in which there are not as many.
    expect(who(together(other, player), 5).code).toBe('two_swing');
  });
  test('a second one who swings in his own time leaves it open, nearer or further', () => {
    for (const times of [0.7, 1.3]) {
      const later = watch('face_on', 'right').bodies;
      const other = elsewhere(
        player.map((body, i) => ({ ...(later[Math.max(0, 3 * i - 24)] as SeenBody), time: body.time })),
        500,
        times,
      );
      expect(who(together(player, other)).code).toBe('two_swing');
    }
  });
  test('a body lost for a moment is the same one after it, lost for long another', () => {
    const gone = (frames: number) =>
      together(player).map((here, i) => (i >= 10 && i < 10 + frames ? [] : here));
    expect(bodyTracks(gone(6))).toHaveLength(1);
    expect(bodyTracks(gone(14))).toHaveLength(2);
  });
});
