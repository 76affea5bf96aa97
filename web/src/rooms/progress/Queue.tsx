import type { QueueRow } from '@inchstep/contract/checkins';
import { Link } from 'react-router';
import { Empty, Shown } from '../../platform/parts.tsx';
import { useQueue } from './queries.ts';

const REASONS: Record<QueueRow['reason'], string> = {
  pain: 'Pain reported',
  gate_waiting: 'A gate waits for you',
  wrong_way: 'A measure goes the wrong way',
  watch_over: 'Being overdone',
  silent: 'Gone quiet',
  overdue_reply: 'Reply overdue',
  routine: 'Check-in to answer',
};

const waited = (hours: number): string =>
  hours < 1 ? 'just now' : hours < 48 ? `${Math.round(hours)} h` : `${Math.round(hours / 24)} days`;

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
    <Shown query={queue} what="the queue">
      {({ rows }) =>
        rows.length === 0 ? (
          <Empty title="Nothing waits">
            Check-ins, gates and quiet students show here, pain always first.
          </Empty>
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
