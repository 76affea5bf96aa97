import { expect, test } from '@jest/globals';
import { readLength } from './readLength.ts';

test.each<[string, 'in' | 'cm', number | null]>([
  ['4\'11"', 'in', 59],
  ["4'11", 'cm', 59],
  ['5’ 10½'.replace('½', '.5'), 'in', 70.5],
  ['4′11″', 'in', 59],
  ['4 ft 11 in', 'in', 59],
  ["6'", 'in', 72],
  ['6 feet', 'cm', 72],
  ['59', 'in', 59],
  ['59 in', 'cm', 59],
  ['59"', 'cm', 59],
  ['64,5', 'in', 64.5],
  ['151 cm', 'in', 59.449],
  ['151cm', 'in', 59.449],
  ['151', 'cm', 59.449],
  ['1.51 m', 'in', 59.449],
  ['1,51m', 'cm', 59.449],
  ['-3', 'in', -3],
  ['−1.5 in', 'cm', -1.5],
  ['', 'in', null],
  ['  ', 'cm', null],
])('“%s” with %s as the usual unit', (text, usual, inches) => {
  const read = readLength(text, usual);
  if (inches === null) expect(read).toBeNull();
  else expect(read).toBeCloseTo(inches, 2);
});
test.each(['tall', '5 11', "4'15", '60 kg', "4'11'11", '1.5.1', '1e3'])('“%s” is no length', (text) => {
  expect(readLength(text, 'in')).toBeNaN();
});
