import {
  DndContext,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { breachText, emptyText, PLACE_WORDS } from '@inchstep/contract/words';
import { plusDays } from '@inchstep/core/foundation';
import type { Plan, PlanDay } from '@inchstep/core/practice';
import { useState } from 'react';
import { weekdayDay } from '../../platform/dates.ts';
import { useMoveCheck } from './queries.ts';
import { MOVE_WORDS, WEEK_BOARD_WORDS } from './words.ts';

const DAYS = 7;
const PX_A_MINUTE = 2;
const LONGEST_SHOWN = 60;

/** One column at a time by the arrow keys. */
const byColumn: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
  const wide = context.droppableRects.values().next().value?.width ?? 0;
  if (event.code === 'ArrowRight') return { ...currentCoordinates, x: currentCoordinates.x + wide };
  if (event.code === 'ArrowLeft') return { ...currentCoordinates, x: currentCoordinates.x - wide };
  return undefined;
};

interface WeekBoardProps {
  readonly plan: Plan;
  readonly from: string;
  readonly studentId: string;
  readonly chosen: string | null;
  readonly onChoose: (date: string) => void;
  /** Keeps a session on another day; null while the plan is only tried. */
  readonly onMove: ((from: string, to: string) => void) | null;
}

/** The rail near by: a week's tape with its sessions, which can be put on another day by hand or by key. */
export function WeekBoard({ plan, from, studentId, chosen, onChoose, onMove }: WeekBoardProps) {
  const [held, setHeld] = useState<{ from: string; over: string | null } | null>(null);
  const to = held?.over && held.over !== held.from ? held.over : null;
  const check = useMoveCheck(studentId, held?.from ?? from, to);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byColumn }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    const day = over ? String(over.id) : null;
    setHeld(null);
    if (day && day !== active.id) onMove?.(String(active.id), day);
  };
  const broken = check.data?.broken[0];
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setHeld({ from: String(active.id), over: null })}
      onDragOver={({ active, over }) =>
        setHeld({ from: String(active.id), over: over ? String(over.id) : null })
      }
      onDragEnd={drop}
      onDragCancel={() => setHeld(null)}
      accessibility={{ screenReaderInstructions: { draggable: WEEK_BOARD_WORDS.how } }}
    >
      <ol className="grid grid-cols-7" aria-label={WEEK_BOARD_WORDS.title}>
        {Array.from({ length: DAYS }, (_, i) => plusDays(from, i)).map((date) => (
          <Column
            key={date}
            date={date}
            day={plan.days.find((one) => one.date === date)}
            why={plan.empty.find((one) => one.date === date)?.why ?? null}
            chosen={date === chosen}
            movable={onMove !== null}
            onChoose={onChoose}
          />
        ))}
      </ol>
      <p className="mt-2 min-h-6 text-sm" aria-live="polite">
        {to && check.data
          ? `${weekdayDay(to)}: ${broken ? MOVE_WORDS.cant(breachText(broken)) : MOVE_WORDS.fits}`
          : onMove && WEEK_BOARD_WORDS.how}
      </p>
    </DndContext>
  );
}

interface ColumnProps {
  readonly date: string;
  readonly day: PlanDay | undefined;
  readonly why: string | null;
  readonly chosen: boolean;
  readonly movable: boolean;
  readonly onChoose: (date: string) => void;
}

function Column({ date, day, why, chosen, movable, onChoose }: ColumnProps) {
  const { setNodeRef, isOver } = useDroppable({ id: date });
  return (
    <li ref={setNodeRef} className={`flex flex-col justify-end ${isOver ? 'bg-base-200' : ''}`}>
      <div className="flex min-h-36 flex-col justify-end px-1">
        {day && <Session day={day} chosen={chosen} movable={movable} onChoose={onChoose} />}
        {!day && why && <p className="pb-1 text-center text-sm">{emptyText(why)}</p>}
      </div>
      <p className="tape-edge border-[1.5px] border-[var(--tape-ink)] px-1 pt-3 pb-1 text-sm text-[var(--tape-ink)]">
        {weekdayDay(date)}
      </p>
    </li>
  );
}

function Session({
  day,
  chosen,
  movable,
  onChoose,
}: {
  readonly day: PlanDay;
  readonly chosen: boolean;
  readonly movable: boolean;
  readonly onChoose: (date: string) => void;
}) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: day.date,
    disabled: !movable,
  });
  const balls = day.items.some((item) => item.balls > 0);
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      onClick={() => onChoose(day.date)}
      className={`flex touch-none flex-col items-center justify-center rounded-t border-[1.5px] border-base-content px-1 text-sm ${
        balls ? 'bg-base-content text-base-100' : 'bg-base-200'
      } ${chosen ? 'outline-3 outline-offset-2' : ''} ${isDragging ? 'z-10 opacity-80' : ''}`}
      style={{
        height: Math.max(44, Math.min(LONGEST_SHOWN, day.minutes) * PX_A_MINUTE),
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
    >
      <span className="sr-only">{weekdayDay(day.date)}</span>
      <span className="font-semibold">{WEEK_BOARD_WORDS.minutes(Math.round(day.minutes))}</span>
      <span>{PLACE_WORDS[day.place]}</span>
    </button>
  );
}
