import { describe, expect, test } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import { idOfFile, newId, useSteadyId } from './ids.ts';

describe('ids', () => {
  test('never come twice', () => {
    expect(new Set(Array.from({ length: 500 }, newId)).size).toBe(500);
  });
  test('what is sent again keeps its id until it went through', () => {
    const { result, rerender } = renderHook(() => useSteadyId());
    const first = result.current.current();
    rerender();
    expect(result.current.current()).toBe(first);
    result.current.renew();
    expect(result.current.current()).not.toBe(first);
  });
  test('a file has one id a use; another file of the same name has its own', () => {
    const file = new File(['a'], 'swing.mp4');
    const other = new File(['a'], 'swing.mp4');
    expect(idOfFile(file, 'face_on')).toBe(idOfFile(file, 'face_on'));
    expect(idOfFile(file, 'face_on')).not.toBe(idOfFile(file, 'down_the_line'));
    expect(idOfFile(file, 'face_on')).not.toBe(idOfFile(other, 'face_on'));
  });
});
