import { useSyncExternalStore } from 'react';

/**
 * Small texts kept on this device over a reload. Where the browser has no room, or forbids it, they are kept in memory:
 * the page goes on, and says that it must stay open.
 */
export class KeptTexts {
  private readonly memory = new Map<string, string>();
  private readonly area: () => Storage;

  constructor(area: () => Storage) {
    this.area = area;
  }

  read(key: string): string | null {
    return this.memory.get(key) ?? tried(() => this.area().getItem(key), null);
  }

  /** What was kept as JSON; null where there is nothing, or nothing that can be read. */
  readJson(key: string): unknown {
    const text = this.read(key);
    return text === null ? null : tried(() => JSON.parse(text) as unknown, null);
  }

  /** Answers whether it outlives this page. */
  write(key: string, text: string): boolean {
    const kept = tried(() => {
      this.area().setItem(key, text);
      return true;
    }, false);
    if (kept) this.memory.delete(key);
    else this.memory.set(key, text);
    tell(!kept);
    return kept;
  }

  drop(key: string): void {
    this.memory.delete(key);
    tried(() => this.area().removeItem(key), undefined);
  }

  keys(prefix: string): string[] {
    const stored = tried(() => Object.keys(this.area()), []);
    return [...new Set([...stored, ...this.memory.keys()])].filter((key) => key.startsWith(prefix));
  }
}

function tried<T>(act: () => T, otherwise: T): T {
  try {
    return act();
  } catch {
    return otherwise;
  }
}

export const onDevice = new KeptTexts(() => localStorage);
/** Goes with the tab. */
export const inTab = new KeptTexts(() => sessionStorage);

let isInMemory = false;
const listeners = new Set<() => void>();

function tell(inMemory: boolean): void {
  if (inMemory === isInMemory) return;
  isInMemory = inMemory;
  for (const listener of listeners) listener();
}

/** True while the last thing to keep could only be kept in memory. */
export const useKeptInMemory = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => isInMemory,
  );
