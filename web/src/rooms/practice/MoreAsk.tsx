import type { PlanAsk } from '@inchstep/contract/practice';
import { EXCEPTION_KINDS, MOST_WEEKS, MOST_WISHED, PACES } from '@inchstep/core/practice';
import { MORE_ASK_WORDS } from './words.ts';

const SECONDS_OF = ['rehearsal', 'ball', 'look'] as const;

interface MoreAskProps {
  readonly ask: PlanAsk;
  readonly onChange: (ask: PlanAsk) => void;
  readonly today: string;
}

/** Amounts, and days on which life is otherwise. */
export function MoreAsk({ ask, onChange, today }: MoreAskProps) {
  return (
    <>
      <div className="flex flex-wrap gap-3">
        <NumberAsk
          label={MORE_ASK_WORDS.wish}
          value={ask.wishRepsPerWeek}
          most={MOST_WISHED}
          onChange={(wishRepsPerWeek) => onChange({ ...ask, wishRepsPerWeek: wishRepsPerWeek ?? 0 })}
        />
        <NumberAsk
          label={MORE_ASK_WORDS.weeks}
          value={ask.weeks}
          most={MOST_WEEKS}
          onChange={(weeks) => weeks && onChange({ ...ask, weeks })}
        />
        <NumberAsk
          label={MORE_ASK_WORDS.bucket}
          value={ask.bucketBalls}
          most={300}
          onChange={(bucketBalls) => onChange({ ...ask, bucketBalls })}
        />
        <label className="flex flex-col">
          {MORE_ASK_WORDS.pace}
          <select
            className="select h-11 w-52"
            value={ask.pace}
            onChange={(e) => onChange({ ...ask, pace: e.target.value as PlanAsk['pace'] })}
          >
            {PACES.map((pace) => (
              <option key={pace} value={pace}>
                {MORE_ASK_WORDS.paces[pace]}
              </option>
            ))}
          </select>
        </label>
      </div>
      <fieldset className="flex flex-wrap gap-3">
        <legend className="mb-1 font-semibold">{MORE_ASK_WORDS.seconds}</legend>
        {SECONDS_OF.map((what) => (
          <NumberAsk
            key={what}
            label={MORE_ASK_WORDS.secondsOf[what]}
            value={ask.secondsPer[what]}
            most={600}
            onChange={(seconds) =>
              seconds && onChange({ ...ask, secondsPer: { ...ask.secondsPer, [what]: seconds } })
            }
          />
        ))}
      </fieldset>
      <Exceptions ask={ask} onChange={onChange} today={today} />
    </>
  );
}

function NumberAsk({
  label,
  value,
  most,
  onChange,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly most: number;
  readonly onChange: (value: number | null) => void;
}) {
  return (
    <label className="flex flex-col">
      {label}
      <input
        type="number"
        className="input h-11 w-36"
        min={0}
        max={most}
        value={value ?? ''}
        onChange={(e) => onChange(e.target.value === '' ? null : Math.round(Number(e.target.value)))}
      />
    </label>
  );
}

type Exception = PlanAsk['exceptions'][number];

function Exceptions({ ask, onChange, today }: MoreAskProps) {
  const set = (exceptions: readonly Exception[]) => onChange({ ...ask, exceptions: [...exceptions] });
  const change = (at: number, more: Partial<Exception>) =>
    set(ask.exceptions.map((one, i) => (i === at ? { ...one, ...more } : one)));
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 font-semibold">{MORE_ASK_WORDS.exceptions}</legend>
      {ask.exceptions.map((one, i) => (
        <div key={i} className="flex flex-wrap items-center gap-2">
          <select
            aria-label={MORE_ASK_WORDS.kind}
            className="select h-11 w-36"
            value={one.kind}
            onChange={(e) => change(i, { kind: e.target.value as Exception['kind'] })}
          >
            {EXCEPTION_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {MORE_ASK_WORDS.kinds[kind]}
              </option>
            ))}
          </select>
          <DateAsk label={MORE_ASK_WORDS.from} value={one.from} onChange={(from) => change(i, { from })} />
          <DateAsk label={MORE_ASK_WORDS.to} value={one.to} onChange={(to) => change(i, { to })} />
          {one.kind === 'extra' && (
            <label className="flex items-center gap-1">
              <input
                type="number"
                className="input h-11 w-20"
                min={5}
                max={240}
                value={one.minutes ?? ''}
                onChange={(e) =>
                  change(i, { minutes: e.target.value === '' ? null : Number(e.target.value) })
                }
              />{' '}
              {MORE_ASK_WORDS.minutes}
            </label>
          )}
          <button
            type="button"
            className="btn"
            onClick={() => set(ask.exceptions.filter((_, at) => at !== i))}
          >
            {MORE_ASK_WORDS.remove}
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn self-start"
        onClick={() =>
          set([...ask.exceptions, { kind: 'away', from: today, to: today, minutes: null, place: null }])
        }
      >
        {MORE_ASK_WORDS.add}
      </button>
    </fieldset>
  );
}

function DateAsk({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-1">
      {label}
      <input
        type="date"
        className="input h-11 w-40"
        value={value}
        onChange={(e) => e.target.value && onChange(e.target.value)}
      />
    </label>
  );
}
