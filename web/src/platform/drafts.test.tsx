import { afterEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { useForm } from 'react-hook-form';
import { forgetDrafts, isText, useDraft, useFormDraft } from './drafts.ts';
import { DraftNote } from './parts.tsx';

afterEach(() => {
  cleanup();
  sessionStorage.clear();
});

describe('a text not sent yet', () => {
  test('is there again when one comes back, under its own key only', () => {
    const first = renderHook(() => useDraft('reply.1', isText));
    expect(first.result.current[0]).toBeNull();
    act(() => first.result.current[1]('Keep the post.'));
    first.unmount();
    expect(renderHook(() => useDraft('reply.1', isText)).result.current[0]).toBe('Keep the post.');
    expect(renderHook(() => useDraft('reply.2', isText)).result.current[0]).toBeNull();
  });
  test('is gone once sent, and all of them on signing out; other things stay', () => {
    const hook = renderHook(() => useDraft('a', isText));
    act(() => hook.result.current[1]('x'));
    act(() => hook.result.current[1](null));
    expect(renderHook(() => useDraft('a', isText)).result.current[0]).toBeNull();
    act(() => hook.result.current[1]('y'));
    sessionStorage.setItem('other', '1');
    forgetDrafts();
    expect(renderHook(() => useDraft('a', isText)).result.current[0]).toBeNull();
    expect(sessionStorage.getItem('other')).toBe('1');
  });
  test('a store that holds something else is no draft', () => {
    sessionStorage.setItem('inchstep.draft.a', '{broken');
    expect(renderHook(() => useDraft('a', isText)).result.current[0]).toBeNull();
    sessionStorage.setItem('inchstep.draft.a', '7');
    expect(renderHook(() => useDraft('a', isText)).result.current[0]).toBeNull();
  });
});

describe('a form not sent yet', () => {
  function Form() {
    const form = useForm({ defaultValues: { name: 'Gus' } });
    const draft = useFormDraft(form, 'intake');
    return (
      <form>
        <DraftNote draft={draft} />
        <input aria-label="Name" {...form.register('name')} />
        <button type="button" onClick={draft.done}>
          Sent
        </button>
      </form>
    );
  }
  const box = () => screen.getByLabelText('Name') as HTMLInputElement;
  const type = (value: string) => fireEvent.input(box(), { target: { value } });
  test('comes back as it was left, says so, and can be started over', () => {
    render(<Form />);
    expect(screen.queryByRole('status')).toBeNull();
    type('Gustav');
    cleanup();
    render(<Form />);
    expect(box().value).toBe('Gustav');
    expect(screen.getByRole('status').textContent).toMatch(/not saved yet/);
    fireEvent.click(screen.getByRole('button', { name: 'Start over' }));
    expect(box().value).toBe('Gus');
    cleanup();
    render(<Form />);
    expect(box().value).toBe('Gus');
    expect(screen.queryByRole('status')).toBeNull();
  });
  test('once sent nothing is kept, not even what is typed while it goes', () => {
    render(<Form />);
    type('Gustav');
    fireEvent.click(screen.getByRole('button', { name: 'Sent' }));
    type('Gustave');
    cleanup();
    render(<Form />);
    expect(box().value).toBe('Gus');
  });
});
