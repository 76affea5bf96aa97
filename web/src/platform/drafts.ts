import { useEffect, useRef, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { inTab } from './onDevice.ts';

/**
 * What was typed and not yet sent, kept in this tab: it survives a look elsewhere, a reload and a phone
 * that put the page to sleep, and goes with the tab or on signing out.
 */
const PREFIX = 'inchstep.draft.';

const read = (key: string): unknown => inTab.readJson(PREFIX + key);

function write(key: string, value: unknown): void {
  if (value === null) inTab.drop(PREFIX + key);
  else inTab.write(PREFIX + key, JSON.stringify(value));
}

export function forgetDrafts(): void {
  for (const key of inTab.keys(PREFIX)) inTab.drop(key);
}

/** What was typed or ticked, kept until it is sent; `null` keeps nothing. What does not fit is no draft. */
export function useDraft<T>(
  key: string,
  fits: (kept: unknown) => kept is T,
): [T | null, (value: T | null) => void] {
  const [value, setValue] = useState<T | null>(() => {
    const kept = read(key);
    return fits(kept) ? kept : null;
  });
  const set = (next: T | null) => {
    setValue(next);
    write(key, next);
  };
  return [value, set];
}

/** It was sent, and is kept there; the screen stays as it is. */
export const dropDraft = (key: string): void => write(key, null);

export const isText = (kept: unknown): kept is string => typeof kept === 'string';

export interface FormDraft {
  /** True when this form began with what was left in it. */
  readonly restored: boolean;
  /** Back to what is kept on the server, or to an empty form. */
  readonly startOver: () => void;
  /** It was sent: nothing is kept any more. */
  readonly done: () => void;
}

/** Keeps a form's values until they are sent. */
export function useFormDraft<T extends FieldValues>(form: UseFormReturn<T>, key: string): FormDraft {
  const [restored, setRestored] = useState(false);
  const over = useRef(false);
  useEffect(() => {
    const kept = read(key) as T | null;
    if (kept) {
      form.reset(kept, { keepDefaultValues: true });
      setRestored(true);
    }
    const watching = form.watch((values) => {
      if (!over.current) write(key, values);
    });
    return () => watching.unsubscribe();
  }, [form, key]);
  const startOver = () => {
    form.reset();
    write(key, null);
    setRestored(false);
  };
  const done = () => {
    over.current = true;
    write(key, null);
  };
  return { restored, startOver, done };
}
