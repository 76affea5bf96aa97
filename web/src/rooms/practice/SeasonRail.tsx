import { plusDays } from '@inchstep/core/foundation';
import type { Plan } from '@inchstep/core/practice';
import { useState } from 'react';
import { useLibrary } from '../prescription/index.ts';
import { RailDrawing } from './RailDrawing.tsx';
import { railOf } from './railShape.ts';
import { WeekBoard } from './WeekBoard.tsx';
import { RAIL_WORDS } from './words.ts';

const SPANS = { season: 84, month: 28, week: 7 } as const;
type Span = keyof typeof SPANS;

/** Weeks as lengths of tape laid end to end; sessions stand on it to scale, gates hang below with both dates. */
export function SeasonRail({
  plan,
  today,
  studentId,
  chosen,
  onChoose,
  onMove,
}: {
  readonly plan: Plan;
  readonly today: string;
  readonly studentId: string;
  readonly chosen: string | null;
  readonly onChoose: (date: string) => void;
  readonly onMove: ((from: string, to: string) => void) | null;
}) {
  const library = useLibrary();
  const [span, setSpan] = useState<Span>('season');
  const [from, setFrom] = useState(today);
  const rail = railOf(plan, from, SPANS[span], library.byId);
  const step = (by: number) => setFrom(plusDays(from, by * SPANS[span]));
  return (
    <figure className="panel p-3">
      <figcaption className="mb-2 flex flex-wrap items-center gap-2">
        <h2 className="mr-auto text-lg font-semibold">{RAIL_WORDS.title}</h2>
        {from > today && (
          <button type="button" className="btn" onClick={() => step(-1)}>
            {RAIL_WORDS.back}
          </button>
        )}
        {span !== 'season' && (
          <button type="button" className="btn" onClick={() => step(1)}>
            {RAIL_WORDS.on}
          </button>
        )}
        {(Object.keys(SPANS) as Span[]).map((one) => (
          <button
            key={one}
            type="button"
            className={`btn ${one === span ? 'btn-primary' : ''}`}
            aria-pressed={one === span}
            onClick={() => {
              setSpan(one);
              if (one === 'season') setFrom(today);
            }}
          >
            {RAIL_WORDS.spans[one]}
          </button>
        ))}
      </figcaption>
      {span === 'week' ? (
        <WeekBoard
          plan={plan}
          from={from}
          studentId={studentId}
          chosen={chosen}
          onChoose={onChoose}
          onMove={onMove}
        />
      ) : (
        <RailDrawing rail={rail} chosen={chosen} onChoose={onChoose} nameOf={library.nameOf} />
      )}
    </figure>
  );
}
