import type { Enclosure } from '@inchstep/contract/checkins';
import { lazy, Suspense, useEffect, useMemo } from 'react';
import { Loading } from '../../platform/parts.tsx';
import { keepAlong, pageEnclosed } from './enclosedQueries.ts';
import { ALL_SAID_WORDS } from './words.page.ts';

/** Fetched only by who has something to look at. */
const Enclosed = lazy(() => import('./Enclosed.tsx').then(({ Enclosed: found }) => ({ default: found })));

/** What came along with an answer, on the student's page. */
export function PageEnclosed({
  token,
  enclosures,
}: {
  readonly token: string;
  readonly enclosures: readonly Enclosure[] | undefined;
}) {
  const at = useMemo(() => pageEnclosed(token), [token]);
  useEffect(() => {
    if (enclosures) void keepAlong(enclosures, at);
  }, [enclosures, at]);
  if (!enclosures || enclosures.length === 0) return null;
  return (
    <Suspense fallback={<Loading what={ALL_SAID_WORDS.along} />}>
      <div className="mt-2 flex flex-col gap-4">
        {enclosures.map((one) => (
          <Enclosed key={one.id} one={one} at={at} />
        ))}
      </div>
    </Suspense>
  );
}
