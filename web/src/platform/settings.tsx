import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { onDevice } from './onDevice.ts';

interface Settings {
  readonly theme: 'glare' | 'studio';
  readonly lengths: 'in' | 'cm';
  /** Whether this device looks through new clips by itself. */
  readonly readsClips: boolean;
}

interface SettingsBox extends Settings {
  change(settings: Partial<Settings>): void;
}

const KEY = 'inchstep.settings';
const DEFAULTS: Settings = { theme: 'glare', lengths: 'in', readsClips: true };
const Box = createContext<SettingsBox>({ ...DEFAULTS, change: () => {} });

const stored = (): Settings => ({ ...DEFAULTS, ...(onDevice.readJson(KEY) as Partial<Settings> | null) });

/** Theme, units and what it does by itself, kept on this device. */
export function SettingsProvider({ children }: { readonly children: ReactNode }) {
  const [settings, setSettings] = useState(stored);
  useEffect(() => {
    document.documentElement.dataset.theme = settings.theme;
    onDevice.write(KEY, JSON.stringify(settings));
  }, [settings]);
  const box = useMemo(
    () => ({ ...settings, change: (next: Partial<Settings>) => setSettings((now) => ({ ...now, ...next })) }),
    [settings],
  );
  return <Box value={box}>{children}</Box>;
}

export const useSettings = (): SettingsBox => useContext(Box);
