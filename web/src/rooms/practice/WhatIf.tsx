import type { PlanAsk } from '@inchstep/contract/practice';
import { daysBetween, WEEKDAYS } from '@inchstep/core/foundation';
import { minutesOf } from '@inchstep/core/intake';
import type { GateDate, Plan } from '@inchstep/core/practice';
import { useState } from 'react';
import { dayText, Panel } from '../../platform/parts.tsx';
import { usePlanPreview } from './queries.ts';
import { WHAT_IF_WORDS } from './words.ts';

const MORE_MINUTES = 10;
const LONGEST = 240;

/** Tries another week: the gate's dates move under the hand, and nothing is kept. */
export function WhatIf({
  studentId,
  ask,
  plan,
  today,
}: {
  readonly studentId: string;
  readonly ask: PlanAsk;
  readonly plan: Plan;
  readonly today: string;
}) {
  const [day, setDay] = useState(false);
  const [minutes, setMinutes] = useState(false);
  const [miss, setMiss] = useState<number | null>(null);
  const tried = day || minutes || miss !== null;
  const preview = usePlanPreview(studentId, tried ? { ...changed(ask, day, minutes), missRate: miss } : null);
  const now = aimOf(plan);
  const then = tried && preview.data ? aimOf(preview.data.plan) : now;
  return (
    <Panel title={WHAT_IF_WORDS.title}>
      <div className="flex flex-wrap items-center gap-2">
        <Toggle on={day} onChange={setDay} text={WHAT_IF_WORDS.day} />
        <Toggle on={minutes} onChange={setMinutes} text={WHAT_IF_WORDS.minutes} />
        <label className="flex min-h-11 flex-1 flex-wrap items-center gap-2">
          <span className="w-48 text-sm">
            {miss === null ? WHAT_IF_WORDS.usual : WHAT_IF_WORDS.miss(miss * 10)}
          </span>
          <input
            type="range"
            className="range min-w-32 flex-1"
            aria-label={WHAT_IF_WORDS.missLabel}
            min={-1}
            max={6}
            value={miss === null ? -1 : Math.round(miss * 10)}
            onChange={(e) => setMiss(Number(e.target.value) < 0 ? null : Number(e.target.value) / 10)}
          />
        </label>
      </div>
      <p className="mt-2" aria-live="polite">
        <strong>{WHAT_IF_WORDS.dates}</strong>: {WHAT_IF_WORDS.likely} {dateText(then?.likely, today)},{' '}
        {WHAT_IF_WORDS.late} {dateText(then?.late, today)}
        {tried && now?.late && then?.late && ` (${WHAT_IF_WORDS.sooner(daysBetween(then.late, now.late))})`}
      </p>
    </Panel>
  );
}

const dateText = (date: string | null | undefined, today: string): string =>
  date ? dayText(date, today) : WHAT_IF_WORDS.never;

/** The first drill's three-quarter gate, or the last gate before it. */
function aimOf({ gateDates }: Plan): GateDate | undefined {
  const root = gateDates[0]?.drill;
  const own = gateDates.filter(({ drill }) => drill === root);
  return own.find(({ stage }) => stage === 'three_quarter') ?? own[0];
}

function changed(ask: PlanAsk, day: boolean, minutes: boolean): PlanAsk {
  const free = WEEKDAYS.find((one) => !ask.days.includes(one));
  const days = day && free ? WEEKDAYS.filter((one) => one === free || ask.days.includes(one)) : ask.days;
  const more = minutes ? MORE_MINUTES : 0;
  const minutesOn = (one: (typeof WEEKDAYS)[number]) =>
    Math.min(LONGEST, minutesOf(ask.minutesPerDay, one) + more);
  return {
    ...ask,
    days: [...days],
    minutesPerDay: minutes ? Object.fromEntries(days.map((one) => [one, minutesOn(one)])) : ask.minutesPerDay,
  };
}

function Toggle({
  on,
  onChange,
  text,
}: {
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
  readonly text: string;
}) {
  return (
    <button
      type="button"
      className={`btn ${on ? 'btn-primary' : ''}`}
      aria-pressed={on}
      onClick={() => onChange(!on)}
    >
      {text}
    </button>
  );
}
