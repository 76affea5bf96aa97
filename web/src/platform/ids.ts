import { useRef } from 'react';
import { onDevice } from './onDevice.ts';

export const newId = (): string => crypto.randomUUID();

const DEVICE = 'inchstep.device';

/** Names this browser among the others that a student or coach uses; tells nothing of either. */
export function thisDevice(): string {
  const known = onDevice.read(DEVICE);
  if (known) return known;
  const made = newId();
  onDevice.write(DEVICE, made);
  return made;
}

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
