import { describe, expect, test } from '@jest/globals';
import { KeptTexts } from './onDevice.ts';

/** A store that is full from a moment on, or forbidden from the start. */
class Trouble {
  readonly kept: Record<string, string> = {};
  full = false;
  area(): Storage {
    const { kept } = this;
    const api = {
      getItem: (key: string) => kept[key] ?? null,
      setItem: (key: string, text: string) => {
        if (this.full) throw new DOMException('full', 'QuotaExceededError');
        kept[key] = text;
      },
      removeItem: (key: string) => {
        delete kept[key];
      },
    };
    return Object.assign(Object.create(kept), api) as unknown as Storage;
  }
}
const forbidden = new KeptTexts(() => {
  throw new DOMException('no', 'SecurityError');
});

describe('small texts on this device', () => {
  test('where nothing may be kept they live in memory, and say so', () => {
    expect(forbidden.read('a')).toBeNull();
    expect(forbidden.write('a', '[1]')).toBe(false);
    expect(forbidden.readJson('a')).toEqual([1]);
    expect(forbidden.keys('')).toEqual(['a']);
    forbidden.drop('a');
    expect(forbidden.read('a')).toBeNull();
  });
  test('a full store loses nothing: the newest is read, and is stored once there is room', () => {
    const trouble = new Trouble();
    const texts = new KeptTexts(() => trouble.area());
    expect(texts.write('count', '1')).toBe(true);
    trouble.full = true;
    expect(texts.write('count', '2')).toBe(false);
    expect(texts.read('count')).toBe('2');
    expect(trouble.kept.count).toBe('1');
    trouble.full = false;
    expect(texts.write('count', '3')).toBe(true);
    expect([texts.read('count'), trouble.kept.count]).toEqual(['3', '3']);
  });
  test('what can’t be read is nothing', () => {
    const texts = new KeptTexts(() => localStorage);
    texts.write('odd', '{oops');
    expect(texts.readJson('odd')).toBeNull();
    texts.drop('odd');
  });
});
