import * as wire from '@inchstep/contract/endpoints';
import type { Everybody } from '@inchstep/contract/progress';
import { urlOf } from '@inchstep/contract/wire/address';
import { faultName, STAGE_WORDS } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import { Download } from 'lucide-react';
import { Empty, HeadRow, Panel, Shown } from '../../platform/parts.tsx';
import { Tape } from '../../platform/tape.tsx';
import { useLibrary } from '../prescription/index.ts';
import { useEverybody } from './queries.ts';
import { Fifths, howGood } from './ToldDates.tsx';
import { BELIEF_WORDS, DATES_WORDS } from './words.belief.ts';
import { EVERYBODY_WORDS } from './words.everybody.ts';
import { STATE_WORDS } from './words.ts';

/** All students together: who stands where, which drill works for what, how long a rung takes. */
export function EverybodyScreen() {
  const everybody = useEverybody();
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-4 p-4">
      <h1 className="text-3xl">{EVERYBODY_WORDS.title}</h1>
      <Shown query={everybody} what={EVERYBODY_WORDS.what}>
        {(all) =>
          all.students === 0 ? (
            <Empty title={EVERYBODY_WORDS.nobody}>{EVERYBODY_WORDS.howToBegin}</Empty>
          ) : (
            <>
              <Now standings={all.standings} />
              <Works works={all.works} />
              <Gates gates={all.gates} />
              <Dates score={all.dates} />
              <p className="flex flex-wrap gap-2">
                <a className="btn" href={urlOf(wire.progress.everybodyCsv)} download>
                  <Download aria-hidden size={20} /> {BELIEF_WORDS.csv}
                </a>
                <a className="btn" href={urlOf(wire.progress.everybodyJson)} download>
                  <Download aria-hidden size={20} /> {BELIEF_WORDS.json}
                </a>
              </p>
            </>
          )
        }
      </Shown>
    </div>
  );
}

const Now = ({ standings }: Pick<Everybody, 'standings'>) => (
  <Panel title={EVERYBODY_WORDS.now}>
    <dl className="grid gap-x-6 gap-y-1 sm:grid-cols-[auto_auto_1fr]">
      {standings.flatMap(({ state, names }) => [
        <dt key={state} className="font-semibold">
          {STATE_WORDS[state]}
        </dt>,
        <dd key={`${state} n`} className="tabular-nums">
          {names.length}
        </dd>,
        <dd key={`${state} names`}>{names.join(', ')}</dd>,
      ])}
    </dl>
  </Panel>
);

/** No change at all is the edge of what is wanted. */
const GAIN_BAND = { lo: 0, hi: null, step: 0.25, unit: 'ratio' };
/** From so many students' work on a figure is one. */
const ENOUGH = 5;

function Works({ works }: Pick<Everybody, 'works'>) {
  const { nameOf } = useLibrary();
  return (
    <Panel title={EVERYBODY_WORDS.works}>
      {works.length === 0 ? (
        <p>{EVERYBODY_WORDS.noWorks}</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="table">
            <HeadRow columns={EVERYBODY_WORDS.columns} />
            <tbody>
              {works.map(({ fault, drill, mean, sd, alone, courses, reps }) => (
                <tr key={`${fault} ${drill}`}>
                  <td>{faultName(fault)}</td>
                  <td>{nameOf(drill)}</td>
                  <td className="min-w-64">
                    <Tape
                      name={EVERYBODY_WORDS.gainName}
                      band={GAIN_BAND}
                      value={mean}
                      half95={Z95 * sd}
                      before={alone}
                      span={[-1.7, 2.7]}
                    />
                  </td>
                  <td>
                    <p>{EVERYBODY_WORDS.counted(courses, reps)}</p>
                    {courses < ENOUGH && <p className="text-sm">{EVERYBODY_WORDS.few}</p>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className="mt-1 text-sm text-base-content/80">{EVERYBODY_WORDS.how}</p>
    </Panel>
  );
}

const Gates = ({ gates }: Pick<Everybody, 'gates'>) => (
  <Panel title={EVERYBODY_WORDS.gates}>
    {gates.length === 0 ? (
      <p>{EVERYBODY_WORDS.noGates}</p>
    ) : (
      <div className="overflow-x-auto">
        <table className="table">
          <HeadRow columns={EVERYBODY_WORDS.gateColumns} />
          <tbody>
            {gates.map(({ stage, passed, notYet, byWeek, medianWeeks }) => (
              <tr key={stage}>
                <td>{STAGE_WORDS[stage]?.name}</td>
                <td>{EVERYBODY_WORDS.weeks(medianWeeks)}</td>
                <td>{passed}</td>
                <td>{notYet}</td>
                <td>
                  <Weeks byWeek={byWeek} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    )}
    <p className="mt-1 text-sm text-base-content/80">{EVERYBODY_WORDS.notYetCounts}</p>
  </Panel>
);

const Dates = ({ score }: { readonly score: Everybody['dates'] }) => (
  <Panel title={DATES_WORDS.title}>
    <p>{howGood(score)}</p>
    {score.judged > 0 && (
      <>
        <Fifths score={score} />
        <p>{DATES_WORDS.counts(score.judged, score.sooner, score.later, score.waiting)}</p>
      </>
    )}
    {score.brier && (
      <p>{DATES_WORDS.brier(score.brier.told.toFixed(2), score.brier.base.toFixed(2), score.brier.films)}</p>
    )}
    <p className="mt-1 text-sm text-base-content/80">{DATES_WORDS.even}</p>
  </Panel>
);

const WEEK_WIDTH = 26;

/** A piece of tape a week; what is through by then stands on it as a rule. */
const Weeks = ({ byWeek }: { readonly byWeek: readonly number[] }) => (
  <svg
    role="img"
    aria-label={byWeek.map((share, i) => EVERYBODY_WORDS.week(i + 1, share)).join(', ')}
    viewBox={`0 0 ${WEEK_WIDTH * byWeek.length} 40`}
    className="h-10 w-56"
  >
    <rect width={WEEK_WIDTH * byWeek.length} height={40} rx={2} fill="var(--tape)" />
    {byWeek.map((share, i) => (
      <g key={`w${String(i)}`}>
        <line
          x1={WEEK_WIDTH * (i + 1)}
          x2={WEEK_WIDTH * (i + 1)}
          y1={32}
          y2={40}
          stroke="var(--tape-ink)"
          strokeWidth={1}
        />
        <rect x={WEEK_WIDTH * i} y={36 - 32 * share} width={WEEK_WIDTH} height={4} fill="var(--tape-ink)" />
      </g>
    ))}
  </svg>
);
