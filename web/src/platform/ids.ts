import { useRef } from 'react';

export const newId = (): string => crypto.randomUUID();

/** One id for what is being entered, however often it is sent; `renew` after it went through. */
export function useSteadyId(): { readonly current: () => string; readonly renew: () => void } {
  const id = useRef<string | null>(null);
  return {
    current: () => {
      id.current ??= newId();
      return id.current;
    },
    renew: () => {
      id.current = null;
    },
  };
}

const OF_FILES = new WeakMap<File, Map<string, string>>();

/** The same file sent again for the same use is the same thing: a broken connection makes no copies. */
export function idOfFile(file: File, use: string): string {
  const ids = OF_FILES.get(file) ?? new Map<string, string>();
  OF_FILES.set(file, ids);
  const id = ids.get(use) ?? newId();
  ids.set(use, id);
  return id;
}
