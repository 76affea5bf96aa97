import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { type Rolling, rollingTake } from './rollingTake.ts';

/** A recorder of the test's own: each take is named by its number, and says how long it ran. */
function recorder() {
  const log: string[] = [];
  let count = 0;
  const record = async () => {
    const number = ++count;
    const began = performance.now();
    log.push(`begin ${number}`);
    return {
      finish: async () => {
        log.push(`finish ${number}`);
        return new File([`${Math.round((performance.now() - began) / 1000)}`], `take ${number}`);
      },
      cancel: async () => void log.push(`cancel ${number}`),
    };
  };
  return { log, record };
}

let rolling: Rolling;
beforeEach(() => void jest.useFakeTimers());
afterEach(() => {
  rolling.stop();
  jest.useRealTimers();
});
const pass = (seconds: number) => jest.advanceTimersByTimeAsync(1000 * seconds);
const begin = async () => {
  const { log, record } = recorder();
  const trims: [string, number][] = [];
  rolling = await rollingTake({} as MediaStreamVideoTrack, record, async (file, seconds) => {
    trims.push([file.name, seconds]);
    return file;
  });
  return { log, trims };
};

describe('filming without end', () => {
  test('a strike takes the end of what runs, and filming goes on', async () => {
    const { log, trims } = await begin();
    await pass(9);
    const file = await rolling.cut(5);
    expect([file.name, trims]).toEqual(['take 1', [['take 1', 5]]]);
    expect(log).toEqual(['begin 1', 'begin 2', 'finish 1']);
  });
  test('nothing older than half a minute is held, and at the change both run: a swing there is whole', async () => {
    const { log } = await begin();
    await pass(22);
    expect(log).toEqual(['begin 1', 'begin 2']);
    expect((await rolling.cut(5)).name).toBe('take 1');
    // The one that began beside it goes on; no third is begun for it.
    await pass(3);
    expect(log).toEqual(['begin 1', 'begin 2', 'finish 1']);
  });
  test('left alone for ten minutes it never holds more than two', async () => {
    const { log } = await begin();
    let open = 0;
    let most = 0;
    await pass(600);
    for (const line of log) {
      open += line.startsWith('begin') ? 1 : -1;
      most = Math.max(most, open);
    }
    expect([open, most]).toEqual([expect.any(Number), 2]);
    expect(open).toBeLessThanOrEqual(2);
    expect(log.filter((line) => line.startsWith('cancel')).length).toBeGreaterThan(20);
  });
  test('two strikes at once are two clips, one after the other', async () => {
    await begin();
    await pass(8);
    const [a, b] = await Promise.all([rolling.cut(5), rolling.cut(5)]);
    expect([a.name, b.name]).toEqual(['take 1', 'take 2']);
  });
  test('stopped, it lets everything go', async () => {
    const { log } = await begin();
    await pass(21);
    rolling.stop();
    await pass(60);
    expect(log).toEqual(['begin 1', 'begin 2', 'cancel 1', 'cancel 2']);
  });
});
