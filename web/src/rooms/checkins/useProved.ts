import type { PlanPack } from '@inchstep/core/practice';
import { useEffect, useState } from 'react';

/** The rules come when a plan is to be shown; whoever only counts today does not wait for them. */
const rules = () => import('./provePack.ts');

/**
 * Whether a plan that came over the line keeps every rule, proved here once more; null while that is not known. No
 * plan breaks none.
 */
export function useProved(pack: PlanPack | null | undefined): boolean | null {
  const [proved, setProved] = useState<boolean | null>(null);
  useEffect(() => {
    let left = false;
    setProved(pack === null ? true : null);
    if (!pack) return;
    rules()
      .then(({ provePack }) => !left && setProved(provePack(pack).broken.length === 0))
      // What can't be proved is not shown.
      .catch(() => !left && setProved(false));
    return () => {
      left = true;
    };
  }, [pack]);
  return proved;
}
