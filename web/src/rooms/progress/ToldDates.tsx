import type { ForecastScore, MeasureStory } from '@inchstep/contract/progress';
import { dayText, HeadRow } from '../../platform/parts.tsx';
import { DATES_WORDS } from './words.belief.ts';

/** Dates that were told of this measure, beside what came, and how good such dates are. */
export function ToldDates({
  dates: { told, score },
  today,
}: {
  readonly dates: MeasureStory['dates'];
  readonly today: string;
}) {
  return (
    <div className="mt-3">
      <p className="text-sm">{howGood(score)}</p>
      {told.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">
            {DATES_WORDS.before(told.length)}
          </summary>
          <table className="table">
            <HeadRow columns={DATES_WORDS.columns} />
            <tbody>
              {[...told].reverse().map((one) => (
                <tr key={`${one.kind} ${one.askedOn}`}>
                  <td>{dayText(one.askedOn, today)}</td>
                  <td>{DATES_WORDS.kinds[one.kind]}</td>
                  <td>
                    {DATES_WORDS.span(
                      dayText(one.likely, today),
                      dayText(one.lo80, today),
                      dayText(one.hi80, today),
                    )}
                  </td>
                  <td>
                    {one.came === null
                      ? one.pit === null
                        ? DATES_WORDS.waiting
                        : DATES_WORDS.overdue
                      : DATES_WORDS.came(dayText(one.notBy, today), dayText(one.came, today))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
    </div>
  );
}

/** The sentence on how far such a date can be trusted; few are told as few. */
export const howGood = ({ judged, held, waiting }: ForecastScore): string =>
  judged === 0
    ? DATES_WORDS.noneJudged(waiting)
    : `${DATES_WORDS.held(held, judged)}${judged < ENOUGH ? ` ${DATES_WORDS.few}` : ''}`;

/** From so many judged dates on a share is one. */
const ENOUGH = 20;

const POST = 44;
const TALL = 60;

/** How many came in each fifth of what was told: level where dates are told well. */
export function Fifths({ score }: { readonly score: ForecastScore }) {
  const most = Math.max(1, ...score.fifths);
  const even = score.judged / score.fifths.length;
  const y = (n: number) => TALL - (n / most) * (TALL - 8);
  return (
    <svg
      role="img"
      aria-label={score.fifths.map((n, i) => DATES_WORDS.fifth(i, n)).join(', ')}
      viewBox={`0 0 ${POST * score.fifths.length + 4} ${TALL + 16}`}
      className="h-28"
    >
      {score.fifths.map((n, i) => (
        <g key={`fifth${String(i)}`}>
          <rect
            x={POST * i + 6}
            width={POST - 8}
            y={y(n)}
            height={TALL - y(n)}
            fill="var(--tape)"
            stroke="currentColor"
          />
          <text
            x={POST * i + POST / 2 + 2}
            y={TALL + 13}
            fontSize={10}
            textAnchor="middle"
            fill="currentColor"
          >
            {DATES_WORDS.fifths[i]}
          </text>
        </g>
      ))}
      <line
        x1={2}
        x2={POST * score.fifths.length + 2}
        y1={y(even)}
        y2={y(even)}
        stroke="currentColor"
        strokeWidth={1.4}
        strokeDasharray="5 4"
      />
    </svg>
  );
}
