import type { StudentPage } from '@inchstep/contract/checkins';
import type { SetLog } from '@inchstep/contract/practice';
import { daysBetween, type IsoDay, plusDays } from '@inchstep/core/foundation';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lightFormat } from 'date-fns';
import { useEffect, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { keys } from '../../platform/queryKeys.ts';
import { forgetPage, type KeptPage, keepPage, readPage, whoseLink } from './pageKept.ts';
import { forgetFilms } from './papers.ts';
import { askForFile, usePage, warmPapers } from './queries.ts';

/** A line that says nothing for so long is none: the phone shows what it knows. */
const SILENCE_MS = 2000;

/** What a link opens: heard now, or what this phone knows of it. */
export interface PageLine {
  /** As the program says it; null before. */
  readonly heard: StudentPage | null;
  /** When it was heard, ms. */
  readonly heardAt: number;
  readonly kept: KeptPage | null;
  /** Nothing comes through now. */
  readonly lost: boolean;
  /** The link opens nothing: why. */
  readonly refused: unknown;
  readonly error: unknown;
  readonly studentId: string | null;
  readonly again: () => void;
}

/** Asks for the page, keeps what it hears for a time without a signal, and says when that time is. */
export function usePageLine(token: string): PageLine {
  const net = usePage(token);
  const client = useQueryClient();
  const keptKey = keys.keptPage(token);
  const kept = useQuery({
    queryKey: keptKey,
    queryFn: () => readPage(token),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const [silent, setSilent] = useState(false);
  useEffect(() => {
    const late = setTimeout(() => setSilent(true), SILENCE_MS);
    return () => clearTimeout(late);
  }, []);
  const refused = net.error instanceof HttpError && net.error.final ? net.error : null;
  const heard = net.data ?? null;
  useEffect(() => {
    if (!heard) return;
    let left = false;
    const learn = async () => {
      const put = async (next: KeptPage) => {
        if (left) return;
        client.setQueryData(keys.keptPage(token), next);
        await keepPage(token, next);
      };
      const before = client.getQueryData<KeptPage | null>(keys.keptPage(token));
      await put({ page: heard, record: before?.record ?? null, at: Date.now() });
      await whenIdle();
      if (left) return;
      await put({ page: heard, record: await askForFile(token), at: Date.now() });
      if (left) return;
      await warmPapers(
        token,
        heard.drills.map(({ id }) => id),
      );
    };
    // What could not be learnt now is learnt with the next change.
    learn().catch(() => undefined);
    return () => {
      left = true;
    };
  }, [heard, token, client]);
  useEffect(() => {
    if (refused) void forgetPage(token);
  }, [refused, token]);
  const mayShow = heard === null || !heard.needsConsent;
  useEffect(() => {
    if (!mayShow) void forgetFilms(token);
  }, [mayShow, token]);
  const page = heard ?? kept.data?.page ?? null;
  return {
    heard,
    heardAt: net.dataUpdatedAt,
    kept: refused ? null : (kept.data ?? null),
    // Asked again after it failed, it is still lost until something is heard.
    lost:
      refused === null && (net.error !== null || (heard === null && (silent || net.errorUpdateCount > 0))),
    refused,
    error: net.error,
    studentId: page?.studentId ?? whoseLink(token),
    again: () => void net.refetch(),
  };
}

const now = (): string => lightFormat(new Date(), 'yyyy-MM-dd');

/** The day by this phone's clock; it changes at midnight, and when somebody looks again. */
export function useDay(): string {
  const [day, setDay] = useState(now);
  useEffect(() => {
    const look = () => setDay(now());
    const minute = setInterval(look, 60_000);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(minute);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return day;
}

/** The page to show: as it was heard, or, without a line, as this phone works it out for today. */
export function usePageToday(line: PageLine, waiting: readonly SetLog[]): StudentPage | null {
  const day = useDay();
  const { kept, lost, heard, refused } = line;
  const [alone, setAlone] = useState<StudentPage | null>(null);
  const waits = JSON.stringify(waiting);
  useEffect(() => {
    if (!lost || !kept) return setAlone(null);
    let left = false;
    import('./keptToday.ts')
      .then(
        ({ keptToday }) =>
          !left && setAlone(keptToday(kept, JSON.parse(waits) as SetLog[], dayThere(kept, day))),
      )
      // Without the rules it still knows what it heard.
      .catch(() => !left && setAlone(kept.page));
    return () => {
      left = true;
    };
  }, [lost, kept, day, waits]);
  if (refused) return null;
  return lost ? (alone ?? heard) : heard;
}

/** The coach's day when it is this day here: as far from this phone's as it was when the page was heard. */
export const dayThere = (
  { page, at }: Pick<KeptPage, 'at'> & { readonly page: { readonly today: IsoDay } },
  here: IsoDay,
): IsoDay => plusDays(here, daysBetween(lightFormat(at, 'yyyy-MM-dd'), page.today));

const whenIdle = (): Promise<unknown> =>
  new Promise((done) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(done, 300);
    else requestIdleCallback(done, { timeout: 3000 });
  });
