import { lazy } from 'react';

/** The card for a page that opens without it: it comes when somebody wants to see it. */
export const LazySetupCard = lazy(() =>
  import('./SetupCard.tsx').then(({ SetupCard }) => ({ default: SetupCard })),
);
