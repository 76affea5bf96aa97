import { describe, expect, test } from '@jest/globals';
import { plainText, plainTexts } from './plainText.ts';

describe('plain text', () => {
  test.each([
    ['Priya Raman', 'Priya Raman'],
    ['two\nlines\tand a tab', 'two\nlines\tand a tab'],
    ['Zoë 😀 שרה', 'Zoë 😀 שרה'],
    ['a\u0000b\u0007c\u001b[31md', 'abc[31md'],
    ['\u202egnp.exe\u202c', 'gnp.exe'],
    ['\ufeffhead\u0085\u2066tail\u2069', 'headtail'],
  ])('%j is %j', (text, plain) => expect(plainText(text)).toBe(plain));

  test('of a whole document; what has nothing to hide is the same document', () => {
    const clean = { a: ['x', 1, null, { b: true }], c: 'y' };
    expect(plainTexts(clean)).toBe(clean);
    expect(plainTexts({ a: ['x\u0001', 1, null], b: { c: '\u202ey' } })).toEqual({
      a: ['x', 1, null],
      b: { c: 'y' },
    });
  });
});
