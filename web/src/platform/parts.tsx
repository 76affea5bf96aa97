import { lightFormat } from 'date-fns';
import { CircleAlert, LoaderCircle, WifiOff } from 'lucide-react';
import type { ReactNode } from 'react';
import { fullDay } from './dates.ts';
import type { FormDraft } from './drafts.ts';
import { ToldError } from './httpError.ts';
import { PARTS_WORDS } from './words.ts';

/** Shared pieces that every room may use; nothing here knows a room. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <p role="status" className="flex items-center gap-3 p-6 text-base-content/80">
      <LoaderCircle aria-hidden className="animate-spin" size={22} /> {PARTS_WORDS.fetching(what)}
    </p>
  );
}

export function Failed({ error, again }: { readonly error: unknown; readonly again?: () => void }) {
  const words = error instanceof ToldError ? error.message : PARTS_WORDS.somethingBroke;
  return (
    <div role="alert" className="panel flex items-start gap-3 border-error p-4">
      <CircleAlert aria-hidden className="mt-0.5 shrink-0 text-error" size={22} />
      <div>
        <p>{words}</p>
        {again && (
          <button type="button" className="btn btn-sm mt-2 h-11" onClick={again}>
            {PARTS_WORDS.tryAgain}
          </button>
        )}
      </div>
    </div>
  );
}

export function Empty({
  title,
  children,
  action,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly action?: ReactNode;
}) {
  return (
    <div className="panel border-dashed p-8 text-center">
      <h2 className="text-xl">{title}</h2>
      <p className="mx-auto mt-2 max-w-prose text-base-content/80">{children}</p>
      {action && <div className="mt-4 flex justify-center gap-2">{action}</div>}
    </div>
  );
}

export function Panel({
  title,
  aside,
  children,
  className = '',
}: {
  readonly title: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
  readonly className?: string;
}) {
  return (
    <section className={`panel p-4 ${className}`} aria-label={title}>
      <div className="mb-2 flex items-baseline justify-between gap-3">
        <h2 className="text-lg">{title}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}

const Paused = ({ what }: { readonly what: string }) => (
  <p role="status" className="panel flex items-center gap-3 border-warning p-4">
    <WifiOff aria-hidden className="shrink-0" size={22} /> {PARTS_WORDS.paused(what)}
  </p>
);

/** A query's four faces in one place. */
export function Shown<T>({
  query,
  what,
  children,
}: {
  readonly query: {
    data: T | undefined;
    error: unknown;
    refetch: () => unknown;
    readonly fetchStatus?: 'fetching' | 'paused' | 'idle';
  };
  readonly what: string;
  readonly children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.error) return <Failed error={query.error} again={() => void query.refetch()} />;
  // Without a connection nothing is asked for; it goes on by itself.
  if (query.fetchStatus === 'paused') return <Paused what={what} />;
  return <Loading what={what} />;
}

/** The calendar day here of a moment; a day stays itself. The first ten letters of a moment are Greenwich's. */
export const dayOf = (at: string): string =>
  at.length === 10 ? at : lightFormat(new Date(at), 'yyyy-MM-dd');

/** "today", "yesterday", "5 days ago", else the date. */
export function dayText(at: string, today: string): string {
  const day = dayOf(at);
  const days = Math.round((Date.parse(today) - Date.parse(day)) / 86_400_000);
  if (days === 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days === -1) return 'tomorrow';
  if (days > 1 && days < 14) return PARTS_WORDS.daysAgo(days);
  if (days < -1 && days > -14) return PARTS_WORDS.inDays(-days);
  return fullDay(day);
}

/** Says that a form began with what was left in it, and offers the way back. */
export function DraftNote({ draft }: { readonly draft: FormDraft }) {
  if (!draft.restored) return null;
  return (
    <p role="status" className="panel flex flex-wrap items-center gap-3 p-3">
      <span className="flex-1">{PARTS_WORDS.whatYouHadTyped}</span>
      <button type="button" className="btn" onClick={draft.startOver}>
        {PARTS_WORDS.startOver}
      </button>
    </p>
  );
}

/** The headings of a table's columns. */
export const HeadRow = ({ columns }: { readonly columns: readonly string[] }) => (
  <thead>
    <tr>
      {columns.map((name) => (
        <th key={name} scope="col">
          {name}
        </th>
      ))}
    </tr>
  </thead>
);
