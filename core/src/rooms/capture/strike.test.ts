import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import { hear, LISTENING, levelOf, QUIET_EAR, STRIKE_RULES, type StrikeRules } from './strike.ts';

const RATE = 16_000;
const BLOCK = 48;
// Looked up once: in a test's own realm the name alone costs more than the sine.
const { sin, exp, min, PI } = Math;

/** Sound made by hand: what is added lies where it is put, in seconds. */
class Sound {
  readonly samples: Float64Array;
  private readonly random: () => number;

  constructor(seconds: number, seed: number, hiss = 0.002) {
    this.random = seededRandom(seed);
    this.samples = Float64Array.from({ length: seconds * RATE }, () => hiss * this.noise());
  }
  private noise(): number {
    return 2 * this.random() - 1;
  }
  private add(from: number, seconds: number, of: (t: number) => number): this {
    const start = Math.round(from * RATE);
    for (let i = 0; i < seconds * RATE && start + i < this.samples.length; i++)
      this.samples[start + i] = (this.samples[start + i] as number) + of(i / RATE);
    return this;
  }
  /** Club on ball: at once there, gone within a twentieth of a second. */
  strike(at: number, loud = 0.5): this {
    return this.add(at, 0.2, (t) => loud * exp(-t / 0.012) * this.noise());
  }
  /** A word: it swells and lasts. */
  word(at: number, seconds = 0.35, loud = 0.3): this {
    const pitch = 110 + 120 * this.random();
    return this.add(at, seconds, (t) => {
      const swell = min(1, t / 0.04) * min(1, (seconds - t) / 0.05);
      let sum = 0;
      for (let k = 1; k <= 18; k++) sum += sin(2 * PI * pitch * k * t) / k;
      return loud * 0.4 * swell * (sum + 0.3 * this.noise());
    });
  }
  wind(at: number, seconds: number, loud = 0.6): this {
    let low = 0;
    return this.add(at, seconds, (t) => {
      low += 0.02 * (this.noise() - low);
      return loud * 4 * low * sin((PI * t) / seconds);
    });
  }
  /** Seconds at which a strike is heard. */
  strikes(rules: StrikeRules = STRIKE_RULES.usual): number[] {
    const found: number[] = [];
    let state = LISTENING;
    let ear = QUIET_EAR;
    for (let i = 0; i + BLOCK <= this.samples.length; i += BLOCK) {
      const heard = levelOf(this.samples.subarray(i, i + BLOCK), RATE, ear);
      ear = heard.ear;
      const step = hear(state, { atMs: (1000 * (i + BLOCK)) / RATE, levelDb: heard.levelDb }, rules);
      state = step.state;
      if (step.strikeMs !== null) found.push(step.strikeMs / 1000);
    }
    return found;
  }
}

describe('a strike that is heard', () => {
  test('is placed within a hundredth of a second', () => {
    const [at, more] = new Sound(4, 1).strike(2).strikes();
    expect(at).toBeCloseTo(2, 2);
    expect(more).toBeUndefined();
  });
  test('the echo of the bay and a bounce are the same strike, the next swing is another', () => {
    const found = new Sound(12, 2).strike(2).strike(2.4, 0.2).strike(8).strikes();
    expect(found.map((s) => Math.round(s))).toEqual([2, 8]);
  });
  test.each<[string, (sound: Sound) => Sound]>([
    ['silence', (s) => s],
    ['a talk', (s) => [1, 1.5, 2.1, 2.6, 3.4, 4, 4.8].reduce((sound, at) => sound.word(at), s)],
    ['a tune', (s) => s.word(1, 6, 0.3)],
    ['a gust of wind', (s) => s.wind(1, 5)],
    ['a soft tap', (s) => s.strike(3, 0.015)],
    ['a sound before the background is known', (s) => s.strike(0.1)],
  ])('%s is none', (_, add) => {
    expect(add(new Sound(8, 3)).strikes()).toEqual([]);
  });
  test('in a noisy bay the ear for near swings leaves the neighbour’s alone', () => {
    const bay = () => new Sound(10, 4, 0.03).strike(3, 0.35).strike(7, 0.9);
    expect(bay().strikes(STRIKE_RULES.far).map(Math.round)).toEqual([3, 7]);
    expect(bay().strikes(STRIKE_RULES.near).map(Math.round)).toEqual([7]);
  });
  test('five made-up half minutes of talk, wind and swings: found nearly all, hardly one too many', () => {
    let [there, found, extra] = [0, 0, 0];
    for (let seed = 100; seed < 105; seed++) {
      const random = seededRandom(seed);
      const sound = new Sound(30, seed, 0.001 + 0.004 * random());
      const at = [5, 14, 24].map((s) => s + 3 * random());
      for (let t = 1; t < 29; t += 0.6 + random())
        if (at.every((s) => Math.abs(s - t) > 0.7))
          sound.word(t, 0.15 + 0.5 * random(), 0.1 + 0.3 * random());
      sound.wind(3, 20, 0.4 * random());
      for (const s of at) sound.strike(s, 0.25 + 0.6 * random());
      const heard = sound.strikes();
      there += at.length;
      found += at.filter((s) => heard.some((h) => Math.abs(h - s) < 0.05)).length;
      extra += heard.filter((h) => at.every((s) => Math.abs(h - s) >= 0.05)).length;
    }
    expect(there).toBe(15);
    expect(found).toBeGreaterThanOrEqual(14);
    expect(extra).toBe(0);
  });
});
