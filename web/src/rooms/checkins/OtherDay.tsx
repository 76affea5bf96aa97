import { daysBetween } from '@inchstep/core/foundation';
import { useState } from 'react';
import { weekdayDay } from '../../platform/dates.ts';
import { onDevice, useKeptInMemory } from '../../platform/onDevice.ts';
import { useDay } from './usePageLine.ts';
import { OTHER_DAY_WORDS } from './words.page.ts';

/** Where this phone's day is not the coach's, both are said once; and whether the phone keeps what is counted. */
export function OtherDay({ token, today }: { readonly token: string; readonly today: string }) {
  const here = useDay();
  const off = daysBetween(today, here);
  const key = `inchstep.other-day.${token.slice(0, 12)}`;
  const [told, setTold] = useState(() => Number(onDevice.read(key) ?? 0));
  const inMemory = useKeptInMemory();
  const understood = () => {
    onDevice.write(key, String(off));
    setTold(off);
  };
  return (
    <>
      {inMemory && (
        <p role="alert" className="panel border-warning p-3 font-semibold">
          {OTHER_DAY_WORDS.noRoom}
        </p>
      )}
      {off !== 0 && off !== told && (
        <div role="status" className="panel border-warning p-3">
          <p>{OTHER_DAY_WORDS.differs(weekdayDay(here), weekdayDay(today))}</p>
          <button type="button" className="btn mt-2" onClick={understood}>
            {OTHER_DAY_WORDS.understood}
          </button>
        </div>
      )}
    </>
  );
}
