import { breachText } from '@inchstep/contract/words';
import { plusDays } from '@inchstep/core/foundation';
import { useState } from 'react';
import { dayText } from '../../platform/parts.tsx';
import { useMoveCheck } from './queries.ts';
import { MOVE_WORDS } from './words.ts';

const NEAR = [-3, -2, -1, 1, 2, 3] as const;

/** Puts a session on a near day; the rule that it would break there is named before it is let go. */
export function MoveSession({
  studentId,
  date,
  today,
  onMove,
}: {
  readonly studentId: string;
  readonly date: string;
  readonly today: string;
  readonly onMove: (to: string) => void;
}) {
  const [to, setTo] = useState<string | null>(null);
  const check = useMoveCheck(studentId, date, to);
  const broken = check.data?.broken[0];
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2 border-t-[1.5px] border-base-300 pt-2">
      <label className="flex items-center gap-2 whitespace-nowrap">
        {MOVE_WORDS.put}
        <select className="select h-11 w-36" value={to ?? ''} onChange={(e) => setTo(e.target.value || null)}>
          <option value="" />
          {NEAR.map((by) => plusDays(date, by))
            .filter((day) => day >= today)
            .map((day) => (
              <option key={day} value={day}>
                {dayText(day, today)}
              </option>
            ))}
        </select>
      </label>
      {to && check.data && (
        <>
          <span aria-live="polite" className="text-sm">
            {broken ? MOVE_WORDS.cant(breachText(broken)) : MOVE_WORDS.fits}
          </span>
          <button type="button" className="btn" onClick={() => onMove(to)}>
            {MOVE_WORDS.move}
          </button>
        </>
      )}
    </div>
  );
}
