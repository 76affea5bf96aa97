import type { ThreadEvent } from '@inchstep/contract/intake';
import { faultName, HOUSE_WORDS, STAGE_WORDS } from '@inchstep/contract/words';
import { dayOf, dayText } from '../../platform/parts.tsx';
import { eventText } from '../intake/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { THREAD_WORDS } from './words.ts';

type NameOf = (drill: string) => string;

const DAYS_SHOWN = 40;
const DECISIONS: Readonly<Record<string, string>> = {
  advance: 'on',
  hold: 'stay',
  back: THREAD_WORDS.oneDown,
};

/** A student's history as one line, newest day first; what happened alike on a day stands once. */
export function Thread({
  events,
  today,
}: {
  readonly events: readonly ThreadEvent[];
  readonly today: string;
}) {
  const { nameOf } = useLibrary();
  return (
    <section
      className="max-h-[34rem] overflow-y-auto pl-2"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keys
      tabIndex={0}
      aria-label={THREAD_WORDS.whatHappened}
    >
      <ol className="relative border-l-4 border-current pl-4">
        {threadDays(events, nameOf)
          .slice(0, DAYS_SHOWN)
          .map(({ day, lines }) => (
            <li key={day} className="relative mb-3">
              <span
                aria-hidden
                className="absolute top-1.5 -left-[1.55rem] h-3 w-3 rotate-45 border-2 border-[var(--tape-ink)] bg-[var(--tape)]"
              />
              <p className="text-sm text-base-content/80">{dayText(day, today)}</p>
              {lines.map(({ text, times }) => (
                <p key={text}>
                  {text}
                  {times > 1 && THREAD_WORDS.times(times)}
                </p>
              ))}
            </li>
          ))}
      </ol>
    </section>
  );
}

interface ThreadDay {
  readonly day: string;
  readonly lines: readonly { readonly text: string; readonly times: number }[];
}

/** Events (newest first) gathered by day; equal lines of a day are counted, not repeated. */
export function threadDays(events: readonly ThreadEvent[], nameOf: NameOf = HOUSE_WORDS.nameOf): ThreadDay[] {
  const days = new Map<string, Map<string, number>>();
  for (const event of events) {
    const day = dayOf(event.at);
    const lines = days.get(day) ?? new Map<string, number>();
    const text = lineOf(event, nameOf);
    lines.set(text, (lines.get(text) ?? 0) + 1);
    days.set(day, lines);
  }
  return [...days].map(([day, lines]) => ({
    day,
    lines: [...lines].map(([text, times]) => ({ text, times })),
  }));
}

export function lineOf({ kind, detail }: ThreadEvent, nameOf: NameOf): string {
  const about = detailOf(kind, detail, nameOf);
  return about === '' ? eventText(kind, detail) : `${eventText(kind, detail)}: ${about}`;
}

function detailOf(kind: ThreadEvent['kind'], detail: ThreadEvent['detail'], nameOf: NameOf): string {
  const list = (value: unknown, name: (id: string) => string) =>
    Array.isArray(value) ? value.map((id) => name(String(id))).join(', ') : '';
  if (kind === 'diagnosed') return list(detail.roots, faultName);
  if (kind === 'work_chosen') return list(detail.workOn, faultName);
  if (kind === 'drills_chosen') return list(detail.drills, nameOf);
  if (kind === 'layer') return nameOf(String(detail.drill));
  if (kind === 'rung')
    return `${nameOf(String(detail.drill))}, ${STAGE_WORDS[String(detail.stage)]?.name ?? ''}`;
  if (kind !== 'gate') return '';
  return `${STAGE_WORDS[String(detail.stage)]?.name ?? ''}, ${DECISIONS[String(detail.decision)] ?? ''}`;
}
