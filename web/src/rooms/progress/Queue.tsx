import type { QueueRow } from '@inchstep/contract/checkins';
import { Link } from 'react-router';
import { Empty, Shown } from '../../platform/parts.tsx';
import { useQueue } from './queries.ts';
import { QUEUE_WORDS } from './words.ts';

const REASONS: Record<QueueRow['reason'], string> = {
  pain: QUEUE_WORDS.painReported,
  gate_waiting: QUEUE_WORDS.gateWaitsForYou,
  wrong_way: QUEUE_WORDS.measureGoesTheWrong,
  watch_over: QUEUE_WORDS.beingOverdone,
  silent: QUEUE_WORDS.goneQuiet,
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
      : `/students/${row.studentId}`;

/** What waits, most pressing first, and why it stands where it stands. */
export function Queue() {
  const queue = useQueue();
  return (
    <Shown query={queue} what={QUEUE_WORDS.theQueue}>
      {({ rows }) =>
        rows.length === 0 ? (
          <Empty title={QUEUE_WORDS.nothingWaits}>{QUEUE_WORDS.checkInsGates}</Empty>
        ) : (
          <ol className="flex flex-col gap-2" data-testid="queue">
            {rows.map((row) => (
              <li key={row.id}>
                <Link
                  to={whereTo(row)}
                  className={`panel flex flex-col p-3 hover:bg-base-200 ${row.reason === 'pain' ? 'border-l-[10px] border-error' : 'border-l-[10px] border-l-[var(--tape-ink)]'}`}
                >
                  <span className="flex items-baseline justify-between gap-3">
                    <span className="text-lg font-semibold">{row.studentName}</span>
                    <span className="text-sm">{waited(row.waitingHours)}</span>
                  </span>
                  <span className={row.reason === 'pain' ? 'font-semibold text-error' : 'font-semibold'}>
                    {REASONS[row.reason]}
                  </span>
                  {row.note && <span className="line-clamp-2 text-base-content/80">{row.note}</span>}
                </Link>
              </li>
            ))}
          </ol>
        )
      }
    </Shown>
  );
}
