import type { RosterRow } from '@inchstep/contract/progress';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { Archive } from 'lucide-react';
import { useRef } from 'react';
import { Link } from 'react-router';
import { useMe } from '../../platform/session.ts';
import { HAND_WORDS } from '../intake/index.ts';
import { RosterLine } from './RosterLine.tsx';
import { ROSTER_LIST_WORDS } from './words.ts';

const ROW_PX = 76;
/** Up to here every row is drawn: find-in-page and printing reach them all. */
const ALL_DRAWN = 30;

interface RosterListProps {
  readonly rows: readonly RosterRow[];
  readonly onArchive: (row: RosterRow) => void;
}

/** The rows in sight and a few around them, however many there are. */
export function RosterList({ rows, onArchive }: RosterListProps) {
  const list = useRef<HTMLUListElement>(null);
  const few = rows.length <= ALL_DRAWN;
  const drawn = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => ROW_PX,
    overscan: 8,
    enabled: !few,
    scrollMargin: list.current?.offsetTop ?? 0,
    // A row that wraps is taller; where nothing is laid out, every row is as expected.
    measureElement: (row) => row.getBoundingClientRect().height || ROW_PX,
    getItemKey: (i) => rows[i]?.studentId ?? i,
  });
  if (few)
    return (
      <ul className="panel divide-y-[1.5px] divide-base-300">
        {rows.map((row) => (
          <li key={row.studentId}>
            <Row row={row} onArchive={onArchive} />
          </li>
        ))}
      </ul>
    );
  const above = drawn.options.scrollMargin;
  return (
    <ul ref={list} className="panel relative" style={{ height: drawn.getTotalSize() }}>
      {drawn.getVirtualItems().map(({ key, index, start }) => (
        <li
          key={key}
          ref={drawn.measureElement}
          data-index={index}
          aria-setsize={rows.length}
          aria-posinset={index + 1}
          className="absolute inset-x-0 top-0 border-b-[1.5px] border-base-300"
          style={{ transform: `translateY(${start - above}px)` }}
        >
          <Row row={rows[index] as RosterRow} onArchive={onArchive} />
        </li>
      ))}
    </ul>
  );
}

function Row({ row, onArchive }: { readonly row: RosterRow; readonly onArchive: (row: RosterRow) => void }) {
  const me = useMe();
  const { studentId, name, handedness, ageYears, limits, archived } = row;
  return (
    <div className="flex items-center gap-3 px-4 py-1">
      <Link
        to={`/students/${studentId}`}
        className="flex min-h-14 min-w-0 flex-1 flex-wrap items-center gap-x-4 hover:underline"
      >
        <span className="w-52 text-lg font-semibold">{name}</span>
        <span className="w-40 text-base-content/80">
          {HAND_WORDS[handedness]}, {ageYears}
          {limits.length > 0 && (
            <span className="block text-sm font-semibold text-base-content">
              {ROSTER_LIST_WORDS.care(limits.join(', '))}
            </span>
          )}
        </span>
        <span className="min-w-64 flex-1">
          <RosterLine row={row} today={me.data?.today ?? ''} />
        </span>
      </Link>
      <button type="button" className="btn btn-ghost" onClick={() => onArchive(row)}>
        <Archive aria-hidden size={18} /> {archived ? ROSTER_LIST_WORDS.bringBack : ROSTER_LIST_WORDS.archive}
        <span className="sr-only"> {name}</span>
      </button>
    </div>
  );
}
