import type { Diagnosis } from '@inchstep/core/diagnosis';
import type { School } from '@inchstep/core/intake';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { ChainWorker } from './chain.worker.ts';
import type { Chain } from './chainLayout.ts';

/** Lays the chain out off the main thread; null until it is there. */
export function useChain(diagnosis: Diagnosis, school: School, all: boolean): Chain | null {
  const [chain, setChain] = useState<Chain | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL('./chain.worker.ts', import.meta.url), { type: 'module' });
    let wanted = true;
    const { faults, present, roots } = diagnosis;
    void wrap<ChainWorker>(thread)
      .lay({ diagnosis: { faults, present, roots }, school, all })
      .then((laid) => wanted && setChain(laid));
    return () => {
      wanted = false;
      thread.terminate();
    };
  }, [diagnosis, school, all]);
  return chain;
}
