import type { QueueRow } from '@inchstep/contract/checkins';
import { plusDays } from '@inchstep/core/foundation';
import { Hourglass } from 'lucide-react';
import { useRef } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { dayText, Empty, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useQueue, useSetAside, useTakeUp } from './queries.ts';
import { QUEUE_WORDS } from './words.ts';

const REASONS: Record<QueueRow['reason'], string> = {
  pain: QUEUE_WORDS.painReported,
  gate_waiting: QUEUE_WORDS.gateWaitsForYou,
  wrong_way: QUEUE_WORDS.measureGoesTheWrong,
  watch_over: QUEUE_WORDS.beingOverdone,
  silent: QUEUE_WORDS.goneQuiet,
  request_overdue: QUEUE_WORDS.requestOverdue,
  overdue_reply: QUEUE_WORDS.replyOverdue,
  routine: QUEUE_WORDS.checkInToAnswer,
};

const waited = (hours: number): string =>
  hours < 1
    ? QUEUE_WORDS.justNow
    : hours < 48
      ? `${Math.round(hours)} h`
      : QUEUE_WORDS.days(Math.round(hours / 24));

const whereTo = (row: QueueRow): string =>
  row.checkinId
    ? `/students/${row.studentId}/checkins/${row.checkinId}`
    : row.reason === 'gate_waiting'
      ? `/students/${row.studentId}/ladder`
      : row.reason === 'request_overdue'
        ? `/students/${row.studentId}/checkins`
        : `/students/${row.studentId}`;

/** What waits, most pressing first, and why it stands where it stands. */
export function Queue() {
  const queue = useQueue();
  return (
    <Shown query={queue} what={QUEUE_WORDS.theQueue}>
      {({ rows, week }) => (
        <>
          {week.came > 0 && (
            <p className="mb-2 text-sm text-base-content/80">{QUEUE_WORDS.week(week.came, week.answered)}</p>
          )}
          {rows.length === 0 ? (
            <Empty title={QUEUE_WORDS.nothingWaits}>{QUEUE_WORDS.checkInsGates}</Empty>
          ) : (
            <ol className="flex flex-col gap-2" data-testid="queue">
              {rows.map((row) => (
                <Line key={row.id} row={row} />
              ))}
            </ol>
          )}
        </>
      )}
    </Shown>
  );
}

function Line({ row }: { readonly row: QueueRow }) {
  const edge = row.reason === 'pain' ? 'border-error' : 'border-l-[var(--tape-ink)]';
  return (
    <li className={`panel flex items-stretch border-l-[10px] ${edge}`}>
      <Link to={whereTo(row)} className="flex min-w-0 flex-1 flex-col p-3 hover:bg-base-200">
        <span className="flex items-baseline justify-between gap-3">
          <span className="text-lg font-semibold">{row.studentName}</span>
          <span className="text-sm">{waited(row.waitingHours)}</span>
        </span>
        <span className={row.reason === 'pain' ? 'font-semibold text-error' : 'font-semibold'}>
          {REASONS[row.reason]}
        </span>
        {row.note && <span className="line-clamp-2 text-base-content/80">{row.note}</span>}
      </Link>
      {row.reason !== 'pain' && <PutOff row={row} />}
    </li>
  );
}

/** It can wait until a day, or it was settled by talking; both can be taken back. */
function PutOff({ row }: { readonly row: QueueRow }) {
  const me = useMe();
  const box = useRef<HTMLDetailsElement>(null);
  const aside = useSetAside(row.studentId);
  const again = useTakeUp(row.studentId);
  const today = me.data?.today ?? '';
  const put = (days: number | null) => {
    if (box.current) box.current.open = false;
    const until = days === null ? null : plusDays(today, days);
    const said =
      until === null
        ? QUEUE_WORDS.spokenWith(row.studentName)
        : QUEUE_WORDS.wasAside(row.studentName, dayText(until, today));
    void aside.mutateAsync(until).then(
      (id) => toast(said, { action: { label: QUEUE_WORDS.undo, onClick: () => again.mutate(id) } }),
      (error: Error) => toast(error.message),
    );
  };
  const ways = [
    { words: QUEUE_WORDS.spoken, days: null },
    { words: QUEUE_WORDS.tomorrow, days: 1 },
    { words: QUEUE_WORDS.threeDays, days: 3 },
    { words: QUEUE_WORDS.aWeek, days: 7 },
  ];
  return (
    <details ref={box} className="dropdown dropdown-end">
      <summary
        className="grid h-full w-11 cursor-pointer list-none place-items-center text-xl hover:bg-base-200"
        aria-label={QUEUE_WORDS.asideOf(row.studentName)}
      >
        <Hourglass aria-hidden size={18} />
      </summary>
      <ul className="dropdown-content panel z-10 flex w-44 flex-col bg-base-100 p-1">
        {ways.map(({ words, days }) => (
          <li key={words}>
            <button type="button" className="btn btn-ghost w-full justify-start" onClick={() => put(days)}>
              {words}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
