import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { draw } from '../../testing/screen.tsx';
import { HowFelt } from './HowFelt.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const said: (number | null)[] = [];
function Asked({ unit }: { readonly unit: string }) {
  const [felt, setFelt] = useState<number | null>(null);
  said.push(felt);
  return <HowFelt feel={{ measure: 'm', name: 'Shift at the top', unit }} felt={felt} onFelt={setFelt} />;
}
const ask = (unit = 'in') => {
  said.length = 0;
  draw(<Asked unit={unit} />);
  return screen.getByRole('textbox') as HTMLInputElement;
};
const last = () => said.at(-1);

describe('how far it felt', () => {
  test.each<[string, number | null]>([
    ['2', 2],
    ['1,5', 1.5],
    ['0', 0],
    ['', null],
    ['far', null],
    ['-1', null],
    ['4000', null],
  ])('“%s” says %p', (text, felt) => {
    fireEvent.change(ask(), { target: { value: 'x' } });
    fireEvent.change(screen.getByRole('textbox'), { target: { value: text } });
    expect(last()).toBe(felt);
  });
  test('it stayed still is an answer of one press, and is taken back by another', () => {
    const box = ask();
    const still = screen.getByRole('button', { name: 'It stayed still' });
    fireEvent.click(still);
    expect([last(), still.getAttribute('aria-pressed'), box.value]).toEqual([0, 'true', '0']);
    fireEvent.click(still);
    expect([last(), still.getAttribute('aria-pressed'), box.value]).toEqual([null, 'false', '']);
  });
  test('in centimetres it is kept in inches; degrees are degrees', () => {
    localStorage.setItem('inchstep.settings', JSON.stringify({ lengths: 'cm' }));
    fireEvent.change(ask(), { target: { value: '5.08' } });
    expect(last()).toBeCloseTo(2, 6);
    cleanup();
    fireEvent.change(ask('deg'), { target: { value: '30' } });
    expect(last()).toBe(30);
  });
});
