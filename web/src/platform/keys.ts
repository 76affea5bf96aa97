import { type HotkeyCallback, type Options, useHotkeys } from 'react-hotkeys-hook';

/** First key of the ways about the program ("g t" goes to Today) and how long the second may take. */
const PREFIX = 'g';
const PREFIX_MS = 1000;
let prefixAt = Number.NEGATIVE_INFINITY;
let afterPrefix = false;

const typesInto = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

// Heard before any screen's own keys.
window.addEventListener(
  'keydown',
  (event) => {
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey && !typesInto(event.target);
    afterPrefix = plain && event.timeStamp - prefixAt < PREFIX_MS;
    prefixAt = plain && event.key === PREFIX && !afterPrefix ? event.timeStamp : Number.NEGATIVE_INFINITY;
  },
  true,
);

/** Keys of one screen; the key after a "g" goes somewhere and is none of them. */
export function useScreenKeys(
  keys: string,
  callback: HotkeyCallback,
  options: Options = {},
  dependencies?: unknown[],
): void {
  const ignoreEventWhen = (event: KeyboardEvent) =>
    afterPrefix || (options.ignoreEventWhen?.(event) ?? false);
  useHotkeys(keys, callback, { ...options, ignoreEventWhen }, dependencies);
}
