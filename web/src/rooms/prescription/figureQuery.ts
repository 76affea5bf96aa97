import type { MoveFigure } from '@inchstep/core/prescription';
import { useQuery } from '@tanstack/react-query';
import { get } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';

/** A drill's move on somebody's body; it changes with neither hour nor day. */
export const useFigure = (url: string | undefined) =>
  useQuery({
    queryKey: keys.figure(url ?? ''),
    queryFn: () => get<MoveFigure>(url as string),
    enabled: url !== undefined,
    staleTime: 5 * 60_000,
  });
