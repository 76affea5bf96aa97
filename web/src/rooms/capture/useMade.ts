import { useState } from 'react';
import type { Made } from './HowMade.tsx';
import { useHowMade } from './queries.ts';

const UNKNOWN: Made = { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null };

/** How a swing of a day was made: as that day's card asks, until somebody says otherwise. */
export function useMade(studentId: string, on: string): [Made, (made: Made) => void] {
  const [said, setSaid] = useState<Made | null>(null);
  const likely = useHowMade(studentId, on);
  return [said ?? likely.data ?? UNKNOWN, setSaid];
}
